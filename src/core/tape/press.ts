import { type Build, EDGES, indexBuild } from "../build";
import { cutList } from "./cutList";

/** What a fingertip presses at a time, mm of strip; with how much, N; for how long, s (acrylic foam, about 0.10 MPa). */
export const PRESS = { placeMm: 15, forceN: 9, holdS: 10 } as const;

export interface PressEdge {
  edge: (typeof EDGES)[number];
  /** Fingertips along its strips. */
  places: number;
  /** The picture lead comes in here: pressed after all others. */
  last: boolean;
}

/**
 * Where a newly taped part is pressed: edge by edge along its strips, the edge its picture lead comes in at last. All at once would take
 * hundreds of newtons: a place at a time.
 * @example pressEdges(build).map((e) => e.edge) // ["left", "right"]
 */
export function pressEdges(build: Build): PressEdge[] {
  const { pocket } = build.lid;
  const b = indexBuild(build);
  const strips = b.build.subject.bringsTape
    ? build.tapes
        .filter((t) => t.holds === b.subject.id)
        .map((t) => ({ edge: t.edge, mm: Math.max(t.shape.widthMm, t.shape.heightMm) }))
    : cutList(build).map((p) => ({ edge: p.edge, mm: p.lengthMm }));
  const lead = b.subjectConnectors.find((c) => c.serves === "picture" && c.view === "lid");
  const far = lead && {
    left: lead.xMm - pocket.xMm,
    right: pocket.xMm + pocket.widthMm - lead.xMm,
    top: lead.yMm - pocket.yMm,
    bottom: pocket.yMm + pocket.heightMm - lead.yMm,
  };
  const last = far && EDGES.reduce((a, e) => (far[e] < far[a] ? e : a));
  return EDGES.flatMap((edge) => {
    const own = strips.filter((s) => s.edge === edge);
    return own.length
      ? [{ edge, places: own.reduce((n, s) => n + Math.ceil(s.mm / PRESS.placeMm), 0), last: edge === last }]
      : [];
  }).sort((a, b) => Number(a.last) - Number(b.last));
}
