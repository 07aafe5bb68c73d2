import type { Jet, Mat } from "./acts";
import { type Face, type LidModel, THINGS, type Thing } from "./lid";
import { quantile, type TapeCells, ThingGauge } from "./measure";
import type { PlanHeatOptions } from "./planTypes";
import { Rig, type RigState } from "./rig";

/** How long things may still get hotter after shut-off, s. */
export const RISE_S = 45;
/** And by how much at most, K. */
const MOST_RISE_K = 12;

/** The likely and the upper strength of the tool, and the lower where that is asked. */
type Strength = "lower" | "likely" | "upper";

/** Rigs of one lid at several strengths, run together, with what each has reached. */
export class Together {
  readonly peaks = new Map<Strength, Map<Thing, number>>();
  private readonly rigs: Map<Strength, Rig>;
  private readonly gauge: ThingGauge;
  constructor(m: LidModel, face: Face, dt: number, cals: Partial<Record<Strength, number>>) {
    this.rigs = new Map(Object.entries(cals).map(([k, c]) => [k as Strength, new Rig(m, face, dt, c)]));
    this.gauge = new ThingGauge(m);
    for (const k of this.rigs.keys()) {
      this.peaks.set(k, new Map());
      this.look(k);
    }
  }
  rig(k: Strength): Rig {
    return this.rigs.get(k)!;
  }
  private look(k: Strength): void {
    const now = this.gauge.read(this.rig(k));
    const peaks = this.peaks.get(k)!;
    for (const t of THINGS) {
      const x = now[t];
      if (x !== null && x > (peaks.get(t) ?? Number.NEGATIVE_INFINITY)) peaks.set(t, x);
    }
  }
  begin(act: Jet | Mat | null): void {
    for (const r of this.rigs.values()) r.begin(act);
  }
  /** Heat under an act, or none: peaks are looked at where somebody asks for them. */
  run(seconds: number, act: Jet | Mat | null): void {
    const jet = act?.do === "jet" ? act : null;
    for (const [k, r] of this.rigs)
      for (let n = Math.ceil(seconds / r.dt - 1e-9); n > 0; n--) {
        r.step(jet);
        if (k !== "likely") this.look(k);
      }
  }
  keep(): { states: Map<Strength, RigState>; peaks: Map<Strength, Map<Thing, number>> } {
    return {
      states: new Map([...this.rigs].map(([k, r]) => [k, r.save()])),
      peaks: new Map([...this.peaks].map(([k, p]) => [k, new Map(p)])),
    };
  }
  back(at: ReturnType<Together["keep"]>): void {
    for (const [k, r] of this.rigs) {
      r.load(at.states.get(k)!);
      this.peaks.set(k, new Map(at.peaks.get(k)!));
    }
  }
  /** Heat off for so long: what one rig does, and back to where it was. */
  aside<T>(k: Strength, what: (r: Rig, gauge: ThingGauge) => T): T {
    const r = this.rig(k);
    const at = r.save();
    r.begin(null);
    const answer = what(r, this.gauge);
    r.load(at);
    return answer;
  }
}

/**
 * How long a stretch stays soft from now, heat off, at most so long, s.
 * @example staysSoft(heatTogether, "likely", { cells: [0], share: [1], total: 1 }, 55, 30) // 0
 */
export const staysSoft = (all: Together, k: Strength, tape: TapeCells, softC: number, mostS: number): number =>
  all.aside(k, (r) => {
    const offset = r.face.of.tape * r.face.net.n;
    let before = quantile(tape, r.t, offset, 0.1);
    if (!(before >= softC)) return 0;
    const from = r.s;
    while (r.s - from < mostS) {
      r.step(null);
      const now = quantile(tape, r.t, offset, 0.1);
      if (now < softC) return r.s - from - r.dt * ((softC - now) / (before - now || 1));
      before = now;
    }
    return mostS;
  });

/**
 * Which ceiling is passed at the upper strength and by how much, the rise after shut-off included; null when none is.
 * @example over(heatTogether, { film: 60 }, 1.5) // null
 */
export function over(all: Together, ceilings: PlanHeatOptions["ceilingsC"], guardK: number): { what: Thing; by: number } | null {
  // Nothing near: what rises after shut-off never rises this far.
  if (!near(all, ceilings, guardK + MOST_RISE_K)) return null;
  const peaks = new Map(all.peaks.get("upper")!);
  all.aside("upper", (r, gauge) => {
    for (let n = Math.ceil(RISE_S / r.dt); n > 0; n--) {
      r.step(null);
      const now = gauge.read(r);
      for (const t of THINGS) if (now[t] !== null && now[t] > (peaks.get(t) ?? 0)) peaks.set(t, now[t]);
    }
  });
  let worst: { what: Thing; by: number } | null = null;
  for (const t of THINGS) {
    const ceiling = ceilings[t];
    const x = peaks.get(t);
    if (ceiling === undefined || x === undefined) continue;
    const by = x + guardK - ceiling;
    if (by > 0 && (!worst || by > worst.by)) worst = { what: t, by };
  }
  return worst;
}

/**
 * Whether anything is this near its ceiling, or over it, at the upper strength.
 * @example near(heatTogether, { film: 60 }, 1.5) // false
 */
export const near = (all: Together, ceilings: PlanHeatOptions["ceilingsC"], byK: number): boolean =>
  THINGS.some((t) => {
    const ceiling = ceilings[t];
    return ceiling !== undefined && (all.peaks.get("upper")!.get(t) ?? 0) + byK > ceiling;
  });
