"use client";
import { useEffect, useRef, useState } from "react";
import { askHeat } from "@/client/heat";
import { COVER_KINDS, heatCeilings, packInLid, type Tape } from "@/core/build";
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

type PackAt = "elsewhere" | "inZone" | "notKnown";
const PACK_WORDS: Readonly<Record<PackAt, string>> = {
  elsewhere: "none: it is out, or in the base",
  inZone: "lies in it or against it",
  notKnown: "not known",
};

/** A mat keeps its set-point whatever the model errs in, so it is the first choice where one hangs on the wall; else what does. */
const ON_WALL: readonly (readonly [ToolName, RegExp])[] = [
  ["mat", /\bmat\b/i],
  ["hairDryer", /dryer/i],
  ["heatGun", /\bgun\b/i],
  ["rework", /hand-?piece|rework|hot air/i],
];
const atHand = (have: readonly string[]): ToolName => ON_WALL.find(([, is]) => have.some((h) => is.test(h)))?.[0] ?? "mat";

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
  const { build, view, reference } = useBench();
  const known = build!.data.lid.cover;
  const chosen = view.state.plan?.warming?.[tape.id]?.with;
  const [tool, setTool] = useState<ToolName>(() => (chosen && chosen !== "none" ? chosen : atHand(reference.tools?.have ?? [])));
  const [cover, setCover] = useState<CoverKind | "unknown">(known?.kind ?? "unknown");
  const [thrownAway, setThrownAway] = useState(false);
  const [pack, setPack] = useState<PackAt>(() =>
    packInLid(build!.data, (p) => view.state.parts[p] === "out") ? "inZone" : "elsewhere",
  );
  const [said, setSaid] = useState<HeatAnswer | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const changed = () => {
    stop.current?.();
    stop.current = null;
    setSaid(null);
  };
  const ceilings = heatCeilings(build!.data, [tape.id]);
  const own = reference.heat;
  const roomC = view.state.bondTold.roomC;
  const lowest = Math.min(thrownAway ? 70 : 60, pack === "inZone" ? 45 : 70, ...ceilings.map((c) => c.maxC));
  const softC = tape.heat?.releaseC[0] ?? own.figures.softC ?? 55;
  const ask = () => {
    if (cover === "unknown" || pack === "notKnown") return;
    changed();
    setSaid({ kind: "progress", looked: 0, of: 0, bestS: null, stage: "search" });
    stop.current = askHeat(
      {
        lid: build!.data.lid,
        tapes: build!.data.tapes,
        tape: tape.id,
        cover,
        ...(known?.kind === cover && known.mm ? { coverMm: known.mm } : {}),
        ...(roomC === undefined ? {} : { roomC }),
        own,
        ...(pack === "inZone" ? { packAt: build!.data.lid.pocket } : {}),
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
        <label className="field grow" style={{ maxWidth: 250 }}>
          <span>A pack under this cover</span>
          <Choose
            value={pack}
            options={Object.entries(PACK_WORDS) as [PackAt, string][]}
            onValue={(p) => {
              changed();
              setPack(p);
            }}
          />
        </label>
        <button type="button" className="btn quiet" disabled={cover === "unknown" || pack === "notKnown"} onClick={ask}>
          Plan the warming
        </button>
      </div>
      {pack === "notKnown" && <p className="wrong">Look first: nothing is warmed over a pack nobody has seen.</p>}
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
        <Found
          said={said}
          tape={tape.id}
          tool={tool}
          cover={cover}
          softC={softC}
          thrownAway={thrownAway}
          packInZone={pack === "inZone"}
        />
      )}
    </section>
  );
}
