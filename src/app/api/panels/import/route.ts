import { guarded } from "@/server/guarded";
import { json, problem, readBytes } from "@/server/http";
import { nowIso } from "@/server/now";
import { startPanelImport } from "@/server/panelImport";
import { PANEL_TABLE_MB } from "@/wire/panels";

export const dynamic = "force-dynamic";

/** Starts a dry run; it goes on after this answer. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  const type = /^(text\/csv|application\/json)\b/i.exec(req.headers.get("content-type") ?? "")?.[1]?.toLowerCase();
  if (!type) return problem(415, "Send the table as text/csv or application/json.");
  const body = await readBytes(req, PANEL_TABLE_MB * 1_000_000);
  if (!body.ok) return body.response;
  if (body.value.length === 0) return problem(400, "The file is empty: nothing was read.");
  const name = (new URL(req.url).searchParams.get("name") ?? "").trim().slice(0, 120) || "pasted text";
  const file = { name, format: type === "text/csv" ? ("csv" as const) : ("json" as const), bytes: body.value };
  const { id } = await startPanelImport(file, nowIso());
  return json({ id }, 202);
});
