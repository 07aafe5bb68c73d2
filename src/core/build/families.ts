import { z } from "zod";
import { FAMILIES } from "./kinds";

const share = z.number().min(0.005).max(0.995);
const perFamily = z.record(z.enum(FAMILIES), share);

/** Looks at the closed machine, and how often each family shows them. */
export const FamilyTable = z.strictObject({
  format: z.literal("helvane.families"),
  version: z.literal(1),
  source: z.string().min(1).max(200),
  families: z.record(z.enum(FAMILIES), z.string().min(1).max(60)),
  prior: perFamily,
  looks: z
    .array(z.strictObject({ id: z.string().min(1).max(30), ask: z.string().min(1).max(100), yes: perFamily }))
    .min(1)
    .max(40),
});
export type FamilyTable = z.infer<typeof FamilyTable>;
export type FamilyLetter = (typeof FAMILIES)[number];
/** What was seen; a look nobody could tell is left out. */
export type Looks = Readonly<Record<string, boolean>>;

export interface FamilyGuess {
  /** Most likely first; shares sum to 1. */
  ranked: { family: FamilyLetter; name: string; p: number }[];
  /** The one look that would settle most, or null when all are answered. */
  next: { id: string; ask: string } | null;
}

const posterior = (t: FamilyTable, seen: Looks): Record<FamilyLetter, number> => {
  const w = Object.fromEntries(
    FAMILIES.map((f) => [
      f,
      t.looks.reduce((p, l) => (l.id in seen ? p * (seen[l.id] ? l.yes[f]! : 1 - l.yes[f]!) : p), t.prior[f]!),
    ]),
  ) as Record<FamilyLetter, number>;
  const sum = FAMILIES.reduce((n, f) => n + w[f], 0);
  for (const f of FAMILIES) w[f] /= sum;
  return w;
};
const entropy = (w: Record<FamilyLetter, number>): number =>
  FAMILIES.reduce((h, f) => (w[f] > 0 ? h - w[f] * Math.log2(w[f]) : h), 0);

/**
 * Which family a closed machine is likely of, from a few looks taken as independent, and the look that would tell most next.
 * @param seen answers so far; looks that could not be told are left out and change nothing
 * @example familyOf(families, { doors: true, strip: true }).ranked[0].p > 0 // true
 */
export function familyOf(t: FamilyTable, seen: Looks): FamilyGuess {
  const w = posterior(t, seen);
  let next: FamilyGuess["next"] = null;
  let least = Number.POSITIVE_INFINITY;
  for (const l of t.looks) {
    if (l.id in seen) continue;
    const yes = FAMILIES.reduce((n, f) => n + w[f] * l.yes[f]!, 0);
    const left =
      yes * entropy(posterior(t, { ...seen, [l.id]: true })) + (1 - yes) * entropy(posterior(t, { ...seen, [l.id]: false }));
    if (left < least - 1e-12) {
      least = left;
      next = { id: l.id, ask: l.ask };
    }
  }
  return {
    ranked: FAMILIES.map((family) => ({ family, name: t.families[family]!, p: w[family] })).sort((a, b) => b.p - a.p),
    next,
  };
}
