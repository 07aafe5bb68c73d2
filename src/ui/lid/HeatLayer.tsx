import type { Rect } from "@/core/build";
import type { HeatSeen, Ring } from "@/core/heat";
import { type Frame, fx, fy } from "../draw/Ground";
import { Box } from "./PanelShape";

/** A warming as the drawing shows it. */
export interface HeatShown {
  seen: HeatSeen;
  softC: number;
  pocket: Rect;
  /** Read on the cover: measured, with its place. */
  reads: readonly { xMm: number; yMm: number; surfaceC: number }[];
  /** Where something heats now. */
  tool: Rect | null;
}

const BANDS = ["heat-1", "heat-2", "heat-3", "heat-4", "heat-5"] as const;
/** The fill of what is at or over a temperature: the last band is what lets go and more. */
const bandOf = (c: number, softC: number): string => BANDS[c >= softC + 8 ? 4 : c >= softC ? 3 : c >= 42 ? 2 : c >= 34 ? 1 : 0]!;

const path = (f: Frame, rings: readonly Ring[]): string =>
  rings.map((r) => `${r.map(([x, y], i) => `${i ? "L" : "M"}${fx(f, x)} ${fy(f, y)}`).join("")}Z`).join("");

/** A ring closes along the pocket's edge, its corners half a cell in. mm. */
const EDGE_MM = 2.5;

/** Only what runs inside the pocket is a line of temperature; the rest of a ring is the pocket's own edge. */
function inner(f: Frame, rings: readonly Ring[], p: Rect): string {
  const atEdge = ([x, y]: Ring[number]) =>
    x <= p.xMm + EDGE_MM || x >= p.xMm + p.widthMm - EDGE_MM || y <= p.yMm + EDGE_MM || y >= p.yMm + p.heightMm - EDGE_MM;
  let d = "";
  for (const r of rings) {
    let down = false;
    for (const [i, at] of r.entries()) {
      const before = r[i - 1];
      const runs = before !== undefined && !(atEdge(before) && atEdge(at));
      if (runs && !down) d += `M${fx(f, before[0])} ${fy(f, before[1])}`;
      if (runs) d += `L${fx(f, at[0])} ${fy(f, at[1])}`;
      down = runs;
    }
  }
  return d;
}

/** The point of a line for its figure: as near the pocket's middle height as it comes, clear of the edge. */
function labelAt(rings: readonly Ring[], p: Rect): [number, number] | null {
  const inside = rings
    .flat()
    .filter(([x, y]) => x > p.xMm + 12 && x < p.xMm + p.widthMm - 12 && y > p.yMm + 6 && y < p.yMm + p.heightMm - 6);
  if (!inside.length) return null;
  const mid = p.yMm + p.heightMm * 0.45;
  return inside.reduce((a, b) => (Math.abs(b[1] - mid) < Math.abs(a[1] - mid) ? b : a));
}

/** The cover's surface as the model has it: dashed lines are modelled, a cross is measured, the heavy line is where tape lets go. */
export function HeatLayer({ f, heat }: { f: Frame; heat: HeatShown }) {
  const { seen, softC, pocket } = heat;
  let last: [number, number] | null = null;
  return (
    <g data-layer="heat">
      {seen.lines.map((l) => (
        <path key={l.c} d={path(f, l.rings)} className={bandOf(l.c, softC)} fillRule="evenodd" />
      ))}
      {heat.tool && <Box f={f} r={heat.tool} className="heat-tool" />}
      {seen.lines.map((l) => (
        <path key={l.c} d={inner(f, l.rings, pocket)} className={l.c === softC ? "isotherm soft" : "isotherm"} />
      ))}
      {seen.lines.map((l) => {
        const at = labelAt(l.rings, pocket);
        if (!at) return null;
        const [x, y] = [fx(f, at[0]), fy(f, at[1])];
        // Lines that lie close share one figure: the warmer is drawn first on the way in, the colder is read off it.
        if (last && Math.abs(last[1] - y) < 17 && Math.abs(last[0] - x) < 60) return null;
        last = [x, y];
        return (
          <text key={l.c} x={x} y={y + 5} className={`t15 mono halo i1${l.c === softC ? " fb" : ""}`} textAnchor="middle">
            {l.c}°
          </text>
        );
      })}
      {heat.reads.map((r) => (
        <g key={`${r.xMm} ${r.yMm} ${r.surfaceC}`}>
          <path
            d={`M${fx(f, r.xMm) - 7} ${fy(f, r.yMm)}h14M${fx(f, r.xMm)} ${fy(f, r.yMm) - 7}v14`}
            className="pen3"
            fill="none"
          />
          <text x={fx(f, r.xMm)} y={fy(f, r.yMm) - 12} className="t18 mono fb i1 halo" textAnchor="middle">
            {r.surfaceC.toFixed(1)}
          </text>
        </g>
      ))}
      {seen.coldest && (
        <g>
          <circle cx={fx(f, seen.coldest.xMm)} cy={fy(f, seen.coldest.yMm)} r={8} className="pen3 heat-cold" />
          <text x={fx(f, seen.coldest.xMm) + 13} y={fy(f, seen.coldest.yMm) + 5} className="t15 fb i1 halo">
            coldest {Math.round(seen.coldest.c)}°
          </text>
        </g>
      )}
    </g>
  );
}
