import type { Network } from "./network";

/** Weight of the new time along a layer. */
const ALONG = 0.5;

/** A metal layer, prepared for half a step along x and along y. */
export interface Plane {
  nx: number;
  ny: number;
  n: number;
  /** Where the layer begins. */
  at: number;
  gx: Float64Array;
  gy: Float64Array;
  ix: Float64Array;
  mx: Float64Array;
  iy: Float64Array;
  my: Float64Array;
  /** The same everywhere in plane: coefficients by column, and by row. */
  even: { gx: number; gy: number; ix: Float64Array; mx: Float64Array; iy: Float64Array; my: Float64Array } | null;
}

/** Whether a layer is the same everywhere along itself. */
function isEven(m: Network, layer: number): boolean {
  const { nx, ny, n, c, gx, gy } = m;
  const o = layer * n;
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const k = o + j * nx + i;
      if (c[k] !== c[o] || (i + 1 < nx && gx[k] !== gx[o]) || (j + 1 < ny && gy[k] !== gy[o])) return false;
    }
  return true;
}

/**
 * A layer prepared for steps of `h` seconds along itself.
 * @example planeOf(heatNet, 0, 0.25).at // 0
 */
export function planeOf(m: Network, layer: number, h: number): Plane {
  const { nx, ny, n, c } = m;
  const at = layer * n;
  const [gx, gy, ix, mx, iy, my] = Array.from({ length: 6 }, () => new Float64Array(n)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  const a = ALONG * h;
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const cell = j * nx + i;
      const k = at + cell;
      gx[cell] = h * m.gx[k]!;
      gy[cell] = h * m.gy[k]!;
      const left = i ? a * m.gx[k - 1]! : 0;
      const up = j ? a * m.gy[k - nx]! : 0;
      let b = c[k]! + left + a * m.gx[k]!;
      if (i) {
        mx[cell] = left * ix[cell - 1]!;
        b -= left * mx[cell]!;
      }
      ix[cell] = 1 / b;
      b = c[k]! + up + a * m.gy[k]!;
      if (j) {
        my[cell] = up * iy[cell - nx]!;
        b -= up * my[cell]!;
      }
      iy[cell] = 1 / b;
    }
  const row = (x: Float64Array) => x.slice(0, nx);
  const column = (x: Float64Array) => Float64Array.from({ length: ny }, (_, j) => x[j * nx]!);
  const even = isEven(m, layer)
    ? { gx: h * m.gx[at]!, gy: h * m.gy[at]!, ix: row(ix), mx: row(mx), iy: column(iy), my: column(my) }
    : null;
  return { nx, ny, n, at, gx, gy, ix, mx, iy, my, even };
}

/**
 * Half a step along x: every row by itself.
 * @param work room for one value per cell
 * @example alongX(heatNet.c.slice(), planeOf(heatNet, 0, 0.25), new Float64Array(heatNet.n))
 */
export function alongX(t: Float64Array, p: Plane, d: Float64Array): void {
  if (p.even) {
    alongXEven(t, p, p.even, d);
    return;
  }
  const { nx, ny } = p;
  const { at, gx, ix, mx } = p;
  const k = nx - 1;
  for (let j = 0; j < ny; j++) {
    const c0 = j * nx;
    let a = 0;
    let flow = 0;
    let here = t[at + c0]!;
    for (let c = c0, e = c0 + k; c < e; c++) {
      const next = t[at + c + 1]!;
      const f = gx[c]! * (next - here);
      a = f - flow + mx[c]! * a;
      d[c] = a;
      flow = f;
      here = next;
    }
    a = (mx[c0 + k]! * a - flow) * ix[c0 + k]!;
    t[at + c0 + k] = t[at + c0 + k]! + a;
    for (let c = c0 + k - 1; c >= c0; c--) {
      a = d[c]! * ix[c]! + mx[c + 1]! * a;
      t[at + c] = t[at + c]! + a;
    }
  }
}

/**
 * Half a step along y: all columns together, row by row.
 * @example alongY(heatNet.c.slice(), planeOf(heatNet, 0, 0.25), new Float64Array(heatNet.n))
 */
