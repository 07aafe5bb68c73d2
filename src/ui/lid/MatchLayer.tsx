import type { Build } from "@/core/build";
import type { FitRow, Panel } from "@/core/panel";
import { mm, SOURCE_WORDS } from "@/core/quantity";
import { type Frame, fx, fy } from "../draw/Ground";
import { PanelShape } from "./PanelShape";
import { useScreen } from "./screen";
import { detailsOf } from "./snap";

/** What is compared on the drawing. */
export interface Compared {
  panel: Panel | null;
  /** The field the walk stands on. */
  field: string | null;
  rows: readonly FitRow[];
}

const W = 206;
const H = 100;

/** Old over new in mm: who is who, the lengths that count, and cut-outs of the places that differ. */
export function MatchLayer({
  f,
  build,
  old,
  panel,
  field,
  rows,
}: {
  f: Frame;
  build: Build;
  old: Panel;
  panel: Panel;
  field: string | null;
  rows: readonly FitRow[];
}) {
  const { pxPerMm } = useScreen();
  const at = build.lid.panelAt;
  const o = old.outline.value;
  const n = panel.outline.value;
  const wide = o ?? n;
  if (!wide) return null;
  const row = (name: string) => rows.find((r) => r.field === name);
  // Below the two names, whatever the size.
  const y = Math.max(fy(f, at.yMm + wide.heightMm * 0.46), fy(f, at.yMm) + 150);
  const x = fx(f, at.xMm + wide.widthMm - 30);
  const left = fx(f, at.xMm);
  const right = fx(f, at.xMm + wide.widthMm);
  const top = fy(f, at.yMm);
  const bottom = fy(f, at.yMm + wide.heightMm);
  const both = (a: number | undefined, b: number | undefined): [string, string] =>
    a !== undefined && b !== undefined && Math.abs(a - b) < 0.05
      ? [`${mm(a)} both`, ""]
      : [a === undefined ? "not known" : mm(a), b === undefined ? "not known" : mm(b)];
  const [w1, w2] = both(o?.widthMm, n?.widthMm);
  const [h1, h2] = both(o?.heightMm, n?.heightMm);
  const base = fy(f, build.lid.heightMm) + 12;
  const name = (p: Panel, words: string, dy: number, kind: "old" | "new") => (
    <g>
      <path
        d={`M${left + 28} ${top + dy}h44`}
        className={`${kind === "old" ? "oldp" : "newp"} ev-${p.outline.value ? p.outline.source : "G"}`}
      />
      <text x={left + 84} y={top + dy + 3} className={`t18 fb mono halo ${kind === "old" ? "i1" : "ip"}`}>
        {p.code}
      </text>
      <text x={left + 84} y={top + dy + 22} className="t15 i2 halo">
        {words}
      </text>
    </g>
  );
  const known = (p: Panel) => (p.outline.value ? `outline ${SOURCE_WORDS[p.outline.source]}` : "outline not known");
  return (
    <g data-layer="compared">
      {name(old, `Old panel, ${known(old)}`, 40, "old")}
      {name(panel, `Candidate, ${known(panel)}`, 92, "new")}
      <g className="dense">
        <path
          d={`M${left} ${y}H${right}M${left} ${y - 5}v10M${right} ${y - 5}v10M${x} ${top}V${bottom}M${x - 5} ${top}h10M${x - 5} ${bottom}h10`}
          className="pen1 sink"
        />
        <text x={(left + right) / 2} y={y - 7} className="t16 fb mono i1 halo" textAnchor="middle">
          {w1}
        </text>
        {w2 && (
          <text x={(left + right) / 2} y={y + 19} className="t16 fb mono ip halo" textAnchor="middle">
            {w2}
          </text>
        )}
        <text x={x - 9} y={y + 56} className="t16 fb mono i1 halo" textAnchor="end">
          {h1}
        </text>
        {h2 && (
          <text x={x - 9} y={y + 76} className="t16 fb mono ip halo" textAnchor="end">
            {h2}
          </text>
        )}
      </g>
      {detailsOf(build, old, panel, rows).map((d, i) => {
        const bx = 14 + i * (W + 12);
        const s = pxPerMm * d.scale;
        const inner: Frame = { ox: W / 2 - d.xMm * s, oy: H / 2 - d.yMm * s, s };
        const r = row(d.field);
        const on = d.field === field;
        return (
          <g key={d.letter} className="dense" data-detail={d.letter}>
            {d.at && (
              <g className={`bal${on ? " nw" : ""}`}>
                <path d={`M${fx(f, d.at.xMm)} ${fy(f, d.at.yMm)}V${fy(f, d.at.yMm) - 42}`} className="pen1 sink" />
                <rect x={fx(f, d.at.xMm) - 11} y={fy(f, d.at.yMm) - 64} width={22} height={22} />
                <text x={fx(f, d.at.xMm)} y={fy(f, d.at.yMm) - 48} className="t15 fb" textAnchor="middle">
                  {d.letter}
                </text>
              </g>
            )}
            <svg x={bx} y={base} width={W} height={H} viewBox={`0 0 ${W} ${H}`} style={{ overflow: "hidden" }} aria-hidden="true">
              <rect width={W} height={H} className="detail" />
              {d.field === "thicknessMm" ? (
                <Thickness old={old} panel={panel} depthMm={build.lid.pocketDepthMm} s={s} />
              ) : (
                <>
                  <PanelShape f={inner} at={{ xMm: 0, yMm: 0 }} panel={old} kind="old" />
                  <PanelShape f={inner} at={{ xMm: 0, yMm: 0 }} panel={panel} kind="new" />
                </>
              )}
              <rect width={W} height={H} className={on ? "nowline" : "pen2 sink"} style={on ? { strokeWidth: 5 } : undefined} />
              <rect width={62} height={21} className="pf" />
              <text x={8} y={16} className="t15 fb onfill">
                {d.letter} {d.scale}:1
              </text>
              <text x={W - 7} y={d.field === "connectorAt" ? 17 : H - 8} className="t15 fb i1 halo onsheet" textAnchor="end">
                {r?.words ?? ""}
              </text>
            </svg>
          </g>
        );
      })}
      <EvidenceLegend y={base + H + 17} />
    </g>
  );
}

