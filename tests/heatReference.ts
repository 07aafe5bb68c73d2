import type { Act } from "@/core/heat";

/**
 * A lid under heat, reckoned another way: fine cells, short steps, every column backward in time by itself, every layer along itself
 * forward in as many small steps as it takes. Written from the physics; knows nothing of the code under test.
 */
interface Slab {
  mm: number;
  k: number;
  kIn: number;
  rhoC: number;
}
export interface ReferenceLid {
  pocket: { xMm: number; yMm: number; widthMm: number; heightMm: number };
  strips: { id: string; xMm: number; yMm: number; widthMm: number; heightMm: number }[];
  cover: { mm: number; k: number; kIn?: number; rho: number; cp: number; eps: number };
  tapeMm: number;
  construction: "rearTaped" | "glassFront";
  face: "back" | "front";
  roomC?: number;
}
const STEFAN = 5.670374419e-8;
const slab = (mm: number, k: number, rho: number, cp: number, kIn = k): Slab => ({ mm, k, kIn, rhoC: rho * cp });
const stack = (list: Slab[]): Slab => {
  const mm = list.reduce((a, x) => a + x.mm, 0);
  return {
    mm,
    k: mm / list.reduce((a, x) => a + x.mm / x.k, 0),
    kIn: list.reduce((a, x) => a + x.kIn * x.mm, 0) / mm,
    rhoC: list.reduce((a, x) => a + x.rhoC * x.mm, 0) / mm,
  };
};
const gap = (mm: number): Slab => slab(mm, 0.0278 + ((4 * STEFAN * 323 ** 3) / (2 / 0.9 - 1)) * mm * 1e-3, 1.09, 1007, 0.0278);
const films = stack([slab(0.5, 0.19, 1180, 1450), slab(0.45, 0.2, 1390, 1170), slab(0.04, 0.0278, 1.09, 1007)]);
const reflector = slab(0.3, 0.2, 1390, 1170);
const lcd = stack([slab(0.12, 0.2, 1300, 1400), slab(0.5, 1.1, 2450, 790), slab(0.12, 0.2, 1300, 1400)]);

export interface ReferenceRun {
  t: number[];
  tapes: Record<string, { q10: number[]; median: number[]; min: number[]; max: number[] }>;
  peaks: Record<"surface" | "cover" | "film" | "lcd", { maxC: number; atS: number }>;
  inJ: number;
}

