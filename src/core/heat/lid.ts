import type { Build, Rect } from "../build";
import { airGap, FILMS, type Layer, LCD, mix, REFLECTOR, sheet } from "./layers";
import { type Grid, type Network, network, type RectMm, shares } from "./network";
import { COVERS, type Cover, type CoverKind, FIGURES, MATERIALS } from "./properties";

export type Face = "back" | "front";
export type Edge = "left" | "right" | "top" | "bottom";
export type Construction = "rearTaped" | "glassFront";

/** Something of a lid that may get too hot. */
export const THINGS = ["surface", "cover", "film", "lcd", "battery"] as const;
export type Thing = (typeof THINGS)[number];

/** Where a battery lies, and what against: the cover, or the layer farthest from the heat. */
export interface BatteryZone {
  rect: Rect;
  against: "cover" | "far";
  contactWm2K?: number;
}

export interface LidOptions {
  cover: CoverKind | Cover;
  coverMm?: number;
  construction?: Construction;
  tapeKWmK?: number;
  eps?: number;
  epsFront?: number;
  ambientC?: number;
  hBackWm2K?: number;
  hFrontWm2K?: number;
  /** 4 for a live run, 6 for a search. */
  cellMm?: number;
  battery?: BatteryZone;
}

/** A stretch of tape that really carries: a strip or pull tab between its keep-outs. */
export interface Piece {
  id: string;
  tape: string;
  edge: Edge;
  lengthMm: number;
}

/** A piece with where it lies. */
export interface PlacedPiece extends Piece {
  rect: RectMm;
  /** Lies along x. */
  along: "x" | "y";
}

/** Which layer is what, counted from the heated face. */
export interface LayerOf {
  cover: number;
  tape: number;
  film: number;
  lcd: number;
}

/** One face heated: its network, its layers by name, how both faces radiate and what still air takes from them. */
export interface HeatedFace {
  net: Network;
  of: LayerOf;
  eps: { heated: number; far: number };
  h: { heated: number; far: number };
}

export interface LidModel {
  nx: number;
  ny: number;
  /** The pocket: what lies beyond it is left out. */
  domain: Rect;
  pieces: Piece[];
  /** Heat capacities in J/K, five layers of `nx` by `ny`, layer-major from the heated face, rows down. */
  capacityJK(face?: Face): Float64Array;
  /** What the solvers of this folder need of it. */
  readonly inner: LidInner;
}

export interface LidInner {
  grid: Grid;
  placed: PlacedPiece[];
  /** Share of tape of every cell. */
  share: Float64Array;
  /** What was asked, to make the same lid with other cells. */
  build: Pick<Build, "lid" | "tapes">;
  options: LidOptions;
  coverOf: Cover;
  construction: Construction;
  ambientC: number;
  face(f: Face): HeatedFace;
}

/** Shortest stretch between keep-outs that is a piece, mm. */
const SHORTEST_MM = 0.5;

/** Stretches of every tape that really carry tape: its length less its keep-outs, from its left or upper end. */
function piecesOf(tapes: Build["tapes"]): PlacedPiece[] {
  return tapes.flatMap((t) => {
    const s = t.shape;
    const along = s.widthMm >= s.heightMm ? ("x" as const) : ("y" as const);
    const length = along === "x" ? s.widthMm : s.heightMm;
    const spans: [number, number][] = [];
    let from = 0;
    const outs = t.keepOuts.filter((k) => k.toMm > 0 && k.fromMm < length).sort((a, b) => a.fromMm - b.fromMm);
    for (const k of outs) {
      if (k.fromMm - from > SHORTEST_MM) spans.push([from, k.fromMm]);
      from = Math.max(from, k.toMm);
    }
    if (length - from > SHORTEST_MM) spans.push([from, length]);
    return spans.map(([a, b], i) => ({
      id: spans.length === 1 ? t.id : `${t.id}.${i + 1}`,
      tape: t.id,
      edge: t.edge,
      lengthMm: b - a,
      along,
      rect: along === "x" ? { ...s, xMm: s.xMm + a, widthMm: b - a } : { ...s, yMm: s.yMm + a, heightMm: b - a },
    }));
  });
}

/**
 * A cover by its kind, or as it was measured, at a thickness of its own where one is given.
 * @example coverOf("al").mm // 0.9
 */
export function coverOf(cover: CoverKind | Cover, mm?: number): Cover {
  const c = typeof cover === "string" ? COVERS[cover] : cover;
  return mm === undefined ? c : { ...c, mm };
}

