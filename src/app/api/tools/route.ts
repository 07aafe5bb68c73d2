import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { saveTools } from "@/server/settings";
import { ToolsSave } from "@/wire/settings";

export const dynamic = "force-dynamic";

export async function PUT(req: Request): Promise<Response> {
  const body = await readJson(req, ToolsSave);
  if (!body.ok) return body.response;
  const saved = await saveTools(body.value, nowIso());
  return saved.ok ? json({ version: saved.version }) : problem(saved.status, saved.problem);
}
