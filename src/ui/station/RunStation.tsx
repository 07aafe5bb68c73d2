"use client";
import type { StepStation } from "@/core/teardown";
import { useBench } from "../job/context";
import { StationLink } from "../job/StationLink";
import { ChaseView } from "./ChaseView";
import { Elsewhere } from "./Elsewhere";
import { RefusalBox } from "./RefusalBox";
import { Slips } from "./Slips";
import { StepView } from "./StepView";

/** Open, Swap, Bond, Prove and Close: one step at a time, in large type, the next ones below. */
export function RunStation({ station }: { station: StepStation }) {
  const { view, progress, plan, jobId, setKeys, log } = useBench();
  const s = view.state;
  if (s.plan && !progress) {
    setKeys({});
    return (
      <>
        <h1 className="step">{plan.made ? "This build cannot be planned" : "Planning"}</h1>
        <RefusalBox />
        <p className="q" role="status">
          {plan.made && !plan.made.ok ? plan.made.problem : "The order is being worked out."}
        </p>
        {plan.made && !plan.made.ok && (
          <>
            <p>
              Nothing is done by force: no lead under power, no cover pulled off its lead. The maker's information may say how it
              is opened; what was found can be corrected in the build, or taken back here.
            </p>
            <button type="button" className="btn self-start" onClick={() => log.takeBack()}>
              Take back the last entry
            </button>
          </>
        )}
      </>
    );
  }
  if (!s.plan || !progress) {
    setKeys({});
    return (
      <>
        <h1 className="step">Plan first</h1>
        <RefusalBox />
        <div className="empty">
          <b>No plan yet.</b> The machine's power points are unknown, so nothing may be disconnected.{" "}
          <StationLink className="link" to="plan">
            Plan it
          </StationLink>
        </div>
      </>
    );
  }
  const now = progress.now;
  if (s.closed) {
    setKeys({});
    return (
      <>
        <h1 className="step">Job closed</h1>
        <RefusalBox />
        <p className="q">
          The log stays.{" "}
          <a className="link" href={`/jobs/${jobId}/handover`}>
            Hand-over sheet
          </a>
          ,{" "}
          <a className="link" href={`/api/jobs/${jobId}/export`}>
            whole job as a zip
          </a>
          .
        </p>
        <Slips />
      </>
    );
  }
  if (s.after.chase && !s.after.chase.mended) return <ChaseView />;
  if (now && now.station === station) return <StepView key={now.id} step={now} />;
  return <Elsewhere station={station} now={now} onTake={() => log.takeBack()} />;
}
