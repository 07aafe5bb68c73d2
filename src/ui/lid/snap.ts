import type { Build } from "@/core/build";
import type { FitRow, Panel } from "@/core/panel";
import { tabRect } from "./PanelShape";

/** A place worth holding the real part against at 1:1, mm from the part's top-left corner. */
export interface SnapPoint {
  name: string;
  xMm: number;
  yMm: number;
}

const EDGE = { left: "left", right: "right", top: "top", bottom: "bottom" } as const;

/**
 * Where the drawing snaps at 1:1: the part's corners, its cables, then what stands on the panels compared: their corners
 * where they differ, their tabs and their connectors.
 * @example snapPoints(build, "lid", old, candidate)[0].name // "top left corner"
 */
export function snapPoints(build: Build | null, view: "lid" | "base", old: Panel | null, candidate: Panel | null): SnapPoint[] {
  const size = !build
    ? { w: 324, h: 216 }
    : view === "lid"
      ? { w: build.lid.widthMm, h: build.lid.heightMm }
      : { w: build.base.widthMm, h: build.base.depthMm };
  const points: SnapPoint[] = [
    { name: "top left corner", xMm: 0, yMm: 0 },
    { name: "top right corner", xMm: size.w, yMm: 0 },
    { name: "bottom left corner", xMm: 0, yMm: size.h },
    { name: "bottom right corner", xMm: size.w, yMm: size.h },
    ...(build?.connectors.filter((c) => c.view === view).map((c) => ({ name: c.name.toLowerCase(), xMm: c.xMm, yMm: c.yMm })) ??
      []),
  ];
  if (!build || view !== "lid") return points;
  const at = build.lid.panelAt;
  const add = (name: string, xMm: number, yMm: number) => {
    if (!points.some((p) => Math.hypot(p.xMm - xMm, p.yMm - yMm) < 1)) points.push({ name, xMm, yMm });
  };
  for (const [p, who] of [
    [old, "old"],
    [candidate, "new"],
  ] as const) {
    if (!p) continue;
    const o = p.outline.value;
    const c = p.connectorAt.value;
    if (c) add(`${who} connector`, at.xMm + c.xMm, at.yMm + c.yMm);
    if (!o) continue;
    for (const t of p.tabs.value ?? []) {
      const r = tabRect(t, o);
      add(`${who} ${EDGE[t.edge]} tab at ${t.atMm} mm`, at.xMm + r.xMm + r.widthMm / 2, at.yMm + r.yMm + r.heightMm / 2);
    }
    add(`${who} panel's bottom right corner`, at.xMm + o.widthMm, at.yMm + o.heightMm);
  }
  return points;
}

/** A cut-out beside the drawing: what it is of, its scale to the real size, and its middle, mm in the panel. */
export interface Detail {
  letter: string;
  field: string;
  scale: number;
  xMm: number;
  yMm: number;
  /** Where its balloon stands, mm in the part; null for a section. */
  at: { xMm: number; yMm: number } | null;
}

/** The three cut-outs of a comparison: the edge or tab that differs, the connector, the thickness in the pocket. */
export function detailsOf(build: Build, old: Panel, candidate: Panel, rows: readonly FitRow[]): Detail[] {
  const differs = (field: string) => rows.find((r) => r.field === field)?.verdict !== "same";
  const lid = build.lid.panelAt;
  const place = (xMm: number, yMm: number) => ({ xMm: lid.xMm + xMm, yMm: lid.yMm + yMm });
  const out: Omit<Detail, "letter">[] = [];
  const o = old.outline.value ?? candidate.outline.value;
  const tab = o && differs("tabs") ? [...(old.tabs.value ?? []), ...(candidate.tabs.value ?? [])].at(-1) : undefined;
  if (o && tab) {
    const r = tabRect(tab, o);
    const xMm = r.xMm + r.widthMm / 2;
    const yMm = r.yMm + r.heightMm / 2;
    out.push({ field: "tabs", scale: 2, xMm, yMm, at: place(xMm, yMm) });
  } else if (o)
    out.push({ field: "outline", scale: 2, xMm: o.widthMm - 9, yMm: o.heightMm - 2, at: place(o.widthMm - 9, o.heightMm) });
  const a = old.connectorAt.value;
  const b = candidate.connectorAt.value;
  const c = a && b ? { xMm: (a.xMm + b.xMm) / 2, yMm: (a.yMm + b.yMm) / 2 } : (a ?? b);
  if (c) out.push({ field: "connectorAt", scale: 1.2, ...c, at: place(c.xMm, c.yMm) });
  // The largest scale at which the pocket fits its cut-out.
  const deep = build.lid.pocketDepthMm;
  out.push({ field: "thicknessMm", scale: deep <= 3.5 ? 4 : deep <= 4.7 ? 3 : 2, xMm: 0, yMm: 0, at: null });
  return out.map((d, i) => ({ ...d, letter: "ABC"[i]! }));
}
