import { findCorners } from "./corners";
import { atDip, type EdgeDips, findDips } from "./dips";
import { blurred, parts } from "./grid";
import { rimSeam } from "./halo";
import { chroma, LINEAR } from "./light";
import { straightening } from "./line";
import { contrastIn, findMarks, type Mark } from "./marks";
import { type PanelMap, panelMap } from "./panelMap";
import type { Photo } from "./photo";
import { meanOver, POINTS, SCHEMES, type Scheme, spotAt } from "./points";
import { aimSpread, cameraOf, middleGreen, type Vignetting, vignettingOf } from "./vignetting";

export interface EvennessPoint {
  /** In shares of the lit area, and light against the centre. */
  x: number;
  y: number;
  light: number;
  uv: [number, number];
}
export interface EvennessRow {
  points: EvennessPoint[];
  minOverMax: number;
  /** One standard deviation of the ratio: a verdict needs two. */
  sigma: number;
  colourShift: number;
}
export type EvennessProblem = "corners" | "clipped" | "dark" | "aim";
export type Evenness =
  | { ok: false; problem: EvennessProblem; words: string }
  | {
      ok: true;
      vignettingRemoved: boolean;
      /** From the panel's centre. */
      camera: { xMm: number; yMm: number; zMm: number };
      rows: Record<Scheme, EvennessRow>;
      marks: Mark[];
      edges: EdgeDips[];
      dead: { xMm: number; yMm: number; areaMm2: number }[];
      /** The phone has sharpened its pictures: what lies near the rim cannot be told. */
      sharpened: boolean;
      warnings: string[];
      /** Light per cell over the centre's, smoothed, for contours; row by row. */
      map: { nx: number; ny: number; cellMm: number; light: Float32Array };
    };

export interface EvennessOptions {
  cellMm?: number;
  /** Exponent on srgb^-1: what `responseFromSteps` gives. */
  response?: number;
  /** Exponent of the panel's own fall-off with the viewing angle; none when missing. */
  falloff?: number;
  focalPx?: number;
  straighten?: boolean;
}

const PROBLEMS: Readonly<Record<EvennessProblem, string>> = {
  corners: "No lit screen with four corners is seen: the whole lit area in the picture, the room dim, or drag the corners there.",
  clipped: "Too bright: parts of the screen are cut off at white. Lower the exposure and take both again.",
  dark: "Too dark to tell steps of light apart. Raise the exposure, screen at full brightness, and take both again.",
  aim: "Both photos see the screen at the same place of the frame: the lens cannot be told from the panel. Aim further apart: the screen left and high in one, right and low in the other, the phone only pivoted.",
};

/** Share of clipped pixels, middle value and difference of aims from which a photo is refused. */
const MOST_CLIPPED = 0.001;
const LEAST_VALUE = 60;
const LEAST_AIM = 0.05;
/** What is left of the lens, one aim or two; of the tone curve; how far the place of both photos may differ, mm (E). */
const [LENS_ONE, LENS_TWO, TONE, PLACE_MM] = [0.04, 0.01, 0.01, 20];
/** A mark is one where it stands in each aim with this share of its contrast. */
const STANDS = 0.3;
/** What is drawn is smoothed over this much, so that contours are lines, mm. */
const SHOWN_MM = 2.5;
/** Darker than this share of the centre over at least so much: dead, mm². */
const [DEAD, DEAD_MM2] = [0.25, 1];

/** A seam along every edge from which a picture was sharpened, and how far in that is seen, mm (E: 8 % and more when it was, under 0 else). */
const SEAM = 0.02;
const RIM_MM = 25;
/** Two aims show a dip at one place within this, mm. */
const SAME_DIP_MM = 6;

const no = (problem: EvennessProblem): Evenness => ({ ok: false, problem, words: PROBLEMS[problem] });

/**
 * How even a panel's light is, from one or two photos of it: lens taken off where two aims allow, points, marks, dips and dead zones.
 * @param photos one, or two from the same place with another aim; corners are found where they are not given
 * @param panel lit area, mm
 * @returns the figures, or what is wrong with the photos in words
 * @throws RangeError for a panel that cannot be, no photo, or a black photo of another size
 * @example measureEvenness([{ width: 8, height: 8, rgba: new Uint8ClampedArray(256) }], { widthMm: 310, heightMm: 174 }).problem // "corners"
 */