/**
 * A lid as heat sees it, from the machine's own data: five layers over the pocket, tape by its share of every cell.
 * @param b lid and tapes of a build, mm
 * @param o cover and what else is known; what is missing is a named estimate of `FIGURES`
 * @throws RangeError where a figure is no figure or out of all reason
 * @example lidModel(build, { cover: "pcabs" }).pieces.length > 0 // true
 */
export function lidModel(b: Pick<Build, "lid" | "tapes">, o: LidOptions): LidModel {
  const domain = b.lid.pocket;
  const cell = positive("cellMm", o.cellMm ?? 4);
  const nx = Math.max(3, Math.round(domain.widthMm / cell));
  const ny = Math.max(3, Math.round(domain.heightMm / cell));
  const grid: Grid = {
    nx,
    ny,
    x0Mm: domain.xMm,
    y0Mm: domain.yMm,
    dxMm: domain.widthMm / nx,
    dyMm: domain.heightMm / ny,
  };
  const placed = piecesOf(b.tapes);
  const share = shares(
    grid,
    placed.map((p) => p.rect),
  );
  const cover = coverOf(o.cover, o.coverMm);
  for (const k of ["kWmK", "rhoKgM3", "cpJkgK", "mm"] as const) positive(`cover.${k}`, cover[k]);
  const construction = o.construction ?? "rearTaped";
  const faces = new Map<Face, HeatedFace>();
  const inner: LidInner = {
    grid,
    placed,
    share,
    build: b,
    options: o,
    coverOf: cover,
    construction,
    ambientC: o.ambientC ?? FIGURES.roomC.value,
    face(f) {
      const known = faces.get(f);
      if (known) return known;
      const made = heatedFace(inner, f);
      faces.set(f, made);
      return made;
    },
  };
  return {
    nx,
    ny,
    domain,
    pieces: placed.map(({ id, tape, edge, lengthMm }) => ({ id, tape, edge, lengthMm })),
    capacityJK: (face = "back") => inner.face(face).net.c.slice(),
    inner,
  };
}

function positive(name: string, x: number): number {
  if (!(x > 0) || !Number.isFinite(x)) throw new RangeError(`${name}: read ${x}, expected more than 0`);
  return x;
}

function heatedFace(lid: LidInner, face: Face): HeatedFace {
  const { grid, share, options: o, coverOf: c, construction } = lid;
  const tapeMm = Math.max(0, ...lid.build.tapes.map((t) => t.thicknessMm)) || FIGURES.tapeMm.value;
  const tape = sheet({ ...MATERIALS.tape, kWmK: o.tapeKWmK ?? MATERIALS.tape.kWmK }, tapeMm);
  const cover = sheet(c, c.mm);
  const beside = (taped: Layer, bare: Layer) => (cell: number) => mix(taped, bare, share[cell]!);
  let layers: (Layer | ((cell: number) => Layer))[];
  let of: LayerOf;
  let noPlane: number[];
  if (construction === "rearTaped") {
    layers = [cover, beside(tape, airGap(tapeMm)), REFLECTOR, FILMS, LCD];
    of = { cover: 0, tape: 1, film: 3, lcd: 4 };
    noPlane = [1];
  } else {
    // The rim's mass lies where it is; what it passes along is carried by the last layer.
    const rimMm = FIGURES.rimMm.value;
    const half = sheet(c, rimMm / 2);
    const rimmed: Layer = { ...cover, kIn: (cover.kIn * (c.mm + rimMm)) / c.mm };
    layers = [
      sheet(MATERIALS.glass, FIGURES.glassMm.value),
      beside(tape, LCD),
      beside(half, FILMS),
      beside(half, airGap(FIGURES.rimGapMm.value)),
      beside(rimmed, cover),
    ];
    of = { cover: 4, tape: 1, film: 2, lcd: 1 };
    noPlane = [2, 3];
  }
  // The stack is written from the back of a rear-taped lid, from the front of a glass one.
  if ((face === "back") !== (construction === "rearTaped")) {
    layers.reverse();
    of = { cover: 4 - of.cover, tape: 4 - of.tape, film: 4 - of.film, lcd: 4 - of.lcd };
    noPlane = noPlane.map((l) => 4 - l);
  }
  const eps = { back: o.eps ?? c.eps, front: o.epsFront ?? FIGURES.epsFront.value };
  const h = { back: o.hBackWm2K ?? FIGURES.airBackWm2K.value, front: o.hFrontWm2K ?? FIGURES.airFrontWm2K.value };
  const other: Face = face === "back" ? "front" : "back";
  return {
    net: network(grid, layers, noPlane),
    of,
    eps: { heated: eps[face], far: eps[other] },
    h: { heated: h[face], far: h[other] },
  };
}
