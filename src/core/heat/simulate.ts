import { type Act, faceOf } from "./acts";
import type { Face, LayerOf, LidModel, Thing } from "./lid";
import { THINGS } from "./lid";
import { TapeGauge, type Tapes, ThingGauge } from "./measure";
import { Rig } from "./rig";

export interface Peak {
  maxC: number;
  atS: number;
  /** The hottest of it when the last act that heats ended. */
  atShutOffC: number;
}

export interface SimulateOptions {
  face?: Face;
  /** Step, s. */
  dtS?: number;
  sampleS?: number;
  /** When whole fields are wanted, s. */
  fieldsAtS?: readonly number[];
  /** One temperature everywhere, or 5 · nx · ny of them, layer-major from the heated face. */
  startC?: number | Float64Array;
  /** Still air after the acts, in which things may still get hotter, s. */
  coastS?: number;
}

export interface Field {
  atS: number;
  layers: Float64Array;
  surface: Float64Array;
  of: LayerOf;
}

export interface Simulated {
  /** Seconds of the samples: every `sampleS` to the end of the acts. */
  t: number[];
  tapes: Tapes<number[]>;
  mats: { atS: number; matC: number; powerW: number }[];
  peaks: Record<Exclude<Thing, "battery">, Peak> & { battery: Peak | null };
  fields: Field[];
  /** At the end of the acts, J. */
  energy: { storedJ: number; inJ: number; absJ: number };
}

/** Keeps the hottest of each thing, and what it was when the heat went off. */
class PeakWatch {
  private readonly gauge: ThingGauge;
  private readonly found = new Map<Thing, Peak>();
  constructor(
    m: LidModel,
    private readonly rig: Rig,
  ) {
    this.gauge = new ThingGauge(m);
    this.look();
  }
  look(shutOff = false): void {
    const now = this.gauge.read(this.rig);
    for (const k of THINGS) {
      const x = now[k];
      if (x === null) continue;
      const p = this.found.get(k) ?? { maxC: x, atS: this.rig.s, atShutOffC: x };
      if (x > p.maxC) {
        p.maxC = x;
        p.atS = this.rig.s;
      }
      if (shutOff) p.atShutOffC = x;
      this.found.set(k, p);
    }
  }
  get peaks(): Simulated["peaks"] {
    const of = (k: Thing) => this.found.get(k)!;
    return {
      surface: of("surface"),
      cover: of("cover"),
      film: of("film"),
      lcd: of("lcd"),
      battery: this.found.get("battery") ?? null,
    };
  }
}

const heats = (a: Act): boolean => a.do === "jet" || a.do === "mat";

/**
 * What acts of warming do to a lid: its tape, its hottest places, its energy.
 * @param m the lid
 * @param acts in order; seconds are rounded up to whole steps
 * @returns figures by area of every piece of tape, peaks over the acts and a coast after them
 * @throws RangeError where acts heat both faces, or a time is no time
 * @example simulate(lidModel(build, { cover: "al" }), [{ do: "rest", seconds: 2 }]).t // [1, 2]
 */
export function simulate(m: LidModel, acts: readonly Act[], o: SimulateOptions = {}): Simulated {
  const dt = o.dtS ?? 0.5;
  const coastS = o.coastS ?? 60;
  for (const [name, x] of [
    ["dtS", dt],
    ["sampleS", o.sampleS ?? 1],
  ] as const)
    if (!(x > 0) || !Number.isFinite(x)) throw new RangeError(`${name}: read ${x}, expected more than 0 s`);
  for (const a of acts)
    if ("seconds" in a && !(a.seconds >= 0 && Number.isFinite(a.seconds)))
      throw new RangeError(`an act of ${a.seconds} s: expected 0 or more`);
  const rig = new Rig(m, faceOf(acts, o.face), dt, 1, o.startC);
  rig.count();
  const start = rig.t.slice();
  const watch = new PeakWatch(m, rig);
  const gauge = new TapeGauge(m, rig.face);
  const out: Simulated = { t: [], tapes: {}, mats: [], peaks: watch.peaks, fields: [], energy: { storedJ: 0, inJ: 0, absJ: 0 } };
  for (const p of m.pieces) out.tapes[p.id] = { q10: [], median: [], min: [], max: [] };
  const every = Math.max(1, Math.round((o.sampleS ?? 1) / dt));
  const wanted = [...(o.fieldsAtS ?? [])].sort((a, b) => a - b);
  const fields = () => {
    while (wanted.length && wanted[0]! <= rig.s + dt / 2 - 1e-9) {
      wanted.shift();
      out.fields.push({ atS: rig.s, layers: rig.t.slice(), surface: rig.surface.slice(), of: rig.face.of });
    }
  };
  fields();
  let k = 0;
  const last = acts.findLastIndex(heats);
  for (const [i, act] of acts.entries()) {
    if (act.do === "shield" || act.do === "cover") {
      rig.lay(act);
      continue;
    }
    rig.begin(act.do === "rest" ? null : act);
    const steps = Math.ceil(act.seconds / dt - 1e-9);
    for (let n = 0; n < steps; n++) {
      rig.step(act.do === "jet" ? act : null);
      k += 1;
      watch.look();
      fields();
      if (k % every) continue;
      out.t.push(rig.s);
      for (const [id, x] of Object.entries(gauge.read(rig.t)))
        for (const q of ["q10", "median", "min", "max"] as const) out.tapes[id]![q].push(x[q]);
      if (rig.mat) out.mats.push({ atS: rig.s, matC: rig.mat.t, powerW: rig.mat.powerW });
    }
    if (i === last) watch.look(true);
  }
  out.energy = { storedJ: rig.stored(start), ...rig.energy };
  rig.begin(null);
  for (let n = Math.ceil(coastS / dt - 1e-9); n > 0; n--) {
    rig.step(null);
    watch.look();
    fields();
  }
  out.peaks = watch.peaks;
  return out;
}
