import { z } from "zod";

/** Shapes that everything read from outside is made of. Apart from the rest of `quantity`, so that no page loads Zod for a unit. */

/** A text somebody typed: trimmed, not empty, at most so long. @example words(80).parse(" Reading Room ") // "Reading Room" */
export const words = (max: number) => z.string().trim().min(1).max(max);

/** A SHA-256 in lower-case hex. @example contentHash.safeParse("ab").success // false */
export const contentHash = z.string().regex(/^[0-9a-f]{64}$/, "a SHA-256 in lower-case hex");
