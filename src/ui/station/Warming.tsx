"use client";
import { useEffect, useRef, useState } from "react";
import { askHeat } from "@/client/heat";
import { COVER_KINDS, heatCeilings, type Tape } from "@/core/build";
import type { CoverKind, HeatAnswer, Means } from "@/core/heat";
import { msOf } from "@/core/job";
import { Choose } from "../controls/Choose";
import { Tick } from "../controls/Tick";
import { useBench } from "../job/context";
import { HeatLive, useWarmingStory } from "./HeatLive";
import { Found, TOOL_WORDS, type ToolName } from "./WarmingFound";
import { WarmNow } from "./WarmNow";

const COVER_WORDS: Readonly<Record<CoverKind, string>> = {
  al: "aluminium",
  mg: "magnesium",
  abs: "ABS",
  pcabs: "PC-ABS",
  gf: "glass-fibre composite",
  cfrp: "carbon laminate",
};

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
  const story = useWarmingStory(tape, cover === "unknown" ? null : cover);
  return (
    <section aria-label="Warming" className="flex flex-col gap-2">
      {on && <WarmNow on={on} sinceMs={msOf(on.clock)} />}
      {story && <HeatLive tape={tape} story={story} />}
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
            : said.stage === "draws"
              ? `Tried on ${said.looked} of ${said.of} lids as they may be.`
              : `${said.looked} of ${said.of || "some"} ways tried.`}{" "}
          {said.bestS !== null && `Best so far ${Math.round(said.bestS / 60)} min. `}
          <button type="button" className="link" onClick={changed}>
            stop
          </button>
        </p>
      )}
      {said?.kind === "wrong" && <p className="wrong">{said.words}</p>}
      {said?.kind === "plan" && (
        <Found said={said} tape={tape.id} tool={tool} cover={cover} softC={softC} thrownAway={thrownAway} />
      )}
    </section>
  );
}
