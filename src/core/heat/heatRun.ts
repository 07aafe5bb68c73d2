import type { Jet, Lay, Mat } from "./acts";
import { type Face, type LidModel, THINGS, type Thing } from "./lid";
import { TapeGauge, type Tapes, ThingGauge } from "./measure";
import { Rig, type RigState } from "./rig";

/** Strengths that run side by side. */
export const CALS = [0.6, 0.8, 1, 1.25, 1.5] as const;
const LN_CALS = CALS.map(Math.log);
const [LEAST, MOST] = [CALS[0], CALS[4]];
/** Steps of the strength that is looked for. */
const GRID = 0.005;

/** A reading with what each run had foretold of it. */
interface Reading {
  foretold: number[];
  surfaceC: number;
  sdK: number;
}

export interface CalNow {
  cal: number;
  /** 5 to 95 %. */
  range: [number, number];
  /** How far the readings are from the model as it is now, K. */
  rmsK: number;
  /** The strength the readings ask for lies at the end of what is possible: the model does not explain them. */
  atBound: boolean;
}

export interface HeatSnapshot {
  face: Face;
  dtS: number;
  cal: number;
  calSd: number;
  debtS: number;
  act: Jet | Mat | null;
  rigs: RigState[];
  peaks: Partial<Record<Thing, { maxC: number; atS: number }>>[];
  readings: Reading[];
}

export interface HeatNow {
  atS: number;
  cal: CalNow;
  tapes: Tapes<number>;
  peaks: Partial<Record<Thing, { maxC: number; atS: number }>>;
  fields: { layers: Float64Array; surface: Float64Array };
}

/** Weights of the five runs at a strength: a quartic through them in its logarithm. @example mixAt(1)[2] // 1 */
export function mixAt(cal: number): number[] {
  const x = Math.log(cal);
  return LN_CALS.map((a, i) => LN_CALS.reduce((w, b, j) => (i === j ? w : (w * (x - b)) / (a - b)), 1));
}

const plain = (r: RigState): RigState => ({
  ...r,
  t: Array.from(r.t),
  surface: Array.from(r.surface),
  battery: r.battery && Array.from(r.battery),
  radiation: { ...r.radiation, heated: Array.from(r.radiation.heated) },
});

/**
 * A warming that is followed live: five runs side by side at five strengths of the tool, corrected by what is measured. Nothing is
 * run again when a reading comes, and the order of readings does not matter.
 */
export class HeatRun {
  private readonly rigs: Rig[];
  private readonly tapes: TapeGauge;
  private readonly things: ThingGauge;
  private readonly peaks: Partial<Record<Thing, { maxC: number; atS: number }>>[];
  private readings: Reading[] = [];
  private act: Jet | Mat | null = null;
  /** Seconds that passed and make no whole step yet. */
  private debt = 0;
  private readonly dt: number;
  private readonly cal0: number;
  private readonly calSd: number;
  readonly face: Face;
  private known: CalNow | null = null;

  /**
   * @param o `cal` and `calSd`: how strong the tool is thought to be, and the standard deviation of its logarithm
   * @example new HeatRun(lidModel(build, { cover: "al" })).state().atS // 0
   */
  constructor(
    private readonly m: LidModel,
    o: { face?: Face; dtS?: number; cal?: number; calSd?: number } = {},
  ) {
    this.face = o.face ?? "back";
    this.dt = o.dtS ?? 0.5;
    this.cal0 = o.cal ?? 1;
    this.calSd = o.calSd ?? 0.25;
    if (!(this.dt > 0) || !(this.cal0 > 0) || !(this.calSd > 0)) throw new RangeError("dtS, cal and calSd: expected more than 0");
    this.rigs = CALS.map((c) => new Rig(m, this.face, this.dt, c));
    this.tapes = new TapeGauge(m, this.rigs[0]!.face);
    this.things = new ThingGauge(m);
    this.peaks = this.rigs.map(() => ({}));
    this.look();
  }

