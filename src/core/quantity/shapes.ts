import { z } from "zod";

/** Shapes that everything read from outside is made of. Apart from the rest of `quantity`, so that no page loads Zod for a unit. */

/** A text somebody typed: trimmed, not empty, at most so long. @example words(80).parse(" Reading Room ") // "Reading Room" */
export const words = (max: number) => z.string().trim().min(1).max(max);

/** The id of a thing of ours: short, lower case, for ever. @example slugId(48).safeParse("Base").success // false */
export const slugId = (max: number) =>
  z
    .string()
    .regex(new RegExp(`^[a-z0-9][a-z0-9-]{0,${max - 1}}$`), `an id of lower-case letters, digits and hyphens, ${max} at most`);

/** A SHA-256 in lower-case hex. @example contentHash.safeParse("ab").success // false */
export const contentHash = z.string().regex(/^[0-9a-f]{64}$/, "a SHA-256 in lower-case hex");
