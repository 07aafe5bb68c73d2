import { guarded } from "@/server/guarded";
import { begin } from "@/server/habits";
import { json, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { FirstAnswers } from "@/wire/habits";

export const dynamic = "force-dynamic";

/** The first three questions of a new shop. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, FirstAnswers);
  if (!body.ok) return body.response;
  await begin(body.value, nowIso());
  return json({ ok: true });
});
