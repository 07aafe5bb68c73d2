"use client";
import { useEffect, useMemo, useState } from "react";
import { whoIsHere } from "@/client/device";
import type { Build } from "@/core/build";
import { counted } from "@/core/quantity";
import {
  addDrill,
  type DrillRecord,
  type DrillSlip,
  drillOf,
  drillScore,
  drillView,
  judgePick,
  NO_DRILL,
  nextOf,
  type PlanWeights,
  picksOf,
  type Step,
} from "@/core/teardown";
import { Mark } from "../draw/Mark";
import { trayFacts } from "../job/facts";
import { sideOf } from "../lid/DrawingPane";
import { LidDrawing } from "../lid/LidDrawing";
import type { Layer } from "../lid/layers";
import { Desk } from "../shell/Desk";
import { Tray } from "../shell/Tray";

const PICKS = 4;
const SHOWN: ReadonlySet<Layer> = new Set(["screws", "tape", "cables"]);
const SLIP_WORDS: Record<DrillSlip, string> = {
  power: "power before hands",
  held: "what still holds",
  covered: "what lies over it",
  needless: "what the goal does not need",
  force: "screws left in",
};
/** The plan as a drill without a machine: pick the next step; a wrong one is answered with what would have happened. */
export function Rehearsal({
  build,
  drills,
  weights,
}: {
  build: Build;
  drills: Record<string, DrillRecord>;
  weights: PlanWeights;
}) {
  const drill = useMemo(() => drillOf(build, weights), [build, weights]);
  const [done, setDone] = useState<readonly string[]>([]);
  const [wrong, setWrong] = useState<{ step: Step; why: string } | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [slips, setSlips] = useState(0);
  const [who, setWho] = useState("");
  const [kept, setKept] = useState<DrillRecord>(NO_DRILL);
  const [lost, setLost] = useState(false);
  const [picks, setPicks] = useState<Step[]>([]);
  useEffect(() => {
    const me = whoIsHere();
    setWho(me);
    setKept(drills[me] ?? NO_DRILL);
  }, [drills]);
  useEffect(() => {
    if (drill) setPicks(picksOf(drill, new Set(done), PICKS, Math.random));
  }, [drill, done]);
  if (!drill)
    return (
      <Desk title={`Rehearse ${build.machineModel}`} ways={[["/builds", "Machines and builds"]]}>
        <div className="empty">
          <b>This build cannot be planned yet.</b> Mend it first.
        </div>
      </Desk>
    );
  const at = new Set(done);
  const opens = drill.plan.out.find((s) => s.kind === "screwsOut" || s.kind === "partOut" || s.kind === "partFold");
  const first = opens ? sideOf(build, opens) : "lid";
  const over = nextOf(drill, at) === null;
  const keep = (d: { slip?: DrillSlip; score?: number }) => {
    setKept(addDrill(kept, d));
    fetch("/api/drills", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ build: build.id, who, ...d }),
    })
      .then((r) => setLost(!r.ok))
      .catch(() => setLost(true));
  };
  const pick = (s: Step) => {
    const j = judgePick(drill, at, s.id);
    if (!j.ok) {
      setWrong({ step: s, why: j.why });
      setNote(null);
      setSlips((n) => n + 1);
      keep({ slip: j.slip });
      return;
    }
    setWrong(null);
    setNote(j.note);
    const next = [...done, s.id];
    setDone(next);
    if (nextOf(drill, new Set(next)) === null) keep({ score: drillScore(drill.plan.out.length, slips) });
  };
  const steps = done.map((id) => drill.graph.steps.get(id)!);
  const view = drillView(build, steps);
  const last = steps.at(-1);
  const side = last && !["shutDown", "mainsOut", "batteryOff", "drain"].includes(last.kind) ? sideOf(build, last) : first;
  // What still lies under something is not drawn: it is not to be seen on the machine either.
  const bare = (under: readonly string[]) =>
    under.every((u) => view.state.parts[u] === "out" || view.state.parts[u] === "folded");
  const seen: Build = {
    ...build,
    screwGroups: build.screwGroups.filter((g) => bare(g.under)),
    connectors: build.connectors.filter((c) => bare(c.under)),
  };
  const shownStep = wrong?.step && sideOf(build, wrong.step) === side ? wrong.step : null;
  const there = (id: string) =>
    [...seen.screwGroups, ...seen.connectors, ...build.parts, ...build.tapes].some((x) => x.id === id);
  const weak = (Object.entries(kept.slips) as [DrillSlip, number][]).sort((a, b) => b[1] - a[1]);
  return (
    <Desk
      title={over ? "The panel is out" : "What comes next?"}
      ways={[
        [`/builds/${build.id}`, "The build"],
        ["/builds", "Machines and builds"],
      ]}
    >
      <p className="q" role="status">
        {build.machineModel}, family {build.family}. Step {Math.min(done.length + 1, drill.plan.out.length)} of{" "}
        {drill.plan.out.length}, {counted(slips, "slip")} so far{kept.best !== null && `, best run ${kept.best} %`}. A drill:
        nothing is recorded in any job.
      </p>
      <div className="rehearse">
        <section aria-label="The machine" className="onshell">
          <div className="rehearse-lid">
            <LidDrawing
              build={seen}
              view={side}
              layers={SHOWN}
              state={view.state}
              old={null}
              candidate={null}
              step={shownStep && there(shownStep.target) ? shownStep : null}
            />
          </div>
          <p className="q">
            {side === "base" ? "Base, seen from below. Hinge edge away from you." : "Lid, seen from the front. Hinge down."} As it
            stands after what was done.
          </p>
        </section>
        <div className="flex min-w-0 flex-col gap-3">
          {over ? (
            <div className="look" role="status">
              <Mark kind={slips ? "change" : "same"} size={26} />
              <div>
                <b>{slips ? `Out, with ${counted(slips, "slip")}.` : "Out, without a slip."}</b>{" "}
                <button
                  type="button"
                  className="link"
                  onClick={() => {
                    setDone([]);
                    setSlips(0);
                    setWrong(null);
                    setNote(null);
                  }}
                >
                  Once more
                </button>
              </div>
            </div>
          ) : (
            <ul className="flex flex-col gap-2" aria-label="Pick the next step">
              {picks.map((s) => (
                <li key={s.id}>
                  <button type="button" className="btn w-full" aria-pressed={wrong?.step.id === s.id} onClick={() => pick(s)}>
                    {s.title}
                  </button>
                </li>
              ))}
            </ul>
          )}
          {wrong && (
            <div className="refusal" role="alert">
              <Mark kind="stop" size={26} />
              <div>
                <b>{wrong.step.title}: not now</b>
                {wrong.why}
              </div>
            </div>
          )}
          {note && (
            <div className="look" role="status">
              <Mark kind="same" size={22} />
              <p>{note}</p>
            </div>
          )}
        </div>
      </div>
      <Tray facts={trayFacts(view, null)} />
      <div className="grid grid-cols-2 gap-8">
        <section aria-label="Done so far">
          <h2 className="sec">Done so far</h2>
          {done.length === 0 && <p className="q">Nothing yet.</p>}
          <ol className="list-decimal pl-7 text-[16px] leading-[22px]">
            {done.map((id) => (
              <li key={id}>{drill.graph.steps.get(id)!.title}</li>
            ))}
          </ol>
        </section>
        <section aria-label="Weak points">
          <h2 className="sec">Weak points on this machine{who && `, ${who}`}</h2>
          {lost && <p className="wrong">The last pick was not kept: the server was not reached.</p>}
          {weak.length === 0 ? (
            <p className="q">None yet. Kept for {who || "this bench"}.</p>
          ) : (
            <ul className="rows">
              {weak.map(([slip, n]) => (
                <li key={slip}>
                  <span className="grow">{SLIP_WORDS[slip]}</span>
                  <em>{n === 1 ? "once" : `${n} times`}</em>
                </li>
              ))}
            </ul>
          )}
        </section>
      </div>
    </Desk>
  );
}
