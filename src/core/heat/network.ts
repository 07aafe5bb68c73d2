import type { Layer } from "./layers";

/** Cells of the model on the lid: millimetres, x right, y down. */
export interface Grid {
  nx: number;
  ny: number;
  x0Mm: number;
  y0Mm: number;
  dxMm: number;
  dyMm: number;
}

export const LAYERS = 5;

/**
 * Nodes and what joins them, five layers of `nx` by `ny` cells, layer-major from the heated face. Capacities in J/K, conductances in
 * W/K: `gx[n]` to the right neighbour, `gy[n]` to the one below, `gz[n]` to the layer behind. `rTop` and `rFar` in m2K/W: from a
 * node of the first and last layer to its surface.
 */
export interface Network {
  nx: number;
  ny: number;
  n: number;
  /** Face of a cell, m2. */
  area: number;
  c: Float64Array;
  gx: Float64Array;
  gy: Float64Array;
  gz: Float64Array;
  rTop: Float64Array;
  rFar: Float64Array;
}

/**
 * The network of a stack of layers.
 * @param layers from the heated face: the same everywhere, or by cell
 * @param noPlane layers that pass nothing along: tape beside gap, rim beside films
 * @example network({ nx: 3, ny: 3, x0Mm: 0, y0Mm: 0, dxMm: 4, dyMm: 4 }, [REFLECTOR, REFLECTOR, REFLECTOR, REFLECTOR, REFLECTOR], []).n // 9
 */
export function network(g: Grid, layers: readonly (Layer | ((cell: number) => Layer))[], noPlane: readonly number[]): Network {
  const { nx, ny } = g;
  const n = nx * ny;
  const [dx, dy] = [g.dxMm * 1e-3, g.dyMm * 1e-3];
  const area = dx * dy;
  const of = (l: number, cell: number): Layer => {
    const x = layers[l]!;
    return typeof x === "function" ? x(cell) : x;
  };
  const [c, gx, gy, gz] = [0, 0, 0, 0].map(() => new Float64Array(LAYERS * n)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const rTop = new Float64Array(n);
  const rFar = new Float64Array(n);
  for (let l = 0; l < LAYERS; l++) {
    const flat = noPlane.includes(l);
    for (let j = 0; j < ny; j++)
      for (let i = 0; i < nx; i++) {
        const cell = j * nx + i;
        const at = l * n + cell;
        const p = of(l, cell);
        c[at] = area * p.d * p.rhoC;
        if (i + 1 < nx && !flat) {
          const q = of(l, cell + 1);
          gx[at] = dy / ((0.5 * dx) / (p.kIn * p.d) + (0.5 * dx) / (q.kIn * q.d));
        }
        if (j + 1 < ny && !flat) {
          const q = of(l, cell + nx);
          gy[at] = dx / ((0.5 * dy) / (p.kIn * p.d) + (0.5 * dy) / (q.kIn * q.d));
        }
        if (l + 1 < LAYERS) {
          const q = of(l + 1, cell);
          gz[at] = area / ((0.5 * p.d) / p.kThrough + (0.5 * q.d) / q.kThrough);
        }
        if (l === 0) rTop[cell] = (0.5 * p.d) / p.kThrough;
        if (l === LAYERS - 1) rFar[cell] = (0.5 * p.d) / p.kThrough;
      }
  }
  return { nx, ny, n, area, c, gx, gy, gz, rTop, rFar };
}

/** A rectangle on the lid, mm. */
export interface RectMm {
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
}

/**
 * What share of every cell lies in any of the rectangles, 0 to 1: by area, never by where a cell's middle is.
 * @example shares({ nx: 2, ny: 1, x0Mm: 0, y0Mm: 0, dxMm: 4, dyMm: 4 }, [{ xMm: 0, yMm: 0, widthMm: 6, heightMm: 4 }]) // Float64Array.from([1, 0.5])
 */
export function shares(g: Grid, rects: readonly RectMm[]): Float64Array {
  const f = new Float64Array(g.nx * g.ny);
  for (const r of rects)
    for (let j = 0; j < g.ny; j++) {
      const y0 = g.y0Mm + j * g.dyMm;
      const oy = Math.min(y0 + g.dyMm, r.yMm + r.heightMm) - Math.max(y0, r.yMm);
      if (oy <= 0) continue;
      for (let i = 0; i < g.nx; i++) {
        const x0 = g.x0Mm + i * g.dxMm;
        const ox = Math.min(x0 + g.dxMm, r.xMm + r.widthMm) - Math.max(x0, r.xMm);
        if (ox > 0) f[j * g.nx + i] = Math.min(1, f[j * g.nx + i]! + (ox * oy) / (g.dxMm * g.dyMm));
      }
    }
  return f;
}
