import { z } from "zod";
import { SOURCES } from "./source";

const confidence = z.number().min(0).max(1).optional();
const pm = z.number().min(0).max(1000).optional();
/**
 * The shape of a value with its source.
 * @example sourced(z.number()).parse({ value: null, source: "D" }) // { value: null, source: "D" }
 */
export const sourced = <T extends z.ZodType>(value: T) =>
  z.strictObject({ value: value.nullable(), source: z.enum(SOURCES), confidence, pm });
