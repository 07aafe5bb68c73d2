import { guarded } from "@/server/guarded";
import { json, problem } from "@/server/http";
import { nowIso } from "@/server/now";
import { cancelPanelImport, panelImport, panelImportRows, takePanelImport } from "@/server/panelImport";
import { IMPORT_OUTCOMES, type ImportReply } from "@/wire/panels";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };
const none = () => problem(404, "There is no such import.");

export const GET = guarded(async (req: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  const q = new URL(req.url).searchParams;
  const only = IMPORT_OUTCOMES.find((o) => o === q.get("only")) ?? null;
  const after = Number(q.get("after") ?? 0);
  const record = await panelImport(id);
  if (!record) return none();
  const list = await panelImportRows(id, only, Number.isFinite(after) ? after : 0);
  return json({ ...record, list } satisfies ImportReply);
});

/** Takes the dry run over. */
export const POST = guarded(async (req: Request, { params }: Context): Promise<Response> => {
  if (!/^application\/json\b/i.test(req.headers.get("content-type") ?? "")) return problem(415, "Send application/json.");
  const done = await takePanelImport((await params).id, nowIso());
  return done.ok ? json(done) : problem(done.status, done.problem);
});

export const DELETE = guarded(async (_req: Request, { params }: Context): Promise<Response> => {
  return (await cancelPanelImport((await params).id)) ? json({ ok: true }) : none();
});
