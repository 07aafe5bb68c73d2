import type { Advice } from "@/core/triage";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { StationLink } from "../job/StationLink";

/** What Triage came to, and where it goes on. */
export function Concluded({ advice: a }: { advice: Advice }) {
  const { log, view } = useBench();
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
          <StationLink className="link" to="identify">
            Identify it next
          </StationLink>
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
