"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { mayPlanAnew } from "@/core/job";
import { counted, durationWords } from "@/core/quantity";
import { kitOf, planTimes, type Step } from "@/core/teardown";
import { KeysLine } from "../controls/KeysLine";
import { Plate } from "../controls/Plate";
import { Term } from "../controls/Term";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { StationLink } from "../job/StationLink";
import { BuildImport } from "./BuildImport";
import { LampChoice } from "./LampChoice";
import { PlanProof } from "./PlanProof";
import { RefusalBox } from "./RefusalBox";
import { SheetLinks } from "./SheetLinks";
import { TapePlan } from "./TapePlan";

/** What must move, in which order, and how it goes back: computed from the machine's build. */
export function PlanStation() {
  const { log, view, build, plan: handle, setKeys, reference, renew, jobId } = useBench();
  const router = useRouter();
  const [all, setAll] = useState(false);
  const s = view.state;
  const { made } = handle;
  const accept = () => {
    if (!build || !made?.ok) return;
    const checks = reference.checks;
    log.record({
      type: "plan.made",
      payload: { buildHash: build.hash, goal: "subjectOut", ...(checks ? { checksHash: checks.hash } : {}) },
    });
  };
  const describe = `/builds/new?machine=${encodeURIComponent(s.job?.machineModel ?? "")}&job=${jobId}`;
  setKeys(!build ? { space: () => router.push(describe) } : s.plan || !made?.ok ? {} : { space: accept });
  if (!build)
    return (
      <>
        <h1 className="step">No build for this machine</h1>
        <div className="empty">
          <b>{s.job?.machineModel} is not described yet.</b> Its parts, screws, cables and power points are unknown, so nothing
          can be planned and nothing may be disconnected. A few looks at it closed give its family and a build to start from.
        </div>
        <Link className="plate" data-plate href={describe} prefetch={false}>
          <span>
            <b>Describe {s.job?.machineModel}</b>
            <i>Looks, then parts, screws and plugs on the drawing. The way back to this job stands there.</i>
          </span>
          <kbd>Space</kbd>
        </Link>
        <details>
          <summary className="btn quiet">Somebody has described it: read the file</summary>
          <BuildImport onRead={renew} />
        </details>
      </>
    );
  if (!made)
    return (
      <>
        <h1 className="step">Planning</h1>
        <p className="q" role="status">
          {build.data.machineModel}: every order of {build.data.parts.length} parts is weighed.
        </p>
      </>
    );
  if (!made.ok)
    return (
      <>
        <h1 className="step">This build cannot be planned</h1>
        <div className="refusal" role="alert">
          <Mark kind="stop" size={28} />
          <p>{made.problem}</p>
        </div>
        <BuildImport onRead={renew} />
      </>
    );
  const { plan } = made;
  const times = planTimes(
    [...plan.out, ...plan.in].map((x) => x.minutes),
    reference.shopLog.ratios,
  );
  const screws = build.data.screwGroups
    .filter((g) => plan.out.some((x) => x.target === g.id))
    .reduce((n, g) => n + g.screws.length, 0);
  return (
    <>
      <h1 className="step">
        {plan.out.length} steps out, {plan.in.length} back
      </h1>
      <p className="q">
        Hands-on {durationWords(times.p50)}, at worst likely {durationWords(times.p80)} (<Term name="p50">P50 and P80</Term>;{" "}
        {times.jobs ? `${counted(times.jobs, "timed job")} of this family here` : "default spread, 0 timed jobs, A"}). {screws}{" "}
        screws. <Term name="family">Family {build.data.family}</Term>. Source: {build.data.source}.
      </p>
      <RefusalBox />
      {s.plan ? (
        <div className="look">
          <Mark kind="same" size={26} />
          <p>
            <b>Planned.</b>{" "}
            <StationLink className="link" to="open">
              Open it
            </StationLink>
          </p>
        </div>
      ) : (
        <Plate line1="Take this plan" line2={`For ${build.data.machineModel}. Steps follow what you record.`} onAct={accept} />
      )}
      <LampChoice />
      <Changed />
      {plan.warnings.map((w) => (
        <div key={w} className="look" role="status">
          <Mark kind="look" size={26} />
          <p>{w}</p>
        </div>
      ))}
      <section>
        <h2 className="sec">Fetch</h2>
        <ul className="flex flex-wrap gap-2 pt-1 text-[16px]">
          {kitOf(plan.tools, reference.tools, reference.rolls).map((t) => (
            <li
              key={t.name}
              data-kit={t.state}
              className={`px-2 py-1 ${t.state === "have" ? "border border-rule" : "border-[1.5px] border-dashed border-ink"}`}
            >
              {t.words}
              {t.state === "missing" && <b> to fetch</b>}
              {t.at && <span className="block text-[14px] text-ink-2">{t.at}</span>}
              {t.by && <span className="block text-[14px] text-ink-2">not here: {t.by}</span>}
            </li>
          ))}
          <li className="border border-rule px-2 py-1">Wrist strap, tray, eye protection</li>
        </ul>
      </section>
      <div className="grid grid-cols-2 gap-5">
        <section aria-label="Way out">
          <h2 className="sec border-b-[1.5px] border-ink pb-1">Way out</h2>
          <List steps={plan.out} all={all} />
        </section>
        <section aria-label="Way back">
          <h2 className="sec border-b-[1.5px] border-ink pb-1">Way back</h2>
          <List steps={plan.in} all={all} />
        </section>
      </div>
      <button type="button" className="btn quiet self-start" aria-expanded={all} onClick={() => setAll(!all)}>
        {all ? "Only titles" : "How, for every step"}
      </button>
      <PlanProof plan={plan} others={handle.goals} />
      {s.plan && plan.in.some((x) => x.kind === "tapeLay") && <TapePlan />}
      <SheetLinks />
      <details>
        <summary className="btn quiet" style={{ display: "inline-flex" }}>
          Read another build from a file
        </summary>
        <div className="pt-3">
          <BuildImport onRead={renew} />
        </div>
      </details>
      <KeysLine
        keys={[
          ["Space", "take the plan"],
          ["W", "note, photo"],
          ["J", "the job"],
          ["?", "all keys"],
        ]}
      />
    </>
  );
}

