"use client";
import { useEffect, useRef, useState } from "react";
import { askHeat } from "@/client/heat";
import { COVER_KINDS, heatCeilings, type Tape } from "@/core/build";
import type { CoverKind, HeatAnswer, Means, Pass } from "@/core/heat";
import { msOf } from "@/core/job";
import { counted } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { Tick } from "../controls/Tick";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { WarmNow } from "./WarmNow";

const COVER_WORDS: Readonly<Record<CoverKind, string>> = {
  al: "aluminium",
  mg: "magnesium",
  abs: "ABS",
  pcabs: "PC-ABS",
  gf: "glass-fibre composite",
  cfrp: "carbon laminate",
};
const TOOL_WORDS = {
  mat: "heating mat",
  hairDryer: "hair dryer",
  heatGun: "heat gun, low fan",
  rework: "rework hand-piece",
} as const;
type ToolName = keyof typeof TOOL_WORDS;

/** Settings tried per tool, °C; a mat never over the lowest ceiling. */
function meansOf(tool: ToolName, lowestC: number): Means {
  if (tool === "mat")
    return { by: "mat", setC: [lowestC - 5, lowestC - 2, lowestC].map(Math.round), widthMm: 330, heightMm: 220 };
  const jet = {
    hairDryer: { nozzleC: [80, 95, 110], standOffMm: 40 },
    heatGun: { nozzleC: [100, 120, 150], standOffMm: 60 },
    rework: { nozzleC: [130, 160], standOffMm: 40 },
  }[tool];
  return { by: "jet", tool, ...jet };
}

const PLACE_WORDS: Record<string, string> = {
  window: "the time it stays soft",
  surface: "the surface",
  cover: "the cover",
  film: "the films",
  lcd: "the display",
  battery: "the battery",
};
const PLACE_NAME: Record<string, string> = {
  surface: "Surface",
  cover: "Cover",
  film: "Films",
  lcd: "Display",
  battery: "Battery",
};
const range = (a: number, b: number, unit: string): string =>
  Math.round(a) === Math.round(b) ? `${Math.round(a)} ${unit}` : `${Math.round(a)} to ${Math.round(b)} ${unit}`;

/**
 * Warming a strip that has to let go: what is at hand, what must not get too hot and by whose word, the passes a worker finds, and
 * the pass under way. Modelled, never measured here: a range from what the tool may give.
 */
export function Warming({ tape }: { tape: Tape }) {
  const { build, view } = useBench();
  const known = build!.data.lid.cover;
  const [tool, setTool] = useState<ToolName>("mat");
  const [cover, setCover] = useState<CoverKind | "unknown">(known?.kind ?? "unknown");
  const [thrownAway, setThrownAway] = useState(false);
  const [said, setSaid] = useState<HeatAnswer | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const changed = () => {
    stop.current?.();
    stop.current = null;
    setSaid(null);
  };
  const ceilings = heatCeilings(build!.data, [tape.id]);
  const lowest = Math.min(thrownAway ? 70 : 60, ...ceilings.map((c) => c.maxC));
  const softC = tape.heat?.releaseC[0] ?? 55;
  const ask = () => {
    if (cover === "unknown") return;
    changed();
    setSaid({ kind: "progress", looked: 0, of: 0, bestS: null, stage: "search" });
    stop.current = askHeat(
      {
        lid: build!.data.lid,
        tapes: build!.data.tapes,
        tape: tape.id,
        cover,
        ...(known?.kind === cover && known.mm ? { coverMm: known.mm } : {}),
        roomC: 23,
        softC,
        thrownAway,
        means: meansOf(tool, lowest),
      },
      setSaid,
    );
  };
  const on = view.state.heat.on;
  return (
    <section aria-label="Warming" className="flex flex-col gap-2">
      {on && <WarmNow on={on} sinceMs={msOf(on.clock)} />}
      <div className="flex flex-wrap items-end gap-3">
        <label className="field grow" style={{ maxWidth: 220 }}>
          <span>Warmed with</span>
          <Choose
            value={tool}
            options={(Object.keys(TOOL_WORDS) as ToolName[]).map((t) => [t, TOOL_WORDS[t]] as const)}
            onValue={(t) => {
              changed();
              setTool(t);
            }}
          />
        </label>
        <label className="field grow" style={{ maxWidth: 220 }}>
          <span>Cover{known ? ", as its build says" : ""}</span>
          <Choose
            value={cover}
            options={[["unknown", "not known yet"] as const, ...COVER_KINDS.map((k) => [k, COVER_WORDS[k]] as const)]}
            onValue={(k) => {
              changed();
              setCover(k);
            }}
          />
        </label>
        <button type="button" className="btn quiet" disabled={cover === "unknown"} onClick={ask}>
          Plan the warming
        </button>
      </div>
      <label className="flex min-h-9 items-center gap-2 text-[15px]">
        <Tick
          on={thrownAway}
          onPut={(yes) => {
            changed();
            setThrownAway(yes);
          }}
        />
        The old panel is thrown away, and no film or part behind it is used again
      </label>
      {said?.kind === "progress" && (
        <p className="q" role="status">
          {said.stage === "verify"
            ? "The quickest is run again on fine cells."
            : `${said.looked} of ${said.of || "some"} ways tried.`}{" "}
          {said.bestS !== null && `Best so far ${Math.round(said.bestS / 60)} min. `}
          <button type="button" className="link" onClick={changed}>
            stop
          </button>
        </p>
      )}
      {said?.kind === "wrong" && <p className="wrong">{said.words}</p>}
      {said?.kind === "plan" && <Found said={said} tape={tape.id} tool={tool} softC={softC} thrownAway={thrownAway} />}
    </section>
  );
}

