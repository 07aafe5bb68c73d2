"use client";
import { confidenceColumn, FACT_LABEL, type FactName, factColumns, readPanelRow, sourceColumn } from "@/core/panel";
import { Hatches } from "../draw/Ground";
import { tabRect } from "../lid/PanelShape";
import { Cell, type FormHandle, SourcePick } from "./FactField";

/** Facts typed on the drawing. */
const DRAWN = ["outline", "active", "connectorAt", "thicknessMm", "lowerEdgeMm", "cableExit"] as const;
const W = 700;
const H = 470;

/**
 * The panel from behind, as it lies face down on the mat: left and right are swapped against the front, so every length
 * is drawn from the edge it is counted from, and typed there.
 */
export function PanelBack({ f }: { f: FormHandle }) {
  const read = readPanelRow(f.cells);
  const facts = read.ok ? read.patch.facts : lastGood(f);
  const outline = (facts.outline?.value as { widthMm: number; heightMm: number } | null | undefined) ?? null;
  const active = (facts.active?.value as { widthMm: number; heightMm: number } | null | undefined) ?? null;
  const activeAt = (facts.activeAt?.value as { xMm: number; yMm: number } | null | undefined) ?? null;
  const c = (facts.connectorAt?.value as { xMm: number; yMm: number } | null | undefined) ?? null;
  const tabs = (facts.tabs?.value as Parameters<typeof tabRect>[0][] | null | undefined) ?? null;
  const thick = (facts.thicknessMm?.value as number | null | undefined) ?? null;
  const o = outline ?? { widthMm: 310, heightMm: 190 };
  const s = Math.min(500 / o.widthMm, 320 / o.heightMm);
  const w = o.widthMm * s;
  const h = o.heightMm * s;
  const x0 = 92 + (500 - w) / 2;
  const y0 = 66 + (320 - h) / 2;
  // From behind: what is at the front's left is at the right here.
  const bx = (xMm: number) => x0 + w - xMm * s;
  const by = (yMm: number) => y0 + yMm * s;
  const penOf = (fact: FactName) => `oldp ev-${facts[fact]?.value === null || !facts[fact] ? "G" : facts[fact]!.source}`;
  return (
    <>
      <div className="panelback" style={{ width: W, height: H }}>
        <svg
          width={W}
          height={H}
          viewBox={`0 0 ${W} ${H}`}
          role="img"
          aria-label="The panel seen from behind"
          className="dw onmat"
        >
          <Hatches />
          <rect x={x0} y={y0} width={w} height={h} className={outline ? `${penOf("outline")} shellfill` : "ghost"} />
          {active && (
            <rect
              x={bx((activeAt?.xMm ?? (o.widthMm - active.widthMm) / 2) + active.widthMm)}
              y={by(activeAt?.yMm ?? (o.heightMm - active.heightMm) / 2)}
              width={active.widthMm * s}
              height={active.heightMm * s}
              className="hid"
            />
          )}
          {tabs?.map((t, i) => {
            const r = tabRect(t, o);
            return (
              <rect
                key={i}
                x={bx(r.xMm + r.widthMm)}
                y={by(r.yMm)}
                width={r.widthMm * s}
                height={r.heightMm * s}
                className={penOf("tabs")}
                style={{ fill: "url(#hMetal)" }}
              />
            );
          })}
          <rect x={x0 + w * 0.06} y={y0 + h * 0.12} width={250} height={92} className="glass pen1" />
          {c && (
            <>
              <rect
                x={bx(c.xMm + 13)}
                y={by(c.yMm - 3.4)}
                width={26 * s}
                height={6.8 * s}
                className={`${penOf("connectorAt")} footfill`}
              />
              <path
                d={`M${bx(0)} ${by(c.yMm) - 22}H${bx(c.xMm)}M${bx(c.xMm)} ${by(c.yMm) - 27}v10M${bx(0)} ${by(c.yMm) - 27}v10`}
                className="pen1 sink"
              />
            </>
          )}
          <path
            d={`M${x0} ${y0 - 14}H${x0 + w}M${x0} ${y0 - 19}v10M${x0 + w} ${y0 - 19}v10M${x0 - 14} ${y0}V${y0 + h}M${x0 - 19} ${y0}h10M${x0 - 19} ${y0 + h}h10`}
            className="pen1 sink"
          />
          <path d={`M${W - 62} ${y0}V${y0 + h}`} className="pen1 s3" strokeDasharray="3 4" />
          <rect
            x={W - 62}
            y={y0}
            width={Math.max(3, (thick ?? 3) * 6)}
            height={h}
            className={thick === null ? "ghost" : `${penOf("thicknessMm")} footfill`}
          />
          <text x={12} y={H - 12} className="t14 i2">
            Seen from behind, connector edge towards you. Left of the front is at the right here.
          </text>
          <text x={W - 66} y={y0 - 14} className="t14 i2" textAnchor="middle">
            side
          </text>
        </svg>
        <At x={x0 + w * 0.06 + 10} y={y0 + h * 0.12 + 8}>
          <label className="text-[14px] leading-[18px]">
            <span className="block text-ink-2">Part code, large line on the label</span>
            <input
              className="cell mono"
              style={{ width: 228, fontSize: 19, fontWeight: 700 }}
              aria-label="Part code"
              aria-invalid={f.problems.get("code") ? true : undefined}
              value={f.cells.code ?? ""}
              maxLength={40}
              onChange={(e) => f.set("code", e.target.value)}
            />
          </label>
        </At>
        <Field f={f} fact="outline" column={0} x={x0 + w / 2 - 110} y={y0 - 62} label="Outline width, mm" source />
        <Field f={f} fact="outline" column={1} x={2} y={y0 + h / 2 - 20} label="Height, mm" />
        <Field
          f={f}
          fact="active"
          column={0}
          x={x0 + w - 216}
          y={y0 + h * 0.42}
          label="Picture width × height, mm"
          second
          source
        />
        <Field
          f={f}
          fact="connectorAt"
          column={0}
          x={Math.min(W - 220, Math.max(x0 + 4, (c ? bx(c.xMm / 2) : x0 + w * 0.66) - 90))}
          y={(c ? by(c.yMm) : y0 + h) - 72}
          label="Connector from this edge; from top, mm"
          second
          source
        />
        <Field f={f} fact="lowerEdgeMm" column={0} x={x0} y={y0 + h + 10} label="Thickness at its board, mm" width={88} source />
        <Field f={f} fact="cableExit" column={0} x={x0 + 250} y={y0 + h + 10} label="Cable leaves to" width={112} source />
        <Field f={f} fact="thicknessMm" column={0} x={W - 124} y={y0 + h + 4} label="Thickness, mm" narrow source />
      </div>
      {DRAWN.map((fact) => {
        const wrong = [...factColumns(fact), sourceColumn(fact), confidenceColumn(fact)]
          .map((x) => f.problems.get(x))
          .find(Boolean);
        return wrong ? (
          <p key={fact} className="wrong mt-1" role="alert">
            {FACT_LABEL[fact]}: {wrong}
          </p>
        ) : null;
      })}
    </>
  );
}

