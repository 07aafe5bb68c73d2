"use client";
import { useState } from "react";
import { CONNECTOR_MOTION } from "@/core/build";
import { buildOf, checksOf } from "@/core/job";
import { durationWords } from "@/core/quantity";
import { reachLead, reachPlace } from "@/core/teardown";
import { KeysLine } from "../controls/KeysLine";
import { Plate } from "../controls/Plate";
import { ConnectorDetail } from "../draw/ConnectorDetail";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { Procedures } from "./Procedures";
import { RefusalBox } from "./RefusalBox";

/** One suspected cause gone after: the way to its lead as the machine stands, the lead itself, and back to the check. */
export function ChaseView() {
  const { log, view, plan, setKeys, say } = useBench();
  const [note, setNote] = useState("");
  const [why, setWhy] = useState("");
  const s = view.state;
  const chase = s.after.chase!;
  const kept = s.after.causesHash ? view.snapshots[s.after.causesHash] : undefined;
  const cause = kept?.kind === "causes" ? kept.data.causes.find((c) => c.id === chase.cause) : undefined;
  const check = checksOf(view).find((c) => c.id === chase.check && c.pass === chase.pass);
  const b = buildOf(view);
  const leads = chase.leads.flatMap((id) => b?.connector.get(id) ?? []);
  const lead = leads.find((c) => !chase.reseated[c.id]);
  // No lead to reseat: hands have to get to its place all the same.
  const place = leads.length === 0 && cause?.access === "opened" ? cause.at : undefined;
  const reach = lead ? reachLead(view, lead.id, plan.made) : place ? reachPlace(view, place, plan.made) : null;
  const step = reach?.steps[0];
  const on = lead && !step;
  const mended = () => {
    if (log.record({ type: "after.mended", payload: { cause: chase.cause, note: note.trim() } })) setNote("");
  };
  const act = step
    ? () => log.record(step.act)
    : on
      ? () => log.record({ type: "swap.cableConnected", payload: { connector: lead.id, home: true } })
      : mended;
  setKeys({ space: act, enter: act });
  return (
    <>
      <h1 className="step">{cause?.name ?? "A cause"}</h1>
      <p className="q">
        Because {check?.name.toLowerCase() ?? "a check"} failed{check ? ` in the ${check.pass} pass` : ""}. {cause?.how}
      </p>
      {step ? (
        <Plate
          line1={step.left > 1 ? `${step.step.title}: ${step.left} left` : step.step.title}
          line2={`${step.step.how} Press when done.`}
          onAct={act}
        />
      ) : on ? (
        <Plate
          line1={`Look at ${lead.name.toLowerCase()}, then put it on again`}
          line2={`Pins straight, latch whole, nothing under it. Home when: ${CONNECTOR_MOTION[lead.kind].homeWhen.toLowerCase()}.`}
          onAct={act}
        />
      ) : (
        <>
          <label className="field">
            <span>What was found</span>
            <input value={note} maxLength={200} onChange={(e) => setNote(e.target.value)} />
          </label>
          <Plate line1="Done: check again" line2={`${check?.name ?? "The check"} is asked anew.`} onAct={act} />
        </>
      )}
      <RefusalBox />
      {!lead && (chase.cause === "mainsFirst" || chase.cause === "pairing") && <Procedures own={false} />}
      {step?.step.caution && (
        <div className="caut">
          <Mark kind="change" size={30} label="Caution" />
          <p>{step.step.caution}</p>
        </div>
      )}
      {on && <ConnectorDetail kind={lead.kind} out={false} />}
      {(leads.length > 0 || place) && (
        <ol className="rows" aria-label="The way there">
          {reach?.steps.slice(1, 7).map((x) => (
            <li key={x.step.id}>
              <em>Then</em>
              <span className="grow">{x.step.title}</span>
              <em>{durationWords(x.step.minutes)}</em>
            </li>
          ))}
          {leads.map((c) => (
            <li key={c.id} style={{ alignItems: "center" }}>
              {chase.reseated[c.id] ? (
                <Mark kind="same" size={18} label="reseated" />
              ) : (
                <span className="open-sq" role="img" aria-label="to reseat" />
              )}
              <span className="grow">{c.name}, off and on again</span>
            </li>
          ))}
        </ol>
      )}
      <p className="q">
        The way back is the plan's own: what came off goes on again, then {check?.name.toLowerCase()} once more.
      </p>
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (log.record({ type: "after.left", payload: { why: why.trim() } })) setWhy("");
        }}
      >
        <label className="field grow">
          <span>Let it go, because</span>
          <input required value={why} maxLength={200} onChange={(e) => setWhy(e.target.value)} />
        </label>
        <button type="submit" className="btn quiet">
          Let it go
        </button>
      </form>
      <KeysLine
        keys={[
          ["X", "power"],
          ["W", "note, photo"],
          ["J", "the job"],
          ["?", "all keys"],
        ]}
      >
        <button
          type="button"
          onClick={() => {
            if (log.takeBack()) say("Last entry taken back");
          }}
        >
          <kbd>Backspace</kbd>
          <span className="link">take back</span>
        </button>
      </KeysLine>
    </>
  );
}