function Found({
  said,
  tape,
  tool,
  softC,
  thrownAway,
}: {
  said: Extract<HeatAnswer, { kind: "plan" }>;
  tape: string;
  tool: ToolName;
  softC: number;
  thrownAway: boolean;
}) {
  const { log, view } = useBench();
  const { plan, ceilings } = said;
  if (!plan.ok) {
    const kept = ceilings.map((c) => `${PLACE_WORDS[c.thing]} ${c.maxC} °C (${c.source})`).join(", ");
    return (
      <div className="caut">
        <Mark kind="stop" size={30} label="No window" />
        <p>
          <b>No window with the {TOOL_WORDS[tool]}.</b> The nearest try misses {PLACE_WORDS[plan.misses.what]} by{" "}
          {Math.ceil(plan.misses.by)} {plan.misses.unit === "K" ? "K" : "s"}. Another tool, pull tabs, thread or solvent; or from
          the other side. Ceilings: {kept}.
        </p>
      </div>
    );
  }
  const start = (p: Pass) =>
    log.record({
      type: "bench.heatOn",
      payload: {
        tool,
        setC: p.set,
        tape,
        plannedS: Math.min(1200, Math.round(p.heatS)),
        ...(thrownAway ? { thrownAway: true as const } : {}),
      },
    });
  return (
    <>
      <p>
        <b>
          {counted(plan.passes.length, "pass", "passes")}, {Math.ceil(plan.totalS / 60)} min with the picking.
        </b>{" "}
        It lets go from {softC} °C.
      </p>
      <ol className="rows" aria-label="Passes">
        {plan.passes.map((p, i) => (
          <li key={`${p.piece} ${p.fromMm}`} style={{ alignItems: "center" }}>
            <em>{i + 1}</em>
            <span className="grow">
              {p.restS > 0 && `Wait ${p.restS} s. `}
              {p.set} °C for {p.heatS} s over {Math.round(p.fromMm)} to {Math.round(p.toMm)} mm. Then {Math.round(p.needS)} s to
              lift; it stays soft {range(...p.windowS, "s")}.
            </span>
            <button type="button" className="btn quiet" disabled={view.state.heat.on !== null} onClick={() => start(p)}>
              It is on
            </button>
          </li>
        ))}
      </ol>
      <ul className="rows" aria-label="What gets how hot">
        {ceilings.map((c) => {
          const hot = plan.peaksC[c.thing];
          return (
            <li key={c.thing}>
              <span className="whitespace-nowrap">
                {PLACE_NAME[c.thing]} {hot ? range(...hot, "°C") : "not reckoned"}
              </span>
              <em className="grow text-right" style={{ whiteSpace: "normal" }}>
                {c.maxC} °C at most, {c.source}
              </em>
            </li>
          );
        })}
      </ul>
      <p className="q">
        Modelled from assumed properties, for a tool that gives 0.85 to 1.15 of what it should: the range is that. No point gets
        hotter than a mat's set-point; a jet has no such bound, so read a contact thermometer.
      </p>
    </>
  );
}
