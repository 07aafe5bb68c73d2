import type { Rect } from "../build";
import type { Jet, Mat } from "./acts";
import type { Edge, Face, LidModel, PlacedPiece } from "./lid";
import type { PlanHeatOptions, Segment } from "./planTypes";

/** Shortest stretch a piece is cut into, mm. */
const SHORTEST_MM = 30;

/**
 * The stretches of the pieces, each cut into so many; null where one is longer than the mat.
 * @example segmentsOf([], 2, heatOptions) // []
 */
export function segmentsOf(pieces: readonly PlacedPiece[], count: number, o: PlanHeatOptions): Segment[] | null {
  const list: Segment[] = [];
  for (const piece of pieces) {
    const n = Math.max(1, Math.min(count, Math.floor(piece.lengthMm / SHORTEST_MM)));
    const length = piece.lengthMm / n;
    if (o.means.by === "mat" && length > Math.max(o.means.widthMm, o.means.heightMm) + 1e-9) return null;
    for (let k = 0; k < n; k++) {
      const at = (piece.along === "x" ? piece.rect.xMm : piece.rect.yMm) + k * length;
      list.push({
        piece,
        fromMm: at,
        toMm: at + length,
        rect: piece.along === "x" ? { ...piece.rect, xMm: at, widthMm: length } : { ...piece.rect, yMm: at, heightMm: length },
        needS: length / (o.pickMmS ?? 8) + (o.marginS ?? 4),
      });
    }
  }
  return list;
}

/** A mat over a stretch, as far in the pocket as it goes, the long way where that covers more. */
function matOver(m: LidModel, s: Segment, widthMm: number, heightMm: number): Rect {
  const along = s.piece.along === "x";
  const [w, h] = along === widthMm >= heightMm ? [widthMm, heightMm] : [heightMm, widthMm];
  const d = m.domain;
  const place = (mid: number, size: number, from: number, length: number) =>
    size >= length ? from + (length - size) / 2 : Math.min(from + length - size, Math.max(from, mid - size / 2));
  return {
    xMm: place(s.rect.xMm + s.rect.widthMm / 2, w, d.xMm, d.widthMm),
    yMm: place(s.rect.yMm + s.rect.heightMm / 2, h, d.yMm, d.heightMm),
    widthMm: w,
    heightMm: h,
  };
}

const edgeOf = (p: PlacedPiece, m: LidModel): Edge => {
  if ((p.along === "x") === (p.edge === "top" || p.edge === "bottom")) return p.edge;
  // A tab that lies across its edge: the nozzle goes along it, from the nearer side.
  const d = m.domain;
  return p.along === "x"
    ? p.rect.yMm + p.rect.heightMm / 2 < d.yMm + d.heightMm / 2
      ? "top"
      : "bottom"
    : p.rect.xMm + p.rect.widthMm / 2 < d.xMm + d.widthMm / 2
      ? "left"
      : "right";
};

/**
 * What heats a stretch: a nozzle along it, or a mat over it.
 * @example heatOf(heatLid, "back", heatOptions, 60, segmentsOf(heatLid.inner.placed, 2, heatOptions)[0], true).do // "mat"
 */
export function heatOf(m: LidModel, face: Face, o: PlanHeatOptions, set: number, s: Segment, first: boolean): Jet | Mat {
  if (o.means.by === "mat") {
    const { by: _, setC: _all, widthMm, heightMm, ...own } = o.means;
    return {
      do: "mat",
      face,
      rect: matOver(m, s, widthMm, heightMm),
      setC: set,
      ...own,
      // It lies on its stand meanwhile, warm.
      ...(first ? {} : { warm: true }),
    };
  }
  return {
    do: "jet",
    edge: edgeOf(s.piece, m),
    fromMm: s.fromMm,
    toMm: s.toMm,
    insetMm: o.insetMm ?? 10,
    tool: o.means.tool,
    nozzleC: set,
    standOffMm: o.means.standOffMm,
    ...(o.means.cal === undefined || o.means.cal === 1 ? {} : { cal: o.means.cal }),
  };
}
