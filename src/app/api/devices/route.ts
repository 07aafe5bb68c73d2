import { VIA } from "@/proxy";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { devices, revoke } from "@/server/session";
import { RevokeRequest } from "@/wire/settings";

export const dynamic = "force-dynamic";

/** Ends the session of one device, or of all: at the machine itself. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  if (req.headers.get(VIA) === "bench-network") return problem(403, "Who is let in is settled at the bench itself.");
  const body = await readJson(req, RevokeRequest);
  if (!body.ok) return body.response;
  if (!(await revoke(body.value.id))) return problem(404, "That device is signed out already.");
  return json({ devices: await devices() });
});
