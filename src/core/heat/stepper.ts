import { LAYERS, type Network } from "./network";
import { alongX, alongY, type Plane, planeOf } from "./plane";

/** How far a step may go explicitly along a layer: time over the cell's own time. */
const EXPLICIT = 0.8;
/** Poor conductors are stepped along every so many steps at most. */
const MOST_SKIPPED = 8;
/** Weight of the new time through the stack: 0.6 damps what 0.5 lets ring in the air. */
const THROUGH = 0.6;

/** Heat that came in through both faces in one step, J. */
export interface StepHeat {
  top: number;
  far: number;
}

/** How stiff a layer is along itself in one step: time times conductance over capacity, at its worst cell. */
function stiffness(m: Network, layer: number, dt: number): number {
  const { nx, n, c, gx, gy } = m;
  let worst = 0;
  for (let cell = 0; cell < n; cell++) {
    const k = layer * n + cell;
    const g = gx[k]! + (cell % nx ? gx[k - 1]! : 0) + gy[k]! + (cell >= nx ? gy[k - nx]! : 0);
    worst = Math.max(worst, (dt * g) / c[k]!);
  }
  return worst;
}

/**
 * Steps a network through time: along the metal layers half, through the stack whole, along the metal half again; poor conductors
 * along explicitly, every few steps. Every factor is a contraction in the energy norm, so no time step is too long to be stable.
 */
export class Stepper {
  private readonly planes: Plane[];
  private readonly slow: number[] = [];
  private readonly every: number;
  /** Columns that are alike share what is known of them: [g0..g3, m0..m3, i1..i4, b0] per kind. */
  private readonly kinds: Float64Array;
  private readonly example: number[] = [];
  private readonly runStart: number[] = [];
  private readonly runEnd: number[] = [];
  private readonly runKind: number[] = [];
  private readonly invC: Float64Array;
  private readonly work: Float64Array;
  private readonly before: [Float64Array, Float64Array];
  private readonly heat: StepHeat = { top: Number.NaN, far: Number.NaN };
  private farKnown = Number.NaN;
  private k = 0;

  /** @param dt seconds, greater than 0 @example new Stepper(net, 0.5) */
  constructor(
    private readonly m: Network,
    private readonly dt: number,
  ) {
    const { n, c, gz } = m;
    const kindOf = new Map<string, number>();
    const kind = new Int32Array(n);
    for (let cell = 0; cell < n; cell++) {
      let key = "";
      for (let l = 0; l < LAYERS; l++) key += `${c[l * n + cell]}|${gz[l * n + cell]};`;
      let k = kindOf.get(key);
      if (k === undefined) {
        k = kindOf.size;
        kindOf.set(key, k);
        this.example.push(cell);
      }
      kind[cell] = k;
    }
    for (let cell = 0; cell < n; ) {
      let end = cell;
      while (end < n && kind[end] === kind[cell]) end++;
      this.runStart.push(cell);
      this.runEnd.push(end);
      this.runKind.push(kind[cell]!);
      cell = end;
    }
    this.kinds = new Float64Array(this.example.length * 13);
    const fast: number[] = [];
    let stiffest = 1e-12;
    for (let l = 0; l < LAYERS; l++) {
      const s = stiffness(m, l, dt);
      if (s > EXPLICIT) fast.push(l);
      else if (s > 0) {
        this.slow.push(l);
        stiffest = Math.max(stiffest, s);
      }
    }
    this.every = Math.max(1, Math.min(MOST_SKIPPED, Math.floor(EXPLICIT / stiffest)));
    this.planes = fast.map((l) => planeOf(m, l, dt / 2));
    this.invC = Float64Array.from(c, (x) => 1 / x);
    this.work = new Float64Array(n);
    this.before = [new Float64Array(n), new Float64Array(n)];
  }

  /** Begins the rhythm of the slow layers anew: what follows a saved state is what followed it then. */
  get phase(): number {
    return this.k % this.every;
  }
  set phase(k: number) {
    this.k = k;
  }

  /**
   * One step.
   * @param t temperatures, changed in place
   * @param u exchange of the heated face per cell, W/K
   * @param s what that exchange is with, W: `u` times its temperature
   * @param farU exchange of the far face per cell, W/K
   * @param farS the same times its temperature, W
   * @param heat whether what came in is counted
   */
  step(t: Float64Array, u: Float64Array, s: Float64Array, farU: number, farS: number, heat = false): Readonly<StepHeat> {
    const { n } = this.m;
    if (farU !== this.farKnown) this.factor(farU);
    if (this.k % this.every === 0) for (const l of this.slow) this.along(t, l, this.dt * this.every);
    this.k += 1;
    for (const p of this.planes) {
      alongX(t, p, this.work);
      alongY(t, p, this.work);
    }
    const [top, far] = this.before;
    const last = (LAYERS - 1) * n;
    if (heat)
      for (let c = 0; c < n; c++) {
        top[c] = t[c]!;
        far[c] = t[last + c]!;
      }
    this.through(t, u, s, farU, farS);
    // Plain numbers: a field that changes from whole to broken numbers makes the engine begin anew at every step.
    let inTop = 0;
    let inFar = 0;
    if (heat)
      for (let c = 0; c < n; c++) {
        inTop += s[c]! - u[c]! * (top[c]! + THROUGH * (t[c]! - top[c]!));
        inFar += farS - farU * (far[c]! + THROUGH * (t[last + c]! - far[c]!));
      }
    for (const p of this.planes) {
      alongY(t, p, this.work);
      alongX(t, p, this.work);
    }
    this.heat.top = inTop * this.dt;
    this.heat.far = inFar * this.dt;
    return this.heat;
  }

