import type { BuildIndex } from "./find";

/**
 * Strips under the subject that leave their adhesive on the ledge when they are cut or peeled; a pull tab draws its own out whole.
 * @param out which tapes are out; missing = as if all were
 * @example adhesiveLeft(b) // []
 */
export const adhesiveLeft = (b: BuildIndex, out?: Readonly<Record<string, unknown>>): string[] =>
  b.build.tapes.filter((t) => t.holds === b.subject.id && t.kind === "strip" && (!out || out[t.id])).map((t) => t.id);
