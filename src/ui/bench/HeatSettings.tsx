"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { send } from "@/client/send";
import { type HeatOwn, type JetTool, OWN_FIGURES, type OwnFigure, TOOL_RANGES } from "@/core/heat";
import { readNumber } from "@/core/quantity";
import { SaidBox } from "../controls/SaidBox";
import { useSaid } from "../controls/useSaid";
import { ToolStrength } from "./ToolStrength";

const KEYS = Object.keys(OWN_FIGURES) as OwnFigure[];
const W = 168;

/** A figure in its range: the range as a line, the default as a tick, what holds here as a block. */
function Range({ k, value }: { k: OwnFigure; value: number }) {
  const { range, value: usual } = OWN_FIGURES[k];
  const [a, b] = [Math.min(range[0], value, usual), Math.max(range[1], value, usual)];
  const x = (v: number) => 6 + ((v - a) / (b - a)) * (W - 12);
  return (
    <svg width={W} height={22} className="dw flex-none" aria-hidden="true">
      <path d={`M${x(range[0])} 15H${x(range[1])}M${x(range[0])} 11v8M${x(range[1])} 11v8`} className="pen2 sink" />
      <path d={`M${x(usual)} 6v14`} className="pen1 s3" />
      <rect x={x(value) - 3} y={6} width={6} height={14} className="pf" />
    </svg>
  );
}

const textsOf = (own: HeatOwn): Record<string, string> =>
  Object.fromEntries(KEYS.map((k) => [k, own.figures[k] === undefined ? "" : String(own.figures[k])]));

/** What warming is reckoned with: every figure with its range, and the shop's own where somebody knows better. */
export function HeatSettings({ own }: { own: HeatOwn }) {
  const router = useRouter();
  const [f, setF] = useState(() => textsOf(own));
  const { said, setSaid } = useSaid();
  const put = async (next: HeatOwn, words: string) => {
    const r = await send<HeatOwn>("PUT", "/api/warming", next);
    if (!r.ok) return setSaid(r.said);
    setF(textsOf(r.body));
    setSaid({ ok: true, words });
    router.refresh();
  };
  const save = () => {
    const figures: HeatOwn["figures"] = {};
    for (const k of KEYS) {
      if (f[k]!.trim() === "") continue;
      const n = readNumber(f[k]!);
      const { name, range, unit } = OWN_FIGURES[k];
      if (n === null) return setSaid({ ok: false, words: `${name}: "${f[k]}" is no number.` });
      if (n < range[0] / 2 || n > range[1] * 2)
        return setSaid({
          ok: false,
          words: `${name}: ${n} ${unit} is far outside ${range[0]} to ${range[1]} ${unit}. Was it read in another unit?`,
        });
      figures[k] = n;
    }
    void put({ ...own, figures }, "Kept. Warming planned from here on reckons with it.");
  };
  const held = (k: OwnFigure) => readNumber(f[k]!) ?? OWN_FIGURES[k].value;
  return (
    <section className="flex flex-col gap-3" aria-label="What warming is reckoned with">
      <h2 className="sec">Warming</h2>
      <p className="q">
        Estimates until somebody measured: left empty, the default holds (thin tick). A strip's own softening temperature and
        ceilings, as its build says, come before these.
      </p>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <ul className="rows" aria-label="Figures">
          {KEYS.map((k) => {
            const { name, value, range, unit } = OWN_FIGURES[k];
            return (
              <li key={k} style={{ alignItems: "center" }}>
                <label className="grow" htmlFor={`heat-${k}`}>
                  {name}
                </label>
                <Range k={k} value={held(k)} />
                <input
                  id={`heat-${k}`}
                  className="mono"
                  style={{ width: 88 }}
                  inputMode="decimal"
                  maxLength={8}
                  placeholder={String(value)}
                  value={f[k]}
                  onChange={(e) => setF({ ...f, [k]: e.target.value })}
                />
                <span className="mono whitespace-nowrap" style={{ width: 204 }}>
                  {range[0]} to {range[1]} {unit}
                </span>
              </li>
            );
          })}
        </ul>
        <SaidBox said={said} />
        <div className="flex gap-3">
          <button type="submit" className="btn">
            Save the figures
          </button>
          <button
            type="button"
            className="btn quiet"
            onClick={() => void put({ ...own, figures: {} }, "The defaults hold again. Tools as measured stay.")}
          >
            All defaults
          </button>
        </div>
      </form>
      <h3 className="font-bold">Hot-air tools as measured</h3>
      <ul className="rows" aria-label="Tools as measured">
        {(Object.keys(TOOL_RANGES) as JetTool[]).map((t) => {
          const kept = own.tools[t];
          return (
            <li key={t} style={{ alignItems: "center" }}>
              <span className="grow">{TOOL_RANGES[t].words}</span>
              <span className="mono">{kept ? `${kept.cal.toFixed(2)} of what it should give` : "not measured: 1, ± 15 %"}</span>
              {kept && (
                <>
                  <em>{kept.on}</em>
                  <button
                    type="button"
                    className="link"
                    onClick={() => {
                      const { [t]: _, ...tools } = own.tools;
                      void put({ ...own, tools }, `${TOOL_RANGES[t].words}: its default holds again.`);
                    }}
                  >
                    forget
                  </button>
                </>
              )}
            </li>
          );
        })}
      </ul>
      <ToolStrength own={own} onKeep={(tools, words) => void put({ ...own, tools }, words)} />
    </section>
  );
}
