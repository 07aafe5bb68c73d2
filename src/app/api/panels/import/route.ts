import { guarded } from "@/server/guarded";
import { json, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { startPanelImport } from "@/server/panelImport";
import { PanelImportRequest } from "@/wire/panels";

export const dynamic = "force-dynamic";

/** Starts a dry run; it goes on after this answer. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, PanelImportRequest, 45_000_000);
  if (!body.ok) return body.response;
  const { id } = await startPanelImport(body.value, nowIso());
  return json({ id }, 202);
});
