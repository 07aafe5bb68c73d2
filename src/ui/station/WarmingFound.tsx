"use client";
import type { Warming } from "@/core/build";
import type { CoverKind, HeatAnswer, HeatPlace, Pass } from "@/core/heat";
import { counted } from "@/core/quantity";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

export const TOOL_WORDS = {
  mat: "heating mat",
  hairDryer: "hair dryer",
  heatGun: "heat gun, low fan",
  rework: "rework hand-piece",
} as const;
export type ToolName = keyof typeof TOOL_WORDS;

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

/** What a search found: the passes and what gets how hot, or that there is no window and what is in the way. */
export function Found({
  said,
  tape,
  tool,
  cover,
  softC,
  thrownAway,
  packInZone,
}: {
  said: Extract<HeatAnswer, { kind: "plan" }>;
  tape: string;
  tool: ToolName;
  cover: CoverKind | "unknown";
  softC: number;
  thrownAway: boolean;
  packInZone: boolean;
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
          <Take
            tape={tape}
            how={{ with: "none" }}
            words="Plan it without heat"
            taken="Planned without heat: pull tab, thread or solvent."
          />
        </p>
      </div>
    );
  }
  // One act that heats to each pass, in their order.
  const acts = plan.acts.filter((a) => a.do === "jet" || a.do === "mat");
  const placeOf = (i: number): HeatPlace | undefined => {
    const a = acts[i];
    if (a?.do === "mat") return { rect: a.rect };
    if (a?.do !== "jet") return undefined;
    const { edge, fromMm, toMm, insetMm, standOffMm } = a;
    return { edge, fromMm, toMm, insetMm, standOffMm };
  };
  const start = (p: Pass, place: HeatPlace | undefined) =>
    log.record({
      type: "bench.heatOn",
      payload: {
        tool,
        setC: p.set,
        tape,
        plannedS: Math.min(1200, Math.round(p.heatS)),
        ...(cover === "unknown" ? {} : { cover }),
        ...(place ? { place } : {}),
        peakC: Object.fromEntries(Object.entries(plan.peaksC).map(([k, [, hot]]) => [k, Math.round(hot * 10) / 10])),
        ...(thrownAway ? { thrownAway: true as const } : {}),
        ...(packInZone ? { packInZone: true as const } : {}),
      },
    });
  return (
    <>
      <p>
        <b>
          {counted(plan.passes.length, "pass", "passes")}, {Math.ceil(plan.totalS / 60)} min with the picking.
        </b>{" "}
        It lets go from {softC} °C.
        <Take
          tape={tape}
          how={{
            with: tool,
            minutes: Math.round(plan.totalS / 6) / 10,
            passes: plan.passes.length,
            ...(said.robust ? { over: { broken: said.robust.broken, draws: said.robust.draws } } : {}),
          }}
          words="Take it into the plan"
          taken="The plan takes these minutes, this tool and its risk."
        />
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
            <button
              type="button"
              className="btn quiet"
              disabled={view.state.heat.on !== null}
              onClick={() => start(p, placeOf(i))}
            >
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
      {said.robust && (
        <p>
          <b>
            Over a ceiling in {said.robust.broken} of {said.robust.draws} lids
          </b>{" "}
          drawn as they may be: cover, tape, air, room and tool somewhere in their ranges. More than 2 in 100 is no plan.
        </p>
      )}
      <p className="q">
        Modelled from assumed properties, for a tool that gives 0.85 to 1.15 of what it should: the range is that. No point gets
        hotter than a mat's set-point; a jet has no such bound, so read a contact thermometer.
      </p>
    </>
  );
}

/** The plan of the job follows what was found: its minutes, its kit, what may go wrong. */
function Take({ tape, how, words, taken }: { tape: string; how: Warming; words: string; taken: string }) {
  const { log, view } = useBench();
  const now = view.state.plan?.warming?.[tape];
  if (!view.state.plan) return null;
  if (JSON.stringify(now) === JSON.stringify(how)) return <span className="q"> {taken}</span>;
  return (
    <>
      {" "}
      <button
        type="button"
        className="link"
        onClick={() => log.record({ type: "plan.warmingChosen", payload: { tape, ...how } })}
      >
        {words}
      </button>
    </>
  );
}
