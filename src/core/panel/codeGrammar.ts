import { z } from "zod";

const pattern = z
  .string()
  .min(1)
  .max(200)
  .refine((p) => {
    try {
      new RegExp(p);
      return true;
    } catch {
      return false;
    }
  }, "a pattern that can be read");

/**
 * How panel codes and labels are written: what the digits and letters of a code stand for, and which marks tell a line of
 * a label. Data, because makers differ and the shop learns.
 */
export const CodeGrammar = z.strictObject({
  format: z.literal("helvane.codeGrammar"),
  version: z.literal(1),
  source: z.string().min(1).max(300),
  /** Three digits of a code that may be a diagonal, in tenths of an inch. */
  diagonal: z.strictObject({ leastTenths: z.int().min(10).max(999), mostTenths: z.int().min(10).max(999) }),
  /** The shape of a panel code in capitals. */
  codeShape: pattern,
  /** Letter pair after the digits: resolutions it is used for, most usual first. */
  pairs: z.record(z.string().regex(/^[A-Z]{2}$/), z.array(z.tuple([z.int().min(320), z.int().min(240)])).min(1)),
  /** Marks of the other lines of a label, the first that agrees counts. */
  lines: z.array(
    z.strictObject({ class: z.enum(["serial", "sparePart", "date", "other"]), pattern, reason: z.string().min(1).max(200) }),
  ),
});
export type CodeGrammar = z.infer<typeof CodeGrammar>;

/**
 * Reads a grammar from JSON data.
 * @throws ZodError naming the place: a grammar ships with the product, so a wrong one should never happen
 * @example parseGrammar(grammar).pairs.WH // [[1366,768]]
 */
export const parseGrammar = (data: unknown): CodeGrammar => CodeGrammar.parse(data);
