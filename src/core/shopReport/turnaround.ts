export interface Turnaround {
  /** Null when it cannot be told: too many are still open. */
  p50Days: number | null;
  p80Days: number | null;
  /** Share done within so many days, and its standard deviation. */
  curve: { days: number; done: number; sd: number }[];
  jobs: number;
  open: number;
}

/**
 * How long jobs take, those still open counted as "at least so long" (product limit: Kaplan and Meier; spread by Greenwood).
 * @param jobs days from opening to hand-over, or to now where it is open
 * @example turnaround([{ days: 1, done: true }, { days: 5, done: false }, { days: 6, done: false }]).p50Days // null
 */
export function turnaround(jobs: readonly { days: number; done: boolean }[]): Turnaround {
  const sorted = [...jobs].sort((a, b) => a.days - b.days);
  const curve: Turnaround["curve"] = [];
  let left = 1;
  let variance = 0;
  for (let i = 0; i < sorted.length; ) {
    const { days } = sorted[i]!;
    const at = sorted.length - i;
    let done = 0;
    let j = i;
    for (; j < sorted.length && sorted[j]!.days === days; j++) if (sorted[j]!.done) done++;
    if (done > 0) {
      left *= 1 - done / at;
      if (at > done) variance += done / (at * (at - done));
      curve.push({ days, done: 1 - left, sd: left * Math.sqrt(variance) });
    }
    i = j;
  }
  const quantile = (p: number) => curve.find((c) => c.done >= p - 1e-12)?.days ?? null;
  return {
    p50Days: quantile(0.5),
    p80Days: quantile(0.8),
    curve,
    jobs: jobs.length,
    open: jobs.filter((j) => !j.done).length,
  };
}