/** The machine's build was changed after this job was planned: go over to it, or hear why not. */
function Changed() {
  const { log, view, reference, build } = useBench();
  const was = view.state.plan?.buildHash;
  const next = reference.builds[0];
  if (!was || !next || next.hash === was || next.data.id !== build?.data.id || view.state.closed) return null;
  const no = mayPlanAnew(
    { state: view.state, snapshots: { ...view.snapshots, [next.hash]: { kind: "build", data: next.data } } },
    next.hash,
  );
  return (
    <div className="look" role="status">
      <Mark kind="look" size={26} />
      <p>
        <b>The build of this machine was changed since.</b> Source now: {next.data.source}.{" "}
        {no ? (
          no.reason
        ) : (
          <button
            type="button"
            className="link"
            onClick={() =>
              log.record({ type: "plan.rebuilt", payload: { buildHash: next.hash, why: "The machine's build was changed" } })
            }
          >
            Plan it anew
          </button>
        )}
      </p>
    </div>
  );
}

function List({ steps, all }: { steps: readonly Step[]; all: boolean }) {
  return (
    <ol className="text-[15px] leading-[19px]">
      {steps.map((s, i) => (
        <li key={s.id} className="border-b border-hair py-1.5">
          <span className="flex gap-2">
            <span className="mono" style={{ minWidth: 24 }}>
              {i + 1}
            </span>
            <span className="grow">{s.title}</span>
          </span>
          {all && <span className="q block pl-8">{s.how}</span>}
          {s.caution && all && <span className="block pl-8 text-change">{s.caution}</span>}
          {s.because && (
            <span className="mt-1 ml-8 block border-l-[3px] border-ink pl-2 text-[14px] leading-[18px] text-ink-2">
              Not the mirror: {s.because}
            </span>
          )}
        </li>
      ))}
    </ol>
  );
}
