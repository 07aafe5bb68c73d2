import Link from "next/link";
import type { Advice } from "@/core/triage";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** What Triage came to, and where it goes on. */
export function Concluded({ advice: a }: { advice: Advice }) {
  const { log, view, jobId } = useBench();
  const done = view.state.triage.concluded;
  if (!done) return null;
  return (
    <div className="look">
      <Mark kind={done.verdict === "panel" ? "same" : "ask"} size={26} />
      <div>
        <b>
          {done.verdict === "panel"
            ? "Concluded: it is the panel."
            : done.verdict === "cover"
              ? "Concluded: use the cover."
              : "Concluded: not the panel."}
        </b>{" "}
        {done.verdict === "panel" ? (
          <Link className="link" href={`/jobs/${jobId}/identify`}>
            Identify it next
          </Link>
        ) : (
          <button
            type="button"
            className="link"
            onClick={() =>
              log.record({
                type: "job.closed",
                payload: {
                  outcome: done.verdict === "cover" ? "cover" : "notPanel",
                  reason:
                    done.verdict === "cover" ? "Warranty or accident cover is used; nothing was opened here." : a.lead.advice,
                },
              })
            }
          >
            Close the job with this verdict
          </button>
        )}
      </div>
    </div>
  );
}