  /**
   * Time passes under an act: any tick; an equal act goes on where it was, null rests, what is laid takes no time.
   * @throws RangeError where a mat lies on the other face
   */
  step(seconds: number, act: Jet | Mat | Lay | null = null): void {
    if (!(seconds >= 0) || !Number.isFinite(seconds)) throw new RangeError(`a tick of ${seconds} s: expected 0 or more`);
    if (act && (act.do === "shield" || act.do === "cover")) {
      for (const r of this.rigs) r.lay(act);
      return;
    }
    if (act?.do === "mat" && act.face !== this.face)
      throw new RangeError(`a mat on the ${act.face}: this run heats the ${this.face}`);
    if (JSON.stringify(act) !== JSON.stringify(this.act)) {
      this.act = act;
      for (const r of this.rigs) r.begin(act);
    }
    this.debt += seconds;
    while (this.debt >= this.dt - 1e-9) {
      for (const r of this.rigs) r.step(act?.do === "jet" ? act : null);
      this.debt = Math.max(0, this.debt - this.dt);
      this.look();
    }
  }

  private look(): void {
    for (const [k, r] of this.rigs.entries()) {
      const now = this.things.read(r);
      for (const t of THINGS) {
        const x = now[t];
        const p = this.peaks[k]![t];
        if (x !== null && (!p || x > p.maxC)) this.peaks[k]![t] = { maxC: x, atS: r.s };
      }
    }
  }

  /** What each of the five runs says of the heated face at a place now, °C. */
  surfaceAt(at: { xMm: number; yMm: number }): number[] {
    const g = this.m.inner.grid;
    const fx = Math.min(g.nx - 1, Math.max(0, (at.xMm - g.x0Mm) / g.dxMm - 0.5));
    const fy = Math.min(g.ny - 1, Math.max(0, (at.yMm - g.y0Mm) / g.dyMm - 0.5));
    const i = Math.min(g.nx - 2, Math.floor(fx));
    const j = Math.min(g.ny - 2, Math.floor(fy));
    const [u, v] = [fx - i, fy - j];
    const c = j * g.nx + i;
    return this.rigs.map(
      ({ surface: s }) => (1 - v) * ((1 - u) * s[c]! + u * s[c + 1]!) + v * ((1 - u) * s[c + g.nx]! + u * s[c + g.nx + 1]!),
    );
  }

  /** A measured surface temperature of the heated face, at the present time. `sdK`: how far it may be off, K. */
  read(at: { xMm: number; yMm: number }, surfaceC: number, sdK = 1.5): void {
    if (!Number.isFinite(surfaceC) || !(sdK > 0)) throw new RangeError(`a reading of ${surfaceC} °C, ${sdK} K off: no reading`);
    const foretold = this.surfaceAt(at);
    this.readings.push({ foretold, surfaceC, sdK });
    this.known = null;
  }

  /** How strong the tool is by what was read, with its range. */
  cal(): CalNow {
    if (this.known) return this.known;
    const off = (r: Reading, weights: readonly number[]) => weights.reduce((x, w, k) => x + w * r.foretold[k]!, 0) - r.surfaceC;
    const steps = Math.round((MOST - LEAST) / GRID);
    const grid = Array.from({ length: steps + 1 }, (_, k) => LEAST + k * GRID);
    const cost = grid.map((c) => {
      const w = mixAt(c);
      return this.readings.reduce((j, r) => j + (off(r, w) / r.sdK) ** 2, (Math.log(c / this.cal0) / this.calSd) ** 2);
    });
    const least = Math.min(...cost);
    const best = cost.indexOf(least);
    const weight = cost.map((j, k) => Math.exp(-(j - least) / 2) / grid[k]!);
    // The mass up to each strength, by trapezoids.
    const mass = [0];
    for (let k = 1; k < weight.length; k++) mass.push(mass[k - 1]! + ((weight[k - 1]! + weight[k]!) / 2) * GRID);
    const at = (share: number): number => {
      const wanted = mass.at(-1)! * share;
      const k = Math.max(
        1,
        mass.findIndex((x) => x >= wanted),
      );
      const part = (wanted - mass[k - 1]!) / (mass[k]! - mass[k - 1]! || 1);
      return grid[k - 1]! + part * GRID;
    };
    const cal = grid[best]!;
    const w = mixAt(cal);
    const rmsK = this.readings.length
      ? Math.sqrt(this.readings.reduce((s, r) => s + off(r, w) ** 2, 0) / this.readings.length)
      : 0;
    this.known = {
      cal,
      range: [at(0.05), at(0.95)],
      rmsK,
      atBound: this.readings.length > 0 && (best === 0 || best === grid.length - 1),
    };
    return this.known;
  }

