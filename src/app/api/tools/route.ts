import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { saveTools } from "@/server/settings";
import { ToolsSave } from "@/wire/settings";

export const dynamic = "force-dynamic";

export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, ToolsSave);
  if (!body.ok) return body.response;
  const saved = await saveTools(body.value, nowIso());
  return saved.ok ? json({ version: saved.version }) : problem(saved.status, saved.problem);
});
