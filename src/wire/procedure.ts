import { z } from "zod";

/** PUT /api/procedures: the whole procedure as text in its plain format, and the version it was read at; 0 for a new one. */
export const ProcedureSave = z.strictObject({ text: z.string().max(200_000), version: z.int().min(0) });