  /** Whether the model explains what was read: not at its bound, and not off by more than twice what the readings may be. */
  get trusted(): boolean {
    const { rmsK, atBound } = this.cal();
    const sd = this.readings.length ? Math.max(...this.readings.map((r) => r.sdK)) : 0;
    return !atBound && rmsK <= 2 * sd + 1e-9;
  }

  /** Every strip as each of the five runs has it now. */
  tapesEach = () => this.rigs.map((r) => this.tapes.read(r.t));

  state(): HeatNow {
    const cal = this.cal();
    const w = mixAt(cal.cal);
    const mixed = (of: (r: Rig) => Float64Array): Float64Array => {
      const out = new Float64Array(of(this.rigs[0]!).length);
      for (const [k, r] of this.rigs.entries()) {
        const x = of(r);
        const f = w[k]!;
        if (f) for (let c = 0; c < out.length; c++) out[c] = out[c]! + f * x[c]!;
      }
      return out;
    };
    const layers = mixed((r) => r.t);
    const near = w.indexOf(Math.max(...w));
    const peaks: HeatNow["peaks"] = {};
    for (const t of THINGS) {
      if (!this.peaks[0]![t]) continue;
      peaks[t] = { maxC: w.reduce((x, f, k) => x + f * this.peaks[k]![t]!.maxC, 0), atS: this.peaks[near]![t]!.atS };
    }
    return {
      atS: this.rigs[0]!.s + this.debt,
      cal,
      tapes: this.tapes.read(layers),
      peaks,
      fields: { layers, surface: mixed((r) => r.surface) },
    };
  }

  /** A rig of its own that goes on from here at a strength between the five, heat off. */
  coastAt(cal: number): Rig {
    const w = mixAt(cal);
    const rig = new Rig(this.m, this.face, this.dt, cal);
    const states = this.rigs.map((r) => r.save());
    const mixed = (of: (s: RigState) => ArrayLike<number>): Float64Array => {
      const out = new Float64Array(of(states[0]!).length);
      for (const [k, s] of states.entries()) {
        const x = of(s);
        for (let c = 0; c < out.length; c++) out[c] = out[c]! + w[k]! * x[c]!;
      }
      return out;
    };
    rig.load({
      ...states[2]!,
      t: mixed((s) => s.t),
      surface: mixed((s) => s.surface),
      battery: states[0]!.battery ? mixed((s) => s.battery!) : null,
      mat: null,
    });
    rig.begin(null);
    return rig;
  }

  /** A rig of its own that goes on from here at a strength between the five, under an act; a mat that lies on keeps its temperature. */
  heatingAt(cal: number, act: Jet | Mat): Rig {
    const w = mixAt(cal);
    const mats = this.rigs.map((r) => r.mat?.t ?? null);
    const rig = this.coastAt(cal);
    rig.begin(act);
    if (rig.mat && mats.every((t) => t !== null)) rig.mat.t = mats.reduce((x, t, k) => x + w[k]! * t, 0);
    return rig;
  }

  /** The lid this run is about. */
  get lid(): LidModel {
    return this.m;
  }

  save(): HeatSnapshot {
    return {
      face: this.face,
      dtS: this.dt,
      cal: this.cal0,
      calSd: this.calSd,
      debtS: this.debt,
      act: this.act,
      rigs: this.rigs.map((r) => plain(r.save())),
      peaks: structuredClone(this.peaks),
      readings: structuredClone(this.readings),
    };
  }

  /** Goes on where a run was saved, on the same lid. @example HeatRun.from(heatLid, new HeatRun(heatLid).save()).state().atS // 0 */
  static from(m: LidModel, s: HeatSnapshot): HeatRun {
    const run = new HeatRun(m, { face: s.face, dtS: s.dtS, cal: s.cal, calSd: s.calSd });
    for (const [k, r] of run.rigs.entries()) r.load(s.rigs[k]!);
    for (const [k, p] of s.peaks.entries()) run.peaks[k] = structuredClone(p);
    run.readings = structuredClone(s.readings);
    run.act = s.act;
    run.debt = s.debtS;
    return run;
  }
}