/** Runs acts on it; samples every ten seconds, peaks with a coast after. */
export function referenceRun(
  lid: ReferenceLid,
  acts: readonly Act[],
  o: { cellMm?: number; dt?: number; coastS?: number; cal?: number; sampleS?: number } = {},
): ReferenceRun {
  const dt = o.dt ?? 0.1;
  const room = lid.roomC ?? 23;
  const { pocket } = lid;
  const nx = Math.round(pocket.widthMm / (o.cellMm ?? 2));
  const ny = Math.round(pocket.heightMm / (o.cellMm ?? 2));
  const [dx, dy] = [pocket.widthMm / nx / 1e3, pocket.heightMm / ny / 1e3];
  const N = nx * ny;
  const A = dx * dy;
  const lap = (a0: number, a1: number, b0: number, b1: number) => Math.max(0, Math.min(a1, b1) - Math.max(a0, b0));
  const inside = (r: { xMm: number; yMm: number; widthMm: number; heightMm: number }) =>
    Float64Array.from({ length: N }, (_, c) => {
      const x = pocket.xMm + (c % nx) * dx * 1e3;
      const y = pocket.yMm + Math.floor(c / nx) * dy * 1e3;
      return (lap(x, x + dx * 1e3, r.xMm, r.xMm + r.widthMm) * lap(y, y + dy * 1e3, r.yMm, r.yMm + r.heightMm)) / (A * 1e6);
    });
  const strips = lid.strips.map((s) => ({ id: s.id, f: inside(s) }));
  const f = Float64Array.from({ length: N }, (_, c) =>
    Math.min(
      1,
      strips.reduce((a, s) => a + s.f[c]!, 0),
    ),
  );
  const v = lid.cover;
  const cover = slab(v.mm, v.k, v.rho, v.cp, v.kIn);
  const tape = slab(lid.tapeMm, 0.1, 700, 1600);
  // Per layer and cell: capacity per area, half resistance per area, conductance along.
  type Of = (share: number) => { c: number; r: number; g: number };
  const one =
    (s: Slab): Of =>
    () => ({ c: (s.rhoC * s.mm) / 1e3, r: s.mm / 2e3 / s.k, g: (s.kIn * s.mm) / 1e3 });
  const two =
    (a: Slab, b: Slab): Of =>
    (x) => ({
      c: (x * a.rhoC * a.mm + (1 - x) * b.rhoC * b.mm) / 1e3,
      r: 1 / ((x * a.k * 2e3) / a.mm + ((1 - x) * b.k * 2e3) / b.mm),
      g: (x * a.kIn * a.mm + (1 - x) * b.kIn * b.mm) / 1e3,
    });
  let layers: Of[];
  let at: { cover: number; tape: number; film: number; lcd: number };
  let still: number[];
  if (lid.construction === "rearTaped") {
    layers = [one(cover), two(tape, gap(lid.tapeMm)), one(reflector), one(films), one(lcd)];
    at = { cover: 0, tape: 1, film: 3, lcd: 4 };
    still = [1];
  } else {
    const half = slab(1.25, v.k, v.rho, v.cp, v.kIn);
    const rim: Slab = { ...cover, kIn: (cover.kIn * (v.mm + 2.5)) / v.mm };
    layers = [one(slab(0.6, 1.05, 2500, 840)), two(tape, lcd), two(half, films), two(half, gap(0.5)), two(rim, cover)];
    at = { cover: 4, tape: 1, film: 2, lcd: 1 };
    still = [2, 3];
  }
  if ((lid.construction === "rearTaped") !== (lid.face === "back")) {
    layers.reverse();
    at = { cover: 4 - at.cover, tape: 4 - at.tape, film: 4 - at.film, lcd: 4 - at.lcd };
    still = still.map((l) => 4 - l);
  }
  const C = layers.map((l) => Float64Array.from(f, (x) => l(x).c));
  const R = layers.map((l) => Float64Array.from(f, (x) => l(x).r));
  const G = layers.map((l) => Float64Array.from(f, (x) => l(x).g));
  const T = layers.map(() => new Float64Array(N).fill(room));
  const between = [0, 1, 2, 3].map((l) => R[l]!.map((r, c) => 1 / (r + R[l + 1]![c]!)));
  const al = new Float64Array(5);
  const be = new Float64Array(5);
  const surface = new Float64Array(N).fill(room);
  const [hHeated, hFar] = lid.face === "back" ? [5, 3] : [3, 5];
  const [eHeated, eFar] = lid.face === "back" ? [v.eps, 0.9] : [0.9, v.eps];
  const radiates = (eps: number, c: number) => {
    const [a, b] = [c + 273.15, room + 273.15];
    return eps * STEFAN * (a * a + b * b) * (a + b);
  };
  const sub = layers.map((_, l) => {
    if (still.includes(l)) return 0;
    let worst = 0;
    for (let c = 0; c < N; c++) worst = Math.max(worst, (dt * G[l]![c]! * (2 / (dx * dx) + 2 / (dy * dy))) / C[l]![c]!);
    return Math.max(1, Math.ceil(worst / 0.45));
  });
  const was = new Float64Array(N);
  // Conductance to the right and below, per capacity of nothing yet: between two cells the mean of their resistances counts.
  const mean = (a: number, b: number) => (2 * a * b) / (a + b);
  const right = G.map((g) => g.map((x, k) => (k % nx < nx - 1 ? mean(x, g[k + 1]!) / (dx * dx) : 0)));
  const below = G.map((g) => g.map((x, k) => (k + nx < N ? mean(x, g[k + nx]!) / (dy * dy) : 0)));
  const along = (l: number) => {
    const step = dt / sub[l]!;
    const [t, r, b, c] = [T[l]!, right[l]!, below[l]!, C[l]!];
    for (let n = 0; n < sub[l]!; n++) {
      was.set(t);
      for (let k = 0; k < N; k++) {
        const here = was[k]!;
        const i = k % nx;
        let q = r[k]! * ((i + 1 < nx ? was[k + 1]! : here) - here) + b[k]! * ((k + nx < N ? was[k + nx]! : here) - here);
        if (i) q += r[k - 1]! * (was[k - 1]! - here);
        if (k >= nx) q += b[k - nx]! * (was[k - nx]! - here);
        t[k] = here + (step * q) / c[k]!;
      }
    }
  };
  const h = new Float64Array(N);
  const q = new Float64Array(N);
  const out: ReferenceRun = {
    t: [],
    tapes: Object.fromEntries(strips.map((s) => [s.id, { q10: [], median: [], min: [], max: [] }])),
    peaks: Object.fromEntries(
      ["surface", "cover", "film", "lcd"].map((k) => [k, { maxC: room, atS: 0 }]),
    ) as ReferenceRun["peaks"],
    inJ: 0,
  };
  const hot = (l: number, bare: boolean) => {
    const t = l === 0 ? surface : T[l]!;
    let x = -1e9;
    for (let c = 0; c < N; c++) if (!bare || lid.construction === "rearTaped" || f[c]! < 0.5) x = Math.max(x, t[c]!);
    return x;
  };
  let mat: { t: number } | null = null;
  const laid = new Map<string, Float64Array>();
  const underOf = (r: ReferenceLid["pocket"]) => {
    const key = JSON.stringify(r);
    if (!laid.has(key)) laid.set(key, inside(r));
    return laid.get(key)!;
  };
  let s = 0;
  const step = (a: Act | null, since: number) => {
    for (let c = 0; c < N; c++) {
      h[c] = hHeated + radiates(eHeated, surface[c]!);
      q[c] = h[c]! * room;
    }
    if (a?.do === "jet") {
      const tool =
        typeof a.tool === "string"
          ? { heatGun: [35, 350], rework: [22, 100], hairDryer: [45, 1300] }[a.tool]!
          : [a.tool.diameterMm, a.tool.flowLpm];
      const [D, flow] = tool as [number, number];
      const away = a.standOffMm;
      const eta = away / D <= 5 ? 1 - (0.03 * away) / D : (4.25 * D) / away;
      const tj = room + eta * (a.nozzleC - room);
      const b = 1.4 * D + 0.1 * away;
      const K = tj + 273.15;
      const speed = flow / 6e4 / ((Math.PI * (D / 1e3) ** 2) / 4);
      const re = (speed * (D / 1e3)) / (1.57e-5 * (K / 298) ** 1.75);
      const ar = Math.min(0.2, 0.2);
      const hd = Math.min(12, Math.max(2, away / D));
      const nu =
        0.7 ** 0.42 *
        ((2 * ar * (1 - 2.2 * ar)) / (1 + 0.2 * (hd - 6) * ar)) *
        2 *
        Math.sqrt(re) *
        Math.sqrt(1 + 0.005 * re ** 0.55);
      const mean = (nu * 0.0261 * (K / 298) ** 0.85) / (D / 1e3);
      const r = 2.5 * D;
      const h0 = ((o.cal ?? 1) * (a.cal ?? 1) * mean * r * r) / (b * b * (1 - Math.exp(-(r * r) / (b * b))));
      const L = Math.abs(a.toMm - a.fromMm);
      const half = L / (a.speedMmS ?? 40) + (a.dwellS ?? 1);
      const m = 5;
      for (let n = 0; n < m; n++) {
        const x = (since + ((n + 0.5) / m) * dt) % (2 * half || 1);
        const gone = Math.min(L, (x < half ? x : x - half) * (a.speedMmS ?? 40));
        const part = L ? (x < half ? gone / L : 1 - gone / L) : 0;
        const p = a.fromMm + part * (a.toMm - a.fromMm);
        const side = a.edge === "left" || a.edge === "right";
        const px = side ? (a.edge === "left" ? pocket.xMm + a.insetMm : pocket.xMm + pocket.widthMm - a.insetMm) : p;
        const py = side ? p : a.edge === "top" ? pocket.yMm + a.insetMm : pocket.yMm + pocket.heightMm - a.insetMm;
        for (let c = 0; c < N; c++) {
          const ux = pocket.xMm + ((c % nx) + 0.5) * dx * 1e3 - px;
          const uy = pocket.yMm + (Math.floor(c / nx) + 0.5) * dy * 1e3 - py;
          const r2 = (ux * ux + uy * uy) / (b * b);
          if (r2 > 14) continue;
          const hv = (h0 * Math.exp(-r2)) / m;
          h[c] = h[c]! + hv;
          q[c] = q[c]! + hv * (room + (tj - room) * Math.exp(-r2 / 4));
        }
      }
    }
    if (a?.do === "mat" && mat) {
      const under = underOf(a.rect);
      const k = (a.contactWm2K ?? 150) * (a.cal ?? 1) * (o.cal ?? 1);
      let given = 0;
      for (let c = 0; c < N; c++) {
        given += A * under[c]! * k * (mat.t - surface[c]!);
        h[c] = under[c]! * k + (1 - under[c]!) * h[c]!;
        q[c] = under[c]! * k * mat.t + (1 - under[c]!) * q[c]!;
      }
      const cap = a.capacityJK ?? 300;
      const loss = 0.3 * (mat.t - room);
      const power = Math.max(0, Math.min(a.powerW ?? 250, given + loss + ((a.setC - mat.t) * cap) / 5));
      mat.t = Math.min(a.setC, mat.t + (dt / cap) * (power - given - loss));
    }
    for (let l = 0; l < 5; l++) if (sub[l]) along(l);
    let far = 0;
    for (let c = 0; c < N; c++) far += T[4]![c]!;
    const hf = hFar + radiates(eFar, far / N);
    for (let c = 0; c < N; c++) {
      // Backward in time through five nodes and two faces.
      const top = 1 / (1 / h[c]! + R[0]![c]!);
      const amb = q[c]! / h[c]!;
      const end = 1 / (1 / hf + R[4]![c]!);
      for (let l = 0; l < 5; l++) {
        const lo = l ? between[l - 1]![c]! : 0;
        const hi = l < 4 ? between[l]![c]! : 0;
        const keep = C[l]![c]! / dt;
        const w = keep + lo + hi + (l === 0 ? top : 0) + (l === 4 ? end : 0) - (l ? lo * al[l - 1]! : 0);
        const d = keep * T[l]![c]! + (l === 0 ? top * amb : 0) + (l === 4 ? end * room : 0) + (l ? lo * be[l - 1]! : 0);
        al[l] = hi / w;
        be[l] = d / w;
      }
      for (let l = 4; l >= 0; l--) T[l]![c] = be[l]! + (l < 4 ? al[l]! * T[l + 1]![c]! : 0);
      surface[c] = (amb * h[c]! + T[0]![c]! / R[0]![c]!) / (h[c]! + 1 / R[0]![c]!);
      out.inJ += dt * A * (top * (amb - T[0]![c]!) + end * (room - T[4]![c]!));
    }
    s += dt;
    for (const [k, l] of [
      ["surface", 0],
      ["cover", at.cover],
      ["film", at.film],
      ["lcd", at.lcd],
    ] as const) {
      const x = hot(l, k === "film" || k === "lcd");
      if (x > out.peaks[k].maxC) out.peaks[k] = { maxC: x, atS: s };
    }
  };
  const share = (id: string, part: number) => {
    const w = strips.find((x) => x.id === id)!.f;
    const order = [...w.entries()]
      .filter(([, x]) => x > 0)
      .map(([c, x]) => [T[at.tape]![c]!, x] as const)
      .sort((a, b) => a[0] - b[0]);
    const total = order.reduce((a, x) => a + x[1], 0);
    let sum = 0;
    for (const [t, x] of order) {
      sum += x;
      if (sum >= part * total - 1e-12) return t;
    }
    return order.at(-1)![0];
  };
  let sample = o.sampleS ?? 10;
  const every = sample;
  let before: Act | null = null;
  for (const a of acts) {
    if (a.do === "shield" || a.do === "cover") continue;
    if (a.do === "mat") mat = { t: before?.do === "mat" && mat ? mat.t : a.warm ? a.setC : room };
    else mat = null;
    before = a;
    for (let n = 0; n < Math.round(a.seconds / dt); n++) {
      step(a.do === "rest" ? null : a, n * dt);
      if (s < sample - 1e-6) continue;
      out.t.push(sample);
      sample += every;
      for (const st of strips)
        for (const [k, x] of [
          ["q10", 0.1],
          ["median", 0.5],
          ["min", 0],
          ["max", 1],
        ] as const)
          out.tapes[st.id]![k].push(share(st.id, x));
    }
  }
  const inJ = out.inJ;
  mat = null;
  for (let n = 0; n < Math.round((o.coastS ?? 60) / dt); n++) step(null, 0);
  out.inJ = inJ;
  return out;
}
