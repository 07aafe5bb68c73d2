import { type ProcedureProblem, parseProcedure } from "@/core/procedure";
import { connection } from "@/data/connection";
import { saveReference } from "@/data/referenceStore";

export type ProcedureSaved =
  | { ok: true; id: string; version: number }
  | { ok: false; status: number; problems: ProcedureProblem[] };

/** Keeps a procedure, whole and sound, or nothing of it. Jobs keep the one they began with. */
export async function saveProcedure(text: string, version: number, nowIso: string): Promise<ProcedureSaved> {
  const read = parseProcedure(text);
  if (!read.ok) return { ok: false, status: 400, problems: read.problems };
  const { procedure } = read;
  const saved = await saveReference(connection().db, "procedure", procedure.id, procedure, version, nowIso);
  if (saved.ok) return { ok: true, id: procedure.id, version: saved.version };
  const message =
    version === 0
      ? `there is one of this id already, at version ${saved.current}: open that, or give this another name`
      : `it was changed meanwhile (now at version ${saved.current}): reload, then enter this again`;
  return { ok: false, status: 409, problems: [{ where: "id", message }] };
}
