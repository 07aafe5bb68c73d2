import { ADDRESS } from "@/proxy";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { logOut, SESSION_COOKIE, unlock } from "@/server/session";
import { UnlockRequest } from "@/wire/settings";

export const dynamic = "force-dynamic";

export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, UnlockRequest);
  if (!body.ok) return body.response;
  const done = await unlock(body.value.passcode, body.value.name, req.headers.get(ADDRESS) ?? "unknown");
  if (!done.ok) return problem(done.status, done.reason);
  const res = json({ ok: true });
  res.headers.set("set-cookie", `${SESSION_COOKIE}=${done.token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${done.maxAgeS}`);
  return res;
});

/** Signs this device out. */
export const DELETE = guarded(async (req: Request): Promise<Response> => {
  const token = new RegExp(`(?:^|; )${SESSION_COOKIE}=([^;]+)`).exec(req.headers.get("cookie") ?? "")?.[1];
  await logOut(token);
  const res = json({ ok: true });
  res.headers.set("set-cookie", `${SESSION_COOKIE}=; Path=/; HttpOnly; SameSite=Strict; Max-Age=0`);
  return res;
});
