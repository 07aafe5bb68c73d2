import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { readPanel, savePanel } from "@/server/panels";
import { PanelSave } from "@/wire/panels";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };

export const GET = guarded(async (_req: Request, { params }: Context): Promise<Response> => {
  const row = await readPanel((await params).id);
  return row ? json({ panel: row.data, version: row.version }) : problem(404, "There is no such panel.");
});

export const PUT = guarded(async (req: Request, { params }: Context): Promise<Response> => {
  const body = await readJson(req, PanelSave, 1_000_000);
  if (!body.ok) return body.response;
  const done = await savePanel((await params).id, body.value.panel, body.value.version, nowIso());
  return done.ok ? json(done) : problem(done.status, done.problem, done.details);
});
