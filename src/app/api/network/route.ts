import { VIA } from "@/proxy";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { listener, readNetwork, setNetwork } from "@/server/session";
import { NetworkRequest } from "@/wire/settings";

export const dynamic = "force-dynamic";

export const POST = guarded(async (req: Request): Promise<Response> => {
  if (req.headers.get(VIA) === "bench-network") return problem(403, "The bench network is switched at the bench itself.");
  const body = await readJson(req, NetworkRequest);
  if (!body.ok) return body.response;
  const done = await setNetwork(body.value.on, body.value.passcode, body.value.hosts);
  return done.ok ? json({ on: body.value.on, addresses: done.addresses }) : problem(409, done.reason);
});

export const GET = guarded(async (): Promise<Response> => {
  const set = await readNetwork();
  return json({ on: set?.on ?? false, addresses: set?.on ? (listener()?.addresses() ?? []) : [] });
});
