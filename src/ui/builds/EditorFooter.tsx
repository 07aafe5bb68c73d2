import Link from "next/link";
import type { Said } from "@/client/send";
import type { Build } from "@/core/build";
import { durationWords } from "@/core/quantity";
import { SaidBox } from "../controls/SaidBox";
import type { PlanHandle } from "../job/usePlan";

/** Saving, writing to a file, rehearsing; and what the plan comes to. */
export function EditorFooter({
  build,
  version,
  changed,
  plan,
  problems,
  said,
  onSave,
}: {
  build: Build;
  version: number;
  changed: boolean;
  plan: PlanHandle;
  problems: number;
  said: Said | null;
  onSave: () => Promise<void>;
}) {
  return (
    <footer className="savebar">
      <SaidBox said={said} />
      <div className="flex flex-wrap items-center gap-4">
        <button
          type="button"
          className="plate small"
          style={{ width: "min(340px, 100%)" }}
          disabled={!changed}
          onClick={() => void onSave()}
        >
          <span>
            <b>{version ? "Save the build" : "Add this machine"}</b>
            <i>{changed ? "Checked whole before it is saved." : "Nothing changed."}</i>
          </span>
        </button>
        <a
          className="btn quiet"
          download={`${build.id}.json`}
          href={`data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(build, null, 1))}`}
        >
          Write to a file
        </a>
        {version > 0 && (
          <Link className="btn quiet" href={`/builds/${build.id}/rehearse`}>
            Rehearse it
          </Link>
        )}
        <span className="q">
          {problems === 0 && plan.made?.ok
            ? `${plan.made.plan.out.length} steps out, ${plan.made.plan.in.length} back, ${durationWords(plan.made.plan.minutes.p50)}`
            : "no plan yet"}
        </span>
      </div>
    </footer>
  );
}
