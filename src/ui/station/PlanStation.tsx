"use client";
import Link from "next/link";
import { useState } from "react";
import { mayPlanAnew } from "@/core/job";
import { counted, durationWords } from "@/core/quantity";
import { kitOf, type OtherGoal, PAPERS, type Plan, planTimes, printScale, type Step } from "@/core/teardown";
import { KeysLine } from "../controls/KeysLine";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { BuildImport } from "./BuildImport";
import { RefusalBox } from "./RefusalBox";

/** What must move, in which order, and how it goes back: computed from the machine's build. */
export function PlanStation() {
  const { log, view, build, plan: handle, offer, jobId, reference } = useBench();
  const [all, setAll] = useState(false);
  const s = view.state;
  const { made } = handle;
  const accept = () => {
    if (build && made?.ok) log.record({ type: "plan.made", payload: { buildHash: build.hash, goal: "subjectOut" } });
  };
  offer(s.plan || !made?.ok || !handle.fresh ? {} : { space: accept });
  if (!build)
    return (
      <>
        <h1 className="step">No build for this machine</h1>
        <div className="empty">
          <b>{s.job?.machineModel} is not described yet.</b> Its parts, screws, cables and power points are unknown, so nothing
          can be planned and nothing may be disconnected. Read its build from a file.
        </div>
        <BuildImport />
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
        <BuildImport />
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
        Hands-on {durationWords(times.p50)}, at worst likely {durationWords(times.p80)} (P50 and P80;{" "}
        {times.jobs ? `${counted(times.jobs, "timed job")} of this family here` : "default spread, 0 timed jobs, A"}). {screws}{" "}
        screws. Family {build.data.family}. Source: {build.data.source}.
      </p>
      <RefusalBox />
      {s.plan ? (
        <div className="look">
          <Mark kind="same" size={26} />
          <p>
            <b>Planned.</b>{" "}
            <Link className="link" href={`/jobs/${jobId}/open`}>
              Open it
            </Link>
          </p>
        </div>
      ) : (
        <Plate line1="Take this plan" line2={`For ${build.data.machineModel}. Steps follow what you record.`} onAct={accept} />
      )}
      <Changed />
      <section>
        <h2 className="sec">Fetch</h2>
        <ul className="flex flex-wrap gap-2 pt-1 text-[16px]">
          {kitOf(plan.tools, reference.tools).map((t) => (
            <li
              key={t.name}
              data-kit={t.state}
              className={`px-2 py-1 ${t.state === "have" ? "border border-rule" : "border-[1.5px] border-dashed border-ink"}`}
            >
              {t.words}
              {t.state === "missing" && <b> to fetch</b>}
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
      <Proof plan={plan} others={handle.goals} />
      <SheetLinks />
      <details>
        <summary className="btn quiet" style={{ display: "inline-flex" }}>
          Read another build from a file
        </summary>
        <div className="pt-3">
          <BuildImport />
        </div>
      </details>
      <KeysLine
        keys={[
          ["Space", "take the plan"],
          ["L", "layers in the title bar"],
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

/** Why this plan: what it is worth, that nothing beats it or how far off it may be, what nearly equals it, what was left out. */
function Proof({ plan, others }: { plan: Plan; others: readonly OtherGoal[] }) {
  const { value, bound, proven, near } = plan.objective;
  return (
    <section aria-label="Why this plan" className="flex flex-col gap-2 border-t-[1.5px] border-ink pt-2">
      <h2 className="sec flex items-center gap-2">
        <Mark kind={proven ? "same" : "look"} size={20} />
        {proven ? "No cheaper way is left" : `At most ${Math.ceil((1 - bound / value) * 100)} % off the best`}
      </h2>
      <p className="q">
        Way out worth {value.toFixed(1)} min: hands both ways, changes of bit, turns of the machine, what may break, what lies
        bare (A).
        {proven ? " Every other order and set was ruled out." : ` Nothing is cheaper than ${bound.toFixed(1)} min.`}
      </p>
      {near.map((n) => (
        <p key={n.instead.join()} className="look">
          <span>
            <b>Nearly as good, {(n.value - value).toFixed(1)} min more:</b>{" "}
            {n.instead.join("; ").toLowerCase() || "another order"}
            {n.of.length > 0 && <> instead of {n.of.join("; ").toLowerCase()}</>}.
          </span>
        </p>
      ))}
      {others.map((o) => (
        <details key={o.goal}>
          <summary className="min-h-11 cursor-pointer text-[16px] leading-[44px]">
            <b>Only {o.words}</b>: {o.steps.length} steps out, worth {o.value.toFixed(1)} min
            {o.proven ? "" : ", perhaps not the best"}
          </summary>
          <ol className="list-decimal pl-7 text-[15px] leading-[19px]">
            {o.steps.map((title) => (
              <li key={title}>{title}</li>
            ))}
          </ol>
        </details>
      ))}
      {plan.skipped.length > 0 && (
        <details>
          <summary className="min-h-11 cursor-pointer text-[16px] leading-[44px]">
            <b>{counted(plan.skipped.length, "step")} not needed for this goal</b>,{" "}
            {durationWords(plan.skipped.reduce((n, x) => n + x.minutes, 0))}
          </summary>
          <ul className="rows">
            {plan.skipped.map((x) => (
              <li key={x.id} style={{ fontSize: 15 }}>
                <span className="grow">{x.title}</span>
                <em>would cost {x.cost.toFixed(1)} min</em>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** The screw sheet to print, corrected for the printer at hand. */
function SheetLinks() {
  const { jobId, build, plan } = useBench();
  const [bar, setBar] = useState("");
  const [inPlace, setInPlace] = useState<ReadonlySet<string>>(new Set());
  const steps = plan.made?.ok ? plan.made.plan.out : [];
  const groups = (build?.data.screwGroups ?? []).filter((g) => steps.some((x) => x.kind === "screwsOut" && x.target === g.id));
  const scale = bar.trim() ? printScale(Number(bar.replace(",", "."))) : 1;
  const q = `${scale !== null && bar.trim() ? `&bar=${encodeURIComponent(bar.replace(",", ".").trim())}` : ""}${
    inPlace.size ? `&keep=${[...inPlace].join(",")}` : ""
  }`;
  return (
    <section aria-label="Screw sheet" className="flex flex-wrap items-end gap-3 border-t-[1.5px] border-ink pt-2">
      <h2 className="sec w-full">Screw sheet at true size</h2>
      {(["a4", "letter"] as const).map((p) => (
        <a key={p} className="btn quiet" href={`/api/jobs/${jobId}/screws?paper=${p}${q}`} target="_blank" rel="noreferrer">
          {PAPERS[p].name}, PDF
        </a>
      ))}
      <a className="btn quiet" href={`/api/jobs/${jobId}/screws?format=svg${q}`} target="_blank" rel="noreferrer">
        Page 1, SVG
      </a>
      <label className="field" style={{ width: 210 }}>
        <span>Bar as printed, mm</span>
        <input value={bar} inputMode="decimal" maxLength={6} placeholder="100" onChange={(e) => setBar(e.target.value)} />
      </label>
      <fieldset className="flex w-full flex-wrap gap-x-4">
        <legend className="font-bold">Leave in place: back into their own holes at once</legend>
        {groups.map((g) => (
          <label key={g.id} className="flex min-h-9 items-center gap-2 text-[15px]">
            <input
              type="checkbox"
              checked={g.keepInHoles || inPlace.has(g.id)}
              disabled={g.keepInHoles}
              onChange={(e) => setInPlace((s) => new Set(e.target.checked ? [...s, g.id] : [...s].filter((x) => x !== g.id)))}
            />
            {g.screws.length} {g.name.toLowerCase()}
          </label>
        ))}
      </fieldset>
      {scale === null && <p className="wrong">80 to 120 mm are possible: measure the bar again.</p>}
    </section>
  );
}
