"use client";
import { mayPullLiners, powerOf } from "@/core/job";
import { durationWords } from "@/core/quantity";
import { nextAct, type Step, type StepStation, stationNow } from "@/core/teardown";
import { KeysLine } from "../controls/KeysLine";
import { Term } from "../controls/Term";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { StationLink } from "../job/StationLink";
import { RefusalBox } from "./RefusalBox";

const capital = (word: string) => word[0]!.toUpperCase() + word.slice(1);

/** A station that is not where the work is: its steps, what holds its gate, and the way to the work. */
export function Elsewhere({ station, now, onTake }: { station: StepStation; now: Step | null; onTake: () => void }) {
  const { progress, view, setKeys, say, log, go } = useBench();
  const mine = progress!.steps.filter((x) => x.step.station === station);
  const next = mine.find((x) => !x.done);
  // Before the part is known, ordered and here, the work is there, whatever step of the plan comes next.
  const to = now ? stationNow(view.state, progress) : null;
  const ahead = now !== null && to !== null && to !== now.station;
  const toNow = to ? () => go(to) : undefined;
  setKeys({
    digits: (n) => say(`What is to do now is in ${to ?? "no station"}: G then ${n} goes to a station`),
    // What the plate says, by the keys it names: the pedal is a Space.
    space: toNow,
    enter: toNow,
    keys: toNow ? { g: toNow } : {},
  });
  return (
    <>
      <h1 className="step">
        {next ? (
          mine.some((x) => x.done) ? (
            <Term name="begun">Begun, not finished</Term>
          ) : (
            "Not yet"
          )
        ) : (
          `${station[0]!.toUpperCase()}${station.slice(1)} is behind you`
        )}
      </h1>
      {now && to && (
        <StationLink to={to} className="plate" data-plate>
          <span>
            <b>{ahead ? `Now: ${capital(to)}` : `Now: ${now.title}`}</b>
            <i>{ahead ? `Then: ${now.title}.` : `In ${capital(to)}. ${powerOf(view).title}.`}</i>
          </span>
          <kbd>Space</kbd>
        </StationLink>
      )}
      <RefusalBox />
      {station === "bond" &&
        next &&
        (() => {
          const shut = mayPullLiners(view);
          return shut ? (
            <div className="look">
              <Mark kind="look" size={26} />
              <p>Liners: {shut.reason}</p>
            </div>
          ) : null;
        })()}
      <ol className="rows">
        {mine.map((x) => (
          <li key={x.step.id} style={{ alignItems: "center" }}>
            {x.done ? <Mark kind="same" size={18} label="done" /> : <span className="open-sq" role="img" aria-label="to do" />}
            <span className="grow">{x.step.title}</span>
            <em>{durationWords(x.step.minutes)}</em>
            {!x.done && (
              <button
                type="button"
                className="btn quiet"
                aria-label={`Out of order: ${x.step.title}`}
                onClick={() => {
                  const act = nextAct(view, x.step);
                  if (act) log.record(act);
                  else
                    log.refuse({
                      gate: "order",
                      reason: `"${x.step.title}" needs its answer on its own page, when it is its turn.`,
                    });
                }}
              >
                Now
              </button>
            )}
          </li>
        ))}
      </ol>
      {next && <p className="q">"Now" records a step out of order. Its gate is asked all the same.</p>}
      <KeysLine
        keys={[
          ["X", "power"],
          ["W", "note, photo"],
          ["J", "the job"],
          ["?", "all keys"],
        ]}
      >
        <button type="button" className="link" onClick={onTake}>
          Take back the last entry
        </button>
      </KeysLine>
    </>
  );
}
