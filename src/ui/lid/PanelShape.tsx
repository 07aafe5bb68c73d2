import type { Rect } from "@/core/build";
import type { Panel } from "@/core/panel";
import { type Frame, fl, fx, fy } from "../draw/Ground";

export const Box = ({ f, r, className, rx = 0, fill }: { f: Frame; r: Rect; className: string; rx?: number; fill?: string }) => (
  <rect
    x={fx(f, r.xMm)}
    y={fy(f, r.yMm)}
    width={fl(f, r.widthMm)}
    height={fl(f, r.heightMm)}
    rx={rx ? fl(f, rx) : undefined}
    className={className}
    style={fill ? { fill } : undefined}
  />
);

/** A connector's body as it is drawn, mm. */
const PLUG = { widthMm: 26, heightMm: 6.8 };

/** Where a tab lies, mm from the outline's top-left corner. */
export function tabRect(t: NonNullable<Panel["tabs"]["value"]>[number], o: { widthMm: number; heightMm: number }): Rect {
  return t.edge === "left" || t.edge === "right"
    ? { xMm: t.edge === "left" ? -t.outMm : o.widthMm, yMm: t.atMm, widthMm: t.outMm, heightMm: t.widthMm }
    : { xMm: t.atMm, yMm: t.edge === "top" ? -t.outMm : o.heightMm, widthMm: t.widthMm, heightMm: t.outMm };
}

/** A panel's outline, tabs and connector at its place in the lid; the line tells how the outline is known. */
export function PanelShape({
  f,
  at,
  panel,
  kind,
}: {
  f: Frame;
  at: { xMm: number; yMm: number };
  panel: Panel;
  kind: "old" | "new";
}) {
  const o = panel.outline.value;
  if (!o) return null;
  const cls = kind === "old" ? "oldp" : "newp";
  const c = panel.connectorAt.value;
  const moved = (r: Rect): Rect => ({ ...r, xMm: at.xMm + r.xMm, yMm: at.yMm + r.yMm });
  return (
    <g data-panel={kind}>
      {kind === "new" && <Box f={f} r={{ ...at, ...o }} className="newp wash" />}
      <Box f={f} r={{ ...at, ...o }} className={`${cls} ev-${panel.outline.source}`} />
      {panel.tabs.value?.map((t, i) => (
        <Box
          key={i}
          f={f}
          r={moved(tabRect(t, o))}
          className={`${cls} pen2`}
          fill={kind === "old" ? "url(#hMetal)" : undefined}
        />
      ))}
      {c && (
        <Box
          f={f}
          r={moved({ xMm: c.xMm - PLUG.widthMm / 2, yMm: c.yMm - PLUG.heightMm / 2, ...PLUG })}
          className={kind === "new" ? "newp solid" : "oldp pen3"}
        />
      )}
    </g>
  );
}
