/**
 * How often a property is tried: as often as asked, or a share of it where a run is one of many (`npm run mutate`).
 * @example runs(2000) // 2000, or 200 at a tenth
 */
export const runs = (often: number): number => Math.max(1, Math.round(often * Number(process.env.HELVANE_TEST_SCALE ?? 1)));