/** Old and new side by side in the pocket, in section. */
function Thickness({ old, panel, depthMm, s }: { old: Panel; panel: Panel; depthMm: number; s: number }) {
  const floor = H - 28;
  const bar = (p: Panel, x: number, kind: "old" | "new") => {
    const t = p.thicknessMm.value;
    return t === null ? (
      <text x={x + 28} y={floor - 8} className="t15 i2" textAnchor="middle">
        unknown
      </text>
    ) : (
      <g>
        <rect x={x} y={floor - t * s} width={56} height={t * s} className={kind === "new" ? "newp solid" : "glass pen2"} />
        <text x={x + 28} y={floor - 7} className={`t15 fb mono ${kind === "new" ? "onfill" : "i1"}`} textAnchor="middle">
          {mm(t)}
        </text>
      </g>
    );
  };
  return (
    <g>
      <rect x={0} y={floor} width={W} height={H - floor} style={{ fill: "url(#hMetal)" }} />
      <path d={`M0 ${floor}H${W}`} className="pen2 sink" />
      <path d={`M66 ${floor - depthMm * s}H${W}`} className="pen1 sink" strokeDasharray="7 3" />
      <text x={W - 6} y={Math.max(14, floor - depthMm * s - 5)} className="t14 i2" textAnchor="end">
        pocket {mm(depthMm)}
      </text>
      {bar(old, 12, "old")}
      {bar(panel, 78, "new")}
    </g>
  );
}

/** The five lines, and what each says. */
function EvidenceLegend({ y }: { y: number }) {
  const items: [string, string, number][] = [
    ["M", "M measured", 122],
    ["L", "L label, E EDID", 142],
    ["D", "D datasheet", 128],
    ["S", "S seller", 104],
    ["G", "G guessed", 110],
  ];
  let x = 16;
  return (
    <g className="dense">
      {items.map(([ev, words, step]) => {
        const at = x;
        x += step;
        return (
          <g key={ev}>
            <path d={`M${at} ${y - 4}h26`} className={`oldp ev-${ev}`} />
            <text x={at + 32} y={y} className="t14 i2">
              {words}
            </text>
          </g>
        );
      })}
    </g>
  );
}
