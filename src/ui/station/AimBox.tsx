"use client";
import { useState } from "react";
import { SUBJECT_WORDS } from "@/core/build";
import { aimOf, buildOf, liesOpen, mayAim, seated } from "@/core/job";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { StationLink } from "../job/StationLink";

/** What the hands are after where that is not the swap, and the way to something else: on every station of an open machine. */
export function AimBox({ station }: { station: string }) {
  const { view, log, progress, jobId } = useBench();
  const s = view.state;
  const b = buildOf(view);
  if (!b || s.closed) return null;
  const aim = aimOf(s, b);
  const what = SUBJECT_WORDS[b.build.subject.kind];
  const swap = () => log.record({ type: "plan.aimed", payload: { aim: "swap", why: "" } });
  if (aim === "swap") {
    // While the part is waited for, an open machine is told of where the waiting is.
    const waits = station === "identify" || station === "match";
    return waits && liesOpen(s, b) && !seated(s) ? (
      <div className="look" role="status" data-aim="waits">
        <Mark kind="look" size={26} />
        <div className="grow">
          <b>The machine lies open.</b> Leave it with its{" "}
          <a className="link" href={`/jobs/${jobId}/pause`}>
            pause card
          </a>
          , or close it until the part is here.
          <span className="block pt-2">
            <CloseAgain />
          </span>
        </div>
      </div>
    ) : null;
  }
  return (
    <div className="look" role="status" data-aim={aim}>
      <Mark kind="look" size={26} />
      <div className="grow">
        {aim === "label" ? (
          <>
            <b>Opened only to read the label of the {what}.</b>{" "}
            {progress?.now && progress.now.kind !== "labelSeen" ? (
              <>
                Then it is closed again or left open with its pause card.{" "}
                {station === "identify" && (
                  <StationLink className="link" to="open">
                    Open it
                  </StationLink>
                )}
              </>
            ) : (
              "It leans forward on its leads: read the label in Identify."
            )}
          </>
        ) : (
          <>
            <b>Closed again with the old {what} in.</b> {s.plan?.why ? `${s.plan.why}. ` : ""}Everything that is open goes home;
            opened once more, the plan begins from the start.
          </>
        )}
        <span className="flex flex-wrap gap-2 pt-2">
          <button type="button" className="btn quiet" onClick={swap}>
            Go on with the swap
          </button>
          {aim === "label" && liesOpen(s, b) && <CloseAgain />}
        </span>
      </div>
    </div>
  );
}

/** Closes the machine again from here, with a word on why; `onDone` where that is what was asked for already. */
export function CloseAgain({ onDone }: { onDone?: () => void }) {
  const { view, log, go } = useBench();
  const [why, setWhy] = useState("");
  const [asked, setAsked] = useState(onDone !== undefined);
  const no = mayAim(view.state, buildOf(view), "close");
  if (no) return <p className="q">It cannot be closed again from here: {no.reason}</p>;
  if (!asked)
    return (
      <button type="button" className="btn quiet" onClick={() => setAsked(true)}>
        Close it again
      </button>
    );
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!log.record({ type: "plan.aimed", payload: { aim: "close", why: why.trim() } })) return;
        onDone?.();
        go("open");
      }}
    >
      <label className="field" style={{ width: 260 }}>
        <span>Why it is closed again</span>
        <input value={why} maxLength={200} onChange={(e) => setWhy(e.target.value)} />
      </label>
      <button type="submit" className="btn">
        Close it again
      </button>
    </form>
  );
}

/** Opens the machine as far as the label on the old one's back, where it is described; else it is described first. */
export function useOpenForLabel(): () => void {
  const { view, build, reference, log, go } = useBench();
  return () => {
    if (!build) return go("plan");
    const checks = reference.checks;
    const planned =
      view.state.plan ||
      log.record({
        type: "plan.made",
        payload: { buildHash: build.hash, goal: "subjectOut", ...(checks ? { checksHash: checks.hash } : {}) },
      });
    if (planned && log.record({ type: "plan.aimed", payload: { aim: "label", why: "" } })) go("open");
  };
}
