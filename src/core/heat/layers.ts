import { MATERIALS, type Material, SIGMA } from "./properties";

/** A layer as the model sees it: thickness in m, conductivity along and through in W/mK, heat capacity per volume in J/m3K. */
export interface Layer {
  d: number;
  kIn: number;
  kThrough: number;
  rhoC: number;
}

type Sheet = Pick<Material, "kWmK" | "kInWmK" | "rhoKgM3" | "cpJkgK">;

/** A single sheet. @example sheet({ kWmK: 138, rhoKgM3: 2680, cpJkgK: 880 }, 0.9).kThrough // 138 */
export const sheet = (m: Sheet, mm: number): Layer => ({
  d: mm * 1e-3,
  kIn: m.kInWmK ?? m.kWmK,
  kThrough: m.kWmK,
  rhoC: m.rhoKgM3 * m.cpJkgK,
});

/**
 * Sheets that lie on each other as one layer: side by side along it, one after the other through it.
 * @example laminate([sheet({ kWmK: 1, rhoKgM3: 1, cpJkgK: 1 }, 1), sheet({ kWmK: 3, rhoKgM3: 1, cpJkgK: 1 }, 1)]).kIn // 2
 */
export function laminate(sheets: readonly Layer[]): Layer {
  let [d, kd, dk, c] = [0, 0, 0, 0];
  for (const s of sheets) {
    d += s.d;
    kd += s.kIn * s.d;
    dk += s.d / s.kThrough;
    c += s.rhoC * s.d;
  }
  return { d, kIn: kd / d, kThrough: d / dk, rhoC: c / d };
}

/** Mean temperature for the radiation across a gap, K. */
const GAP_K = 323;

/**
 * Air between two faces of emissivity 0.9, with the radiation across it; too thin to move by itself (below 5 mm).
 * @example airGap(0.3).kThrough > 0.0278 // true
 */
export function airGap(mm: number): Layer {
  const air = MATERIALS.air;
  const eps = 1 / (1 / 0.9 + 1 / 0.9 - 1);
  const d = mm * 1e-3;
  return { d, kIn: air.kWmK, kThrough: air.kWmK + 4 * SIGMA * eps * GAP_K ** 3 * d, rhoC: air.rhoKgM3 * air.cpJkgK };
}

/**
 * Two layers side by side in one cell, by the share of the first: capacity, conductance along and half-layer conductance through
 * mix linearly, each with its own thickness. Given back as a layer of one metre that has those values.
 * @example mix(airGap(0.3), airGap(0.3), 0.5).d // 1
 */
export const mix = (a: Layer, b: Layer, share: number): Layer => ({
  d: 1,
  rhoC: share * a.d * a.rhoC + (1 - share) * b.d * b.rhoC,
  kIn: share * a.d * a.kIn + (1 - share) * b.d * b.kIn,
  kThrough: (share * a.kThrough) / a.d + ((1 - share) * b.kThrough) / b.d,
});

const M = MATERIALS;
/** Light guide, diffuser and prism films, with the air they trap. */
export const FILMS = laminate([sheet(M.pmma, 0.5), sheet(M.pet, 0.45), sheet(M.air, 0.04)]);
/** Reflector and back sheet. */
export const REFLECTOR = laminate([sheet(M.pet, 0.2), sheet(M.pet, 0.1)]);
/** Display glass between its polarisers. */
export const LCD = laminate([sheet(M.polariser, 0.12), sheet(M.lcdGlass, 0.5), sheet(M.polariser, 0.12)]);
