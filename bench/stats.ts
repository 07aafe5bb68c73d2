/** Quantile of a list by linear interpolation. @example quantile([1, 2, 3], 0.5) // 2 */
export function quantile(values: readonly number[], q: number): number {
  const s = [...values].sort((a, b) => a - b);
  const at = (s.length - 1) * q;
  const lo = Math.floor(at);
  return s[lo]! + (s[Math.min(lo + 1, s.length - 1)]! - s[lo]!) * (at - lo);
}

/** Milliseconds of each run, after a few that are not counted. */
export function timeMs(run: () => unknown, runs = 15, warm = 3): number[] {
  const out: number[] = [];
  for (let i = 0; i < warm + runs; i++) {
    const at = performance.now();
    run();
    if (i >= warm) out.push(performance.now() - at);
  }
  return out;
}

export interface Figure {
  what: string;
  value: string;
  target?: string;
  ok?: boolean;
}
const figures: Figure[] = [];

/** Prints a figure, with its target and whether it was reached. */
export function say(what: string, value: string, target?: string, ok?: boolean): void {
  figures.push({ what, value, ...(target ? { target } : {}), ...(ok === undefined ? {} : { ok }) });
  const held = target ? `   (target ${target}: ${ok ? "reached" : "NOT reached"})` : "";
  console.log(`${what.padEnd(58)} ${value}${held}`);
}
export const missed = () => figures.filter((f) => f.ok === false);