export function alongY(t: Float64Array, p: Plane, d: Float64Array): void {
  if (p.even) {
    alongYEven(t, p, p.even, d);
    return;
  }
  const { nx, n } = p;
  const { at, gy, iy, my } = p;
  const last = n - nx;
  for (let c = 0; c < nx; c++) d[c] = gy[c]! * (t[at + c + nx]! - t[at + c]!);
  for (let c = nx; c < last; c++) {
    const here = t[at + c]!;
    d[c] = gy[c]! * (t[at + c + nx]! - here) + gy[c - nx]! * (t[at + c - nx]! - here) + my[c]! * d[c - nx]!;
  }
  for (let c = last; c < n; c++) {
    const x = (gy[c - nx]! * (t[at + c - nx]! - t[at + c]!) + my[c]! * d[c - nx]!) * iy[c]!;
    d[c] = x;
    t[at + c] = t[at + c]! + x;
  }
  for (let c = last - 1; c >= 0; c--) {
    const x = d[c]! * iy[c]! + my[c + nx]! * d[c + nx]!;
    d[c] = x;
    t[at + c] = t[at + c]! + x;
  }
}

function alongXEven(t: Float64Array, p: Plane, e: NonNullable<Plane["even"]>, d: Float64Array): void {
  const { at } = p;
  const { nx, ny } = p;
  const { gx, ix, mx } = e;
  const k = nx - 1;
  // Two rows at a time: one waits while the other is reckoned.
  let j = 0;
  for (; j + 2 <= ny; j += 2) {
    const r0 = at + j * nx;
    const r1 = r0 + nx;
    let a = 0;
    let b = 0;
    let fa = 0;
    let fb = 0;
    let ta = t[r0]!;
    let tb = t[r1]!;
    for (let i = 0; i < k; i++) {
      const w = mx[i]!;
      const na = t[r0 + i + 1]!;
      const nb = t[r1 + i + 1]!;
      const ga = gx * (na - ta);
      const gb = gx * (nb - tb);
      a = ga - fa + w * a;
      b = gb - fb + w * b;
      d[i] = a;
      d[nx + i] = b;
      fa = ga;
      fb = gb;
      ta = na;
      tb = nb;
    }
    a = (mx[k]! * a - fa) * ix[k]!;
    b = (mx[k]! * b - fb) * ix[k]!;
    t[r0 + k] = ta + a;
    t[r1 + k] = tb + b;
    for (let i = k - 1; i >= 0; i--) {
      const v = ix[i]!;
      const w = mx[i + 1]!;
      a = d[i]! * v + w * a;
      b = d[nx + i]! * v + w * b;
      t[r0 + i] = t[r0 + i]! + a;
      t[r1 + i] = t[r1 + i]! + b;
    }
  }
  for (; j < ny; j++) {
    const r0 = at + j * nx;
    let a = 0;
    let fa = 0;
    let ta = t[r0]!;
    for (let i = 0; i < k; i++) {
      const na = t[r0 + i + 1]!;
      const ga = gx * (na - ta);
      a = ga - fa + mx[i]! * a;
      d[i] = a;
      fa = ga;
      ta = na;
    }
    a = (mx[k]! * a - fa) * ix[k]!;
    t[r0 + k] = ta + a;
    for (let i = k - 1; i >= 0; i--) {
      a = d[i]! * ix[i]! + mx[i + 1]! * a;
      t[r0 + i] = t[r0 + i]! + a;
    }
  }
}

function alongYEven(t: Float64Array, p: Plane, e: NonNullable<Plane["even"]>, d: Float64Array): void {
  const { at } = p;
  const { nx, ny, n } = p;
  const { gy, iy, my } = e;
  const last = n - nx;
  for (let c = 0; c < nx; c++) d[c] = gy * (t[at + c + nx]! - t[at + c]!);
  for (let j = 1; j < ny - 1; j++) {
    const w = my[j]!;
    for (let c = j * nx, end = c + nx; c < end; c++)
      d[c] = gy * (t[at + c + nx]! - 2 * t[at + c]! + t[at + c - nx]!) + w * d[c - nx]!;
  }
  for (let c = last; c < n; c++) {
    const x = (gy * (t[at + c - nx]! - t[at + c]!) + my[ny - 1]! * d[c - nx]!) * iy[ny - 1]!;
    d[c] = x;
    t[at + c] = t[at + c]! + x;
  }
  for (let j = ny - 2; j >= 0; j--) {
    const v = iy[j]!;
    const w = my[j + 1]!;
    for (let c = j * nx, end = c + nx; c < end; c++) {
      const x = d[c]! * v + w * d[c + nx]!;
      d[c] = x;
      t[at + c] = t[at + c]! + x;
    }
  }
}
