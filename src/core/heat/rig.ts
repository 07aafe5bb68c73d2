import type { Jet, Lay, Mat } from "./acts";
import { blow } from "./blow";
import type { HeatedFace, LidModel } from "./lid";
import { LAYERS, shares } from "./network";
import { FIGURES, KELVIN, SIGMA } from "./properties";
import { Stepper } from "./stepper";

/** Radiation follows its surface this far behind at most, s. */
const REFRESH_S = 3;

/** A mat that lies on, with its own temperature. */
interface MatState {
  act: Mat;
  share: Float64Array;
  t: number;
  powerW: number;
}

/** All of a rig that changes: enough to go on from there. */
export interface RigState {
  t: ArrayLike<number>;
  surface: ArrayLike<number>;
  battery: ArrayLike<number> | null;
  mat: { act: Mat; t: number } | null;
  lays: Lay[];
  s: number;
  since: number;
  phase: number;
  radiation: { heated: ArrayLike<number>; farU: number; farS: number; age: number };
}

/**
 * One lid, one face heated, run through time: still air and radiation at both faces, cloth, foil, jet and mat at the heated one, a
 * battery that rides along. `cal` multiplies what a tool gives: a jet's film coefficient, a mat's contact.
 */
export class Rig {
  readonly t: Float64Array;
  readonly surface: Float64Array;
  readonly face: HeatedFace;
  /** Seconds since the start. */
  s = 0;
  /** What came in through both faces, J: counted only where somebody asks for it. */
  energy = { inJ: Number.NaN, absJ: Number.NaN };
  private counting = false;
  mat: MatState | null = null;
  readonly battery: { cells: number[]; layer: number; t: Float64Array } | null;
  private readonly stepper: Stepper;
  private readonly u: Float64Array;
  private readonly src: Float64Array;
  private readonly h: Float64Array;
  private readonly q: Float64Array;
  private readonly still: Float64Array;
  private readonly inv: Float64Array;
  private readonly ex: Float64Array;
  private readonly tx: Float64Array;
  private farU = 0;
  private farS = 0;
  private age = 0;
  /** Seconds the present act has run. */
  private since = 0;
  private lays: Lay[] = [];
  private cloth: { share: Float64Array; h: number } | null = null;
  private foil: { share: Float64Array; pass: number } | null = null;

