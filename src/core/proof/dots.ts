export interface Dot {
  x: number;
  y: number;
}

/**
 * Faults that lie together: chained closer than `reachPx` in both directions (a block of five by five).
 * @returns groups of two and more
 * @example clusters([{ x: 0, y: 0 }, { x: 5, y: 0 }]).length // 0
 */
export function clusters<T extends Dot>(faults: readonly T[], reachPx = 5): T[][] {
  const seen = new Set<number>();
  const out: T[][] = [];
  for (let i = 0; i < faults.length; i++) {
    if (seen.has(i)) continue;
    seen.add(i);
    const group = [i];
    for (const k of group)
      for (let j = 0; j < faults.length; j++)
        if (!seen.has(j) && Math.abs(faults[j]!.x - faults[k]!.x) < reachPx && Math.abs(faults[j]!.y - faults[k]!.y) < reachPx) {
          seen.add(j);
          group.push(j);
        }
    if (group.length > 1) out.push(group.map((k) => faults[k]!));
  }
  return out;
}

/** Share of a screen's light each sub-pixel gives (sRGB). */
export const SUB_PIXEL_LIGHT = { R: 0.2126, G: 0.7152, B: 0.0722 } as const;
export type SubPixel = keyof typeof SUB_PIXEL_LIGHT;
/** A black screen still leaks this much of white. */
const LEAK = 0.002;

const lightOf = (lit: readonly SubPixel[]): number => lit.reduce((s, c) => s + SUB_PIXEL_LIGHT[c], 0);

/**
 * Share of a screen's light that one wrong sub-pixel changes: 0 where it does not show.
 * @param lit sub-pixels the screen lights @param bright stuck bright, else dark
 * @example screenShows(["R", "G", "B"], "B", false) // 0.0722
 */
export function screenShows(lit: readonly SubPixel[], sub: SubPixel, bright: boolean): number {
  if (lit.includes(sub) === bright) return 0;
  return SUB_PIXEL_LIGHT[sub] / Math.max(LEAK, lightOf(lit));
}

const ALL: readonly SubPixel[] = ["R", "G", "B"];
const SCREENS: readonly SubPixel[][] = [[], ["R"], ["G"], ["B"], ["R", "G"], ["R", "B"], ["G", "B"], ["R", "G", "B"]];

/** The six faults of a sub-pixel, and how plainly a set of screens shows the least plain of them. @example weakestOn([["R", "G", "B"]]) // 0 */
export const weakestOn = (screens: readonly (readonly SubPixel[])[]): number =>
  Math.min(
    1,
    ...ALL.flatMap((s) => [true, false].map((bright) => Math.max(0, ...screens.map((l) => screenShows(l, s, bright))))),
  );

/**
 * The fewest solid screens on which each of the six sub-pixel faults changes at least this share of the light; the plainest sets first.
 * @example fewestScreens(0.2)[0].screens.length // 3
 */
export function fewestScreens(least = 0.2): { screens: SubPixel[][]; weakest: number }[] {
  for (let n = 1; n <= SCREENS.length; n++) {
    const found: { screens: SubPixel[][]; weakest: number }[] = [];
    for (let m = 0; m < 1 << SCREENS.length; m++) {
      const screens = SCREENS.filter((_, i) => (m >> i) & 1);
      if (screens.length !== n) continue;
      const weakest = weakestOn(screens);
      if (weakest >= least) found.push({ screens, weakest });
    }
    if (found.length) return found.sort((a, b) => b.weakest - a.weakest);
  }
  return [];
}