  /** What is known of a kind of column before its heated face: eliminated from the far face. */
  private factor(farU: number): void {
    const { n, c, gz } = this.m;
    const { dt, kinds: K } = this;
    for (const [kind, cell] of this.example.entries()) {
      const o = kind * 13;
      const g = [0, 1, 2, 3].map((l) => dt * gz[l * n + cell]!);
      let b = c[4 * n + cell]! + THROUGH * g[3]! + THROUGH * dt * farU;
      for (let l = 4; l >= 1; l--) {
        const inv = 1 / b;
        const up = THROUGH * g[l - 1]!;
        K[o + l - 1] = g[l - 1]!;
        K[o + 3 + l] = up * inv;
        K[o + 7 + l] = inv;
        b = c[(l - 1) * n + cell]! + up + (l > 1 ? THROUGH * g[l - 2]! : 0) - up * up * inv;
      }
      K[o + 12] = b;
    }
    this.farKnown = farU;
  }

  /** Through the stack, every column by itself; only the heated face's pivot sees the moving source. */
  private through(t: Float64Array, u: Float64Array, s: Float64Array, farU: number, farS: number): void {
    const { n } = this.m;
    const { dt, kinds: K } = this;
    const td = THROUGH * dt;
    const [n2, n3, n4] = [2 * n, 3 * n, 4 * n];
    for (let q = 0; q < this.runKind.length; q++) {
      const o = this.runKind[q]! * 13;
      const [g0, g1, g2, g3] = [K[o]!, K[o + 1]!, K[o + 2]!, K[o + 3]!];
      const [m0, m1, m2, m3] = [K[o + 4]!, K[o + 5]!, K[o + 6]!, K[o + 7]!];
      const [i1, i2, i3, i4] = [K[o + 8]!, K[o + 9]!, K[o + 10]!, K[o + 11]!];
      const b0 = K[o + 12]!;
      for (let c = this.runStart[q]!, e = this.runEnd[q]!; c < e; c++) {
        const t0 = t[c]!;
        const t1 = t[n + c]!;
        const t2 = t[n2 + c]!;
        const t3 = t[n3 + c]!;
        const t4 = t[n4 + c]!;
        const f0 = g0 * (t1 - t0);
        const f1 = g1 * (t2 - t1);
        const f2 = g2 * (t3 - t2);
        const f3 = g3 * (t4 - t3);
        const uc = u[c]!;
        const d4 = dt * (farS - farU * t4) - f3;
        const d3 = f3 - f2 + m3 * d4;
        const d2 = f2 - f1 + m2 * d3;
        const d1 = f1 - f0 + m1 * d2;
        const d0 = f0 + dt * (s[c]! - uc * t0) + m0 * d1;
        const x0 = d0 / (b0 + td * uc);
        const x1 = d1 * i1 + m0 * x0;
        const x2 = d2 * i2 + m1 * x1;
        const x3 = d3 * i3 + m2 * x2;
        t[c] = t0 + x0;
        t[n + c] = t1 + x1;
        t[n2 + c] = t2 + x2;
        t[n3 + c] = t3 + x3;
        t[n4 + c] = t4 + d4 * i4 + m3 * x3;
      }
    }
  }

  /** Along a poor conductor, explicitly. */
  private along(t: Float64Array, layer: number, dt: number): void {
    const { nx, ny, n, gx, gy } = this.m;
    const o = layer * n;
    const w = this.work;
    for (let j = 0; j < ny; j++) {
      let from = 0;
      for (let i = 0; i < nx; i++) {
        const c = j * nx + i;
        const k = o + c;
        const here = t[k]!;
        const right = i + 1 < nx ? gx[k]! * (t[k + 1]! - here) : 0;
        const down = j + 1 < ny ? gy[k]! * (t[k + nx]! - here) : 0;
        const up = j ? gy[k - nx]! * (t[k - nx]! - here) : 0;
        w[c] = right - from + down + up;
        from = right;
      }
    }
    for (let c = 0; c < n; c++) t[o + c] = t[o + c]! + dt * w[c]! * this.invC[o + c]!;
  }
}