export function measureEvenness(
  photos: readonly Photo[],
  panel: { widthMm: number; heightMm: number },
  o: EvennessOptions = {},
): Evenness {
  if (!(panel.widthMm > 20 && panel.heightMm > 20)) throw new RangeError(`panel: ${panel.widthMm} × ${panel.heightMm} mm`);
  if (photos.length === 0) throw new RangeError("photos: none");
  const response = o.response ?? 1;
  const maps: PanelMap[] = [];
  for (const p of photos) {
    const found = p.corners ? null : findCorners(p);
    const corners = p.corners ?? found?.corners;
    if (!corners) return no("corners");
    const k1 =
      o.straighten && found
        ? straightening(
            found.sides.map((s) => s.points),
            p.width,
            p.height,
          )
        : 0;
    const m = panelMap(p, corners, panel, { cellMm: o.cellMm ?? 1, response, k1 });
    if (!m) return no("corners");
    maps.push(m);
  }
  const first = maps[0]!;
  if (maps.some((m) => m.clipped > MOST_CLIPPED)) return no("clipped");
  if (maps.some((m) => !(middleGreen(m) >= LINEAR[LEAST_VALUE]! ** response))) return no("dark");
  if (maps.length > 1 && aimSpread(first, maps[1]!) < LEAST_AIM) return no("aim");
  const lens = maps.length > 1 ? vignettingOf(first, maps[1]!) : null;
  if (maps.length > 1 && !lens) return no("aim");
  const { nx, ny, cellMm } = first;
  const camera = cameraOf(first, o.focalPx ?? null);
  const each = maps.map((m, k) => corrected(m, lens, k));
  const fall = fallOver(first, camera);
  const tilt = o.falloff ?? 0;
  const rgb = ([0, 1, 2] as const).map((ch) => {
    const out = new Float32Array(nx * ny);
    for (let i = 0; i < out.length; i++) {
      let s = 0;
      for (const m of each) s += m[ch]![i]!;
      out[i] = s / each.length / (tilt ? fall[i]! ** tilt : 1);
    }
    return out;
  }) as [Float32Array, Float32Array, Float32Array];
  const light = luminance(rgb);
  const centre = meanOver(light, spotAt(nx, ny, cellMm, 0.5, 0.5));
  const single = each.map(luminance);
  // What only one aim shows is noise or the camera's own; what both show is the panel's.
  const both = maps.length > 1 ? single.map((l) => findDips(l, nx, ny, cellMm)) : [];
  const edges = findDips(light, nx, ny, cellMm).flatMap((x) => inAll(x, both));
  const seam = rimSeam(light, nx, ny, cellMm);
  const sharpened = seam > SEAM;
  const rows = Object.fromEntries(
    SCHEMES.map((n) => [n, rowOf(n, { nx, ny, cellMm, rgb, light, centre, fall, tilt, single, lens: !!lens })]),
  ) as Record<Scheme, EvennessRow>;
  const marks = findMarks(light, nx, ny, cellMm).filter(
    (m) =>
      !atDip(m, edges, nx * cellMm, ny * cellMm) &&
      (!sharpened || rimOf(m, nx * cellMm, ny * cellMm) > RIM_MM) &&
      (maps.length < 2 || maps.every((q) => contrastIn(q.rgb[1], nx, ny, cellMm, m) / m.contrast > STANDS)),
  );
  return {
    ok: true,
    vignettingRemoved: lens !== null,
    camera: { xMm: camera.xMm, yMm: camera.yMm, zMm: camera.zMm },
    rows,
    marks,
    edges,
    dead: deadZones(light, centre, nx, ny, cellMm),
    sharpened,
    warnings: [
      ...warningsOf(maps, camera, o),
      ...(sharpened
        ? [
            `The phone sharpens its pictures: a bright seam of ${(seam * 100).toFixed(0)} % along every edge. Marks within ${RIM_MM} mm of the rim cannot be told: take both again without its enhancements, or with another camera program.`,
          ]
        : []),
    ],
    map: { nx, ny, cellMm, light: blurred(centre > 0 ? light.map((v) => v / centre) : light, nx, ny, SHOWN_MM / cellMm) },
  };
}

const rimOf = (m: { xMm: number; yMm: number }, w: number, h: number): number => Math.min(m.xMm, w - m.xMm, m.yMm, h - m.yMm);

/** An edge with the dips every aim shows; none where no dip is left. */
function inAll(x: EdgeDips, each: readonly (readonly EdgeDips[])[]): EdgeDips[] {
  const dips = x.dips.filter((d) =>
    each.every((one) => one.some((y) => y.edge === x.edge && y.dips.some((q) => Math.abs(q.atMm - d.atMm) <= SAME_DIP_MM))),
  );
  if (dips.length === 0) return [];
  return [{ ...x, dips, periodMm: dips.length === x.dips.length ? x.periodMm : null }];
}

const luminance = (m: readonly Float32Array[]): Float32Array => {
  const [r, g, b] = m as [Float32Array, Float32Array, Float32Array];
  const out = new Float32Array(r.length);
  for (let i = 0; i < out.length; i++) out[i] = 0.2126 * r[i]! + 0.7152 * g[i]! + 0.0722 * b[i]!;
  return out;
};

