"use client";
import { useState } from "react";
import { aheadMs } from "@/client/serverTime";
import { counted, durationWords } from "@/core/quantity";
import { type Forgotten, forgettable, recovery } from "@/core/teardown";
import { Sheet } from "../controls/Sheet";
import { useBench } from "../job/context";

const WHAT = { lead: "not home", part: "not moved over", film: "left on" } as const;

/** Something was forgotten behind the new part, and it is stuck down: the way back to it, act by act, and what that risks. */
export function ForgottenBehind() {
  const { log, view, plan, say, reference } = useBench();
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<Forgotten | null>(null);
  const things = forgettable(view);
  if (things.length === 0) return null;
  const r = open && chosen ? recovery(view, chosen, Date.now() - (aheadMs() ?? 0), plan.made) : null;
  const step = r?.reach.steps[0];
  const currency = reference.quote?.data.currency ?? "";
  const act = () => {
    if (!step || !chosen) return;
    const lifts = step.act.type === "swap.panelLifted";
    if (!log.record(step.act) || !lifts) return;
    setOpen(false);
    setChosen(null);
    say(`Lifted: the plan goes on from here, ${chosen.name.toLowerCase()} first`);
  };
  return (
    <>
      <button type="button" className="btn quiet" onClick={() => setOpen(true)}>
        Forgotten behind it
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} title="Forgotten behind the new one">
        {!r && (
          <ul className="rows" aria-label="What was forgotten">
            {things.map((f) => (
              <li key={`${f.what} ${f.id}`} style={{ alignItems: "center" }}>
                <span className="grow">{f.name}</span>
                <button type="button" className="btn quiet" onClick={() => setChosen(f)}>
                  {WHAT[f.what]}
                </button>
              </li>
            ))}
          </ul>
        )}
        {r && chosen && (
          <>
            <p>
              <b>
                {chosen.name}: {WHAT[chosen.what]}.
              </b>{" "}
              About {durationWords(r.minutes)} there and back
              {r.anewMm > 0 && `, and ${(r.anewMm / 1000).toFixed(2)} m of tape laid anew`}.
              {r.risk &&
                ` It breaks ${r.risk.breaks} in ${Math.round(r.risk.chance * 100)} of 100: ${(r.risk.costMinor / 100).toFixed(2)} ${currency}.`}
            </p>
            <ol className="rows" aria-label="What comes away first">
              {r.reach.steps.slice(0, 8).map((x, i) => (
                <li key={x.step.id} style={{ alignItems: "center" }}>
                  <em>{i + 1}</em>
                  <span className="grow">
                    {x.act.type === "swap.panelLifted" ? "Lift the new one" : x.step.title}
                    {x.left > 1 && `, ${x.left} left`}
                  </span>
                  {i === 0 && (
                    <button type="button" className="btn" onClick={act}>
                      Done
                    </button>
                  )}
                </li>
              ))}
            </ol>
            {r.reach.steps.length > 8 && <p className="q">And {counted(r.reach.steps.length - 8, "step")} more.</p>}
            {r.strips.length > 0 && (
              <>
                <h3 className="sec">
                  How its tape lets go{r.strength !== null && `, at ${Math.round(r.strength * 100)} % of its strength`}
                </h3>
                <ul className="rows" aria-label="Its strips">
                  {r.strips.map((s) => (
                    <li key={s.tape}>
                      <span className="grow">
                        <b>{s.name}.</b> {s.how}
                      </span>
                      <em>{durationWords(s.minutes)}</em>
                    </li>
                  ))}
                </ul>
              </>
            )}
            <p>
              <b>Lift:</b> {r.lift.words}
            </p>
            <p className="q">
              Angle for a hand with tweezers, from the drawing; temperatures are defaults, the data sheet comes first.
            </p>
            <button type="button" className="link self-start" onClick={() => setChosen(null)}>
              Something else was forgotten
            </button>
          </>
        )}
      </Sheet>
    </>
  );
}
