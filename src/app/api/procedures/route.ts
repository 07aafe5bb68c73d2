import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { saveProcedure } from "@/server/procedures";
import { ProcedureSave } from "@/wire/procedure";

export const dynamic = "force-dynamic";

/** Keeps a maker's procedure as it was written here or read from a file. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, ProcedureSave, 300_000);
  if (!body.ok) return body.response;
  const saved = await saveProcedure(body.value.text, body.value.version, nowIso());
  return saved.ok ? json(saved) : problem(saved.status, "The procedure was not saved.", saved.problems);
});