/** A photo's map with the lens taken off, its gain that of the first. */
function corrected(m: PanelMap, lens: readonly Vignetting[] | null, k: number): Float32Array[] {
  if (!lens) return m.rgb;
  return m.rgb.map((channel, ch) => {
    const { a, b, gain } = lens[ch]!;
    const out = new Float32Array(channel.length);
    for (let i = 0; i < out.length; i++) {
      const r = m.r2[i]!;
      out[i] = channel[i]! * Math.exp(-a * r - b * r * r + (k ? gain : 0));
    }
    return out;
  });
}

/** Cosine of the viewing angle of each cell. */
function fallOver(m: PanelMap, c: { xMm: number; yMm: number; zMm: number }): Float32Array {
  const { nx, ny, cellMm } = m;
  const out = new Float32Array(nx * ny);
  for (let y = 0; y < ny; y++)
    for (let x = 0; x < nx; x++) {
      const dx = (x + 0.5 - nx / 2) * cellMm - c.xMm;
      const dy = (y + 0.5 - ny / 2) * cellMm - c.yMm;
      out[y * nx + x] = c.zMm > 0 ? c.zMm / Math.hypot(dx, dy, c.zMm) : 1;
    }
  return out;
}

interface Measured {
  nx: number;
  ny: number;
  cellMm: number;
  rgb: readonly Float32Array[];
  light: Float32Array;
  centre: number;
  fall: Float32Array;
  tilt: number;
  single: readonly Float32Array[];
  lens: boolean;
}

/** One scheme of points: ratio, its uncertainty, and how far colours lie apart. */
function rowOf(n: Scheme, m: Measured): EvennessRow {
  const spots = POINTS[n].map(([x, y]) => spotAt(m.nx, m.ny, m.cellMm, x, y));
  const at = (map: Float32Array) => spots.map((s) => meanOver(map, s));
  const light = at(m.light);
  const [r, g, b] = m.rgb.map(at) as [number[], number[], number[]];
  const points = POINTS[n].map(
    ([x, y], i): EvennessPoint => ({
      x,
      y,
      light: m.centre > 0 ? light[i]! / m.centre : 0,
      uv: chroma(r[i]!, g[i]!, b[i]!),
    }),
  );
  let colourShift = 0;
  for (const p of points)
    for (const q of points) colourShift = Math.max(colourShift, Math.hypot(p.uv[0] - q.uv[0], p.uv[1] - q.uv[1]));
  // What the viewing angle may do: no fall-off, and the steepest (E).
  const angle = at(m.fall);
  const under = (k: number) => ratio(light.map((l, i) => l / angle[i]! ** (k - m.tilt)));
  const band = Math.abs(under(4) - under(0)) / 4;
  const ratios = m.single.map((s) => ratio(at(s)));
  const noise = ratios.length > 1 ? Math.abs(ratios[0]! - ratios[1]!) / 2 : 0.003;
  return {
    points,
    minOverMax: ratio(light),
    sigma: Math.hypot(m.lens ? LENS_TWO : LENS_ONE, TONE, band, noise),
    colourShift,
  };
}

const ratio = (v: readonly number[]): number => {
  const most = Math.max(...v);
  return most > 0 ? Math.max(0, Math.min(...v)) / most : 0;
};

function deadZones(light: Float32Array, centre: number, nx: number, ny: number, cellMm: number) {
  const mask = Uint8Array.from(light, (v) => (v < DEAD * centre ? 1 : 0));
  return parts(mask, nx, ny, DEAD_MM2 / cellMm / cellMm).map((c) => {
    let x = 0;
    let y = 0;
    for (const i of c) {
      x += (i % nx) / c.length;
      y += Math.floor(i / nx) / c.length;
    }
    return { xMm: (x + 0.5) * cellMm, yMm: (y + 0.5) * cellMm, areaMm2: c.length * cellMm * cellMm };
  });
}

function warningsOf(maps: readonly PanelMap[], c: { xMm: number; yMm: number; zMm: number }, o: EvennessOptions): string[] {
  const out: string[] = [];
  const second = maps[1] && cameraOf(maps[1], o.focalPx ?? null);
  if (second) {
    const apart = Math.hypot(second.xMm - c.xMm, second.yMm - c.yMm, second.zMm - c.zMm);
    if (apart > PLACE_MM)
      out.push(`The phone moved by about ${Math.round(apart)} mm between the photos: only pivot it, the lens in its place.`);
  } else out.push("One photo only: the lens is still in the figures, so they are less certain.");
  return out;
}