  constructor(
    readonly lid: LidModel,
    face: "back" | "front",
    readonly dt: number,
    readonly cal = 1,
    start: number | Float64Array = lid.inner.ambientC,
  ) {
    this.face = lid.inner.face(face);
    const n = this.face.net.n;
    this.t = typeof start === "number" ? new Float64Array(LAYERS * n).fill(start) : Float64Array.from(start);
    if (this.t.length !== LAYERS * n) throw new RangeError(`startC: read ${this.t.length} temperatures, expected ${LAYERS * n}`);
    this.surface = this.t.slice(0, n);
    this.stepper = new Stepper(this.face.net, dt);
    [this.u, this.src, this.h, this.q, this.still, this.inv] = Array.from({ length: 6 }, () => new Float64Array(n)) as [
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    this.ex = new Float64Array(Math.max(lid.nx, lid.ny));
    this.tx = new Float64Array(Math.max(lid.nx, lid.ny));
    const zone = lid.inner.options.battery;
    this.battery = zone
      ? {
          cells: [...shares(lid.inner.grid, [zone.rect]).entries()].flatMap(([c, f]) => (f > 0 ? [c] : [])),
          layer: zone.against === "cover" ? this.face.of.cover : LAYERS - 1,
          t: new Float64Array(n).fill(this.room),
        }
      : null;
  }

  /** From here on what comes in is counted. */
  count(): void {
    this.counting = true;
    this.energy = { inJ: 0, absJ: 0 };
  }

  private get room(): number {
    return this.lid.inner.ambientC;
  }

  /** Another act begins: the path starts anew, radiation is looked at again. A mat keeps its temperature only from a mat before it. */
  begin(act: Jet | Mat | null): void {
    this.since = 0;
    this.age = 0;
    if (act?.do !== "mat") {
      this.mat = null;
      return;
    }
    const before = this.mat;
    this.mat = {
      act,
      share: shares(this.lid.inner.grid, [act.rect]),
      t: before ? Math.min(before.t, act.setC) : act.warm ? act.setC : Math.min(this.room, act.setC),
      powerW: 0,
    };
  }

  /** Foil or a cloth is laid, or taken away. */
  lay(act: Lay): void {
    this.lays = [...this.lays.filter((l) => l.do !== act.do), act];
    this.age = 0;
    const share = shares(this.lid.inner.grid, act.rects);
    const none = act.rects.length === 0;
    if (act.do === "shield") this.foil = none ? null : { share, pass: act.pass ?? FIGURES.foilPass.value };
    else this.cloth = none ? null : { share, h: act.hWm2K ?? FIGURES.clothWm2K.value };
  }

  /** One step under a jet, or under whatever lies on it. */
  step(jet: Jet | null): void {
    const { dt, t, surface, face } = this;
    const { n, area, rTop } = face.net;
    const room = this.room;
    if (this.age % Math.max(1, Math.round(REFRESH_S / dt)) === 0) this.radiate();
    this.age += 1;
    const { h, q, still, inv, u, src, cloth } = this;
    for (let c = 0; c < n; c++) {
      const a = still[c]!;
      h[c] = a;
      q[c] = a * room;
    }
    if (cloth)
      for (let c = 0; c < n; c++) {
        const f = cloth.share[c]!;
        if (!f) continue;
        const a = f * cloth.h + (1 - f) * still[c]!;
        h[c] = a;
        q[c] = a * room;
      }
    if (jet) blow(this.lid, jet, { since: this.since, dt, cal: this.cal, foil: this.foil }, h, q, this.ex, this.tx);
    const mat = this.mat;
    const contact = mat ? (mat.act.contactWm2K ?? FIGURES.matContactWm2K.value) * (mat.act.cal ?? 1) * this.cal : 0;
    if (mat)
      for (let c = 0; c < n; c++) {
        const f = mat.share[c]!;
        if (!f) continue;
        h[c] = f * contact + (1 - f) * h[c]!;
        q[c] = f * contact * mat.t + (1 - f) * q[c]!;
      }
    for (let c = 0; c < n; c++) {
      const d = 1 / (1 + h[c]! * rTop[c]!);
      inv[c] = d;
      u[c] = area * h[c]! * d;
      src[c] = area * q[c]! * d;
    }
    const heat = this.stepper.step(t, u, src, this.farU, this.farS, this.counting);
    if (this.counting) {
      this.energy.inJ += heat.top + heat.far;
      this.energy.absJ += Math.abs(heat.top) + Math.abs(heat.far);
    }
    if (mat) this.warmMat(mat, contact);
    for (let c = 0; c < n; c++) surface[c] = (t[c]! + q[c]! * rTop[c]!) * inv[c]!;
    this.warmBattery();
    this.s += dt;
    this.since += dt;
  }

  /** What still air and radiation take from both faces, at the temperatures they have now. */
  private radiate(): void {
    const { face, surface, t } = this;
    const { n, area, rFar } = face.net;
    const roomK = this.room + KELVIN;
    const film = (h: number, eps: number, c: number) => {
      const k = c + KELVIN;
      return h + eps * SIGMA * (k * k + roomK * roomK) * (k + roomK);
    };
    for (let c = 0; c < n; c++) this.still[c] = film(face.h.heated, face.eps.heated, surface[c]!);
    let sum = 0;
    for (let c = (LAYERS - 1) * n; c < LAYERS * n; c++) sum += t[c]!;
    const far = film(face.h.far, face.eps.far, sum / n);
    this.farU = (area * far) / (1 + far * rFar[0]!);
    this.farS = this.farU * this.room;
  }

  /** A mat holds its set-point as well as its power lets it, and never goes over. */
  private warmMat(mat: MatState, contact: number): void {
    const { area } = this.face.net;
    const { act } = mat;
    const capacity = act.capacityJK ?? FIGURES.matCapacityJK.value;
    let out = 0;
    for (let c = 0; c < mat.share.length; c++)
      if (mat.share[c]) out += area * mat.share[c]! * contact * (mat.t - this.surface[c]!);
    const loss = FIGURES.matLossWK.value * (mat.t - this.room);
    const wanted = out + loss + ((act.setC - mat.t) * capacity) / 5;
    mat.powerW = Math.max(0, Math.min(act.powerW ?? FIGURES.matPowerW.value, wanted));
    mat.t = Math.min(act.setC, mat.t + (this.dt / capacity) * (mat.powerW - out - loss));
  }

  /** It takes no heat from the lid, so it errs warm. */
  private warmBattery(): void {
    const b = this.battery;
    if (!b) return;
    const { n } = this.face.net;
    const contact = this.lid.inner.options.battery!.contactWm2K ?? FIGURES.batteryContactWm2K.value;
    const loss = FIGURES.batteryLossWm2K.value;
    const keeps = Math.exp((-this.dt * (contact + loss)) / FIGURES.batteryJm2K.value);
    for (const c of b.cells) {
      const to = (contact * this.t[b.layer * n + c]! + loss * this.room) / (contact + loss);
      b.t[c] = to + (b.t[c]! - to) * keeps;
    }
  }

  /** Heat stored since a temperature everywhere, or since a state, J. */
  stored(since: number | Float64Array): number {
    const { c } = this.face.net;
    let e = 0;
    for (let k = 0; k < c.length; k++) e += c[k]! * (this.t[k]! - (typeof since === "number" ? since : since[k]!));
    return e;
  }

  save(): RigState {
    return {
      t: this.t.slice(),
      surface: this.surface.slice(),
      battery: this.battery?.t.slice() ?? null,
      mat: this.mat && { act: this.mat.act, t: this.mat.t },
      lays: this.lays,
      s: this.s,
      since: this.since,
      phase: this.stepper.phase,
      radiation: { heated: this.still.slice(), farU: this.farU, farS: this.farS, age: this.age },
    };
  }

  load(from: RigState): void {
    this.t.set(from.t);
    this.surface.set(from.surface);
    if (this.battery && from.battery) this.battery.t.set(from.battery);
    this.lays = [];
    this.cloth = null;
    this.foil = null;
    for (const l of from.lays) this.lay(l);
    this.mat = from.mat && {
      act: from.mat.act,
      share: shares(this.lid.inner.grid, [from.mat.act.rect]),
      t: from.mat.t,
      powerW: 0,
    };
    this.s = from.s;
    this.since = from.since;
    this.stepper.phase = from.phase;
    this.still.set(from.radiation.heated);
    this.farU = from.radiation.farU;
    this.farS = from.radiation.farS;
    this.age = from.radiation.age;
  }
}