/** What of a form can be drawn while a cell elsewhere is wrong: each fact on its own. */
function lastGood(f: FormHandle) {
  const out: Extract<ReturnType<typeof readPanelRow>, { ok: true }>["patch"]["facts"] = {};
  for (const fact of ["outline", "active", "activeAt", "connectorAt", "tabs", "thicknessMm"] as const) {
    const cells = Object.fromEntries(factColumns(fact).map((c) => [c, f.cells[c]]));
    const one = readPanelRow({ ...cells, code: "XX", source: f.cells[sourceColumn(fact)] || "G" });
    if (one.ok) Object.assign(out, one.patch.facts);
  }
  return out;
}

const At = ({ x, y, children }: { x: number; y: number; children: React.ReactNode }) => (
  <div style={{ position: "absolute", left: Math.round(x), top: Math.round(y) }}>{children}</div>
);

function Field({
  f,
  fact,
  column,
  x,
  y,
  label,
  second = false,
  source = false,
  narrow = false,
  width = 64,
}: {
  f: FormHandle;
  fact: FactName;
  column: number;
  x: number;
  y: number;
  label: string;
  second?: boolean;
  source?: boolean;
  narrow?: boolean;
  width?: number;
}) {
  const columns = factColumns(fact);
  return (
    <At x={x} y={y}>
      <span className="block text-[14px] leading-[16px] text-ink-2">{label}</span>
      <span className={`flex ${narrow ? "flex-wrap" : ""} items-center gap-1`} style={narrow ? { width: 112 } : undefined}>
        <Cell f={f} fact={fact} column={columns[column]!} width={width} />
        {second && <Cell f={f} fact={fact} column={columns[1]!} width={64} />}
        {source && <SourcePick f={f} fact={fact} />}
      </span>
    </At>
  );
}
