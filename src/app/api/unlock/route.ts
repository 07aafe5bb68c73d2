import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { SESSION_COOKIE, unlock } from "@/server/session";
import { UnlockRequest } from "@/wire/settings";

export const dynamic = "force-dynamic";

export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, UnlockRequest);
  if (!body.ok) return body.response;
  const done = await unlock(body.value.passcode);
  if (!done.ok) return problem(done.status, done.reason);
  const res = json({ ok: true });
  res.headers.set("set-cookie", `${SESSION_COOKIE}=${done.token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${done.maxAgeS}`);
  return res;
});
