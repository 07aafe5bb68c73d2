"use client";
import { useEffect, useState } from "react";
import { CHECK_WORDS, candidateOf, checksOf, oldPanelOf, passStatus } from "@/core/job";
import { FAULT_CLASS_WORDS, FAULT_CLASSES, type FaultClass, judgeFaults, type Pass } from "@/core/proof";
import { counted, durationWords, readNumber } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { NumberField } from "../controls/NumberField";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { DotCode } from "./DotCode";
import { EvennessPhoto } from "./EvennessPhoto";
import { FailsToo } from "./FailsToo";
import { FaultFinder } from "./FaultFinder";
import { Hinges } from "./Hinges";
import { LaterNote } from "./LaterNote";
import { Procedures } from "./Procedures";
import { RefusalBox } from "./RefusalBox";
import { TouchCode } from "./TouchCode";

/**
 * One pass of Prove: its checks, what was disturbed first; faults tapped and held against the policy. `home`: only what is looked
 * at once its lead is home, before that is covered.
 */
export function ProvePass({ pass, home = false }: { pass: Pass; home?: boolean }) {
  const { log, view, reference, setKeys, setTap, tapMode } = useBench();
  const [cls, setCls] = useState<FaultClass>("dark");
  const [place, setPlace] = useState({ x: "150", y: "90" });
  const [by, setBy] = useState("");
  const s = view.state;
  const st = passStatus(view, pass);
  const checks = checksOf(view)
    .filter((c) => c.pass === pass && (!home || c.home))
    .sort((a, b) => Number(b.because !== null) - Number(a.because !== null));
  const asked = new Set((home ? st.atHome : st.untested).map((c) => c.id));
  const open = checks.filter((c) => asked.has(c.id));
  // A failed one is looked into first; the others can still be answered from their row.
  const next = st.failed.length ? undefined : open[0];
  const done = (check: string, result: "pass" | "fail" | "unclear" | "deferred", note = "") =>
    log.record({ type: "prove.checkDone", payload: { pass, check, result, note } });
  // What an instrument could tell and an eye has: kept as what it was.
  const holds = () => next && done(next.id, "pass", next.answer === "instrument" ? "by eye, not measured" : "");
  // What is done by a maker's procedure has its plate there.
  const own = next?.answer === "procedure" && reference.procedures.length > 0;
  const policy = reference.policy;
  const tapFault = (x: number, y: number) => {
    if (policy) log.record({ type: "prove.faultTapped", payload: { class: cls, xMm: x, yMm: y, policyHash: policy.hash } });
  };
  useEffect(() => {
    setTap(tapFault);
    return () => setTap(null);
  });
  setKeys(
    next
      ? {
          space: holds,
          enter: holds,
          keys: { f: () => done(next.id, "fail"), n: () => done(next.id, "unclear") },
        }
      : {},
  );
  const judged = policy
    ? judgeFaults(
        policy.data,
        candidateOf(view)?.pixels.value ?? oldPanelOf(view)?.pixels.value ?? null,
        s.prove.faults.map((f) => f.class),
      )
    : [];
  return (
    <>
      {next && own ? (
        <h2 className="sec">{next.name}</h2>
      ) : next ? (
        <Plate
          line1={next.name}
          line2={next.answer === "instrument" ? `${next.how} Press for by eye only: it is kept so.` : next.how}
          onAct={holds}
        />
      ) : st.tooManyFaults ? (
        <div className="refusal">
          <Mark kind="stop" size={28} />
          <p>More pixel faults than the policy accepts. Send the panel back, or record who accepts them.</p>
        </div>
      ) : (
        st.failed[0] && <FaultFinder check={st.failed[0]} pass={pass} />
      )}
      <RefusalBox />
      {next?.id === "hinge" && next.answer === "instrument" && <Hinges when="after" />}
      {next?.id === "evennessPhoto" && <EvennessPhoto onDone={(result, note) => done(next.id, result, note)} />}
      {next?.id === "touch" && <TouchCode onDone={(result, note) => done(next.id, result, note)} />}
      {next && <Procedures own={own} />}
      {next && (
        <div className="flex flex-wrap gap-2">
          {own && (
            <button type="button" className="btn" onClick={() => done(next.id, "pass")}>
              Holds
            </button>
          )}
          <button type="button" className="btn" onClick={() => done(next.id, "fail")}>
            Fails <kbd>F</kbd>
          </button>
          <button type="button" className="btn" onClick={() => done(next.id, "unclear")}>
            No answer <kbd>N</kbd>
          </button>
          <a className="btn" href="/pattern" target="_blank" rel="noreferrer">
            Patterns
          </a>
          {next.deferrable && <LaterNote onSave={(note) => done(next.id, "deferred", note)} />}
        </div>
      )}
      {open.length > 0 && (
        <p className="q">
          {counted(open.length, "check")} left, {durationWords(open.reduce((n, c) => n + c.minutes, 0))} of{" "}
          {durationWords(checks.reduce((n, c) => n + c.minutes, 0))}. What was disturbed comes first.
        </p>
      )}
      <ul className="rows dist" aria-label={`Checks of the ${pass} pass`}>
        {checks.map((c) => {
          const r = s.prove[pass][c.id];
          return (
            <li key={c.id} data-now={c.id === next?.id} style={{ alignItems: "center" }}>
              {r?.result === "pass" ? (
                <Mark kind="same" size={18} label="holds" />
              ) : r?.result === "fail" ? (
                <Mark kind="stop" size={18} label="failed" />
              ) : (
                <span className="open-sq" role="img" aria-label="not tested" />
              )}
              <span className="grow">
                {c.name}
                {c.because && <em className="block text-[14px]">{c.because}</em>}
                {r?.note && <em className="block text-[14px]">{r.note}</em>}
              </span>
              <em>
                {r?.result === "pass" ? (
                  "holds"
                ) : r?.result === "fail" ? (
                  <button type="button" className="link" onClick={() => done(c.id, "pass")}>
                    failed; holds now
                  </button>
                ) : r ? (
                  CHECK_WORDS[r.result]
                ) : c.home && !home ? (
                  "later, when its plug is home"
                ) : (
                  durationWords(c.minutes)
                )}
              </em>
            </li>
          );
        })}
      </ul>
      {!home && <FailsToo pass={pass} />}
      {pass === "open" && !home && (
        <section aria-label="Pixel faults" className="flex flex-col gap-2">
          <h2 className="sec">Pixel faults</h2>
          <form
            className="flex flex-wrap items-end gap-2"
            onSubmit={(e) => {
              e.preventDefault();
              tapFault(readNumber(place.x)!, readNumber(place.y)!);
            }}
          >
            <label className="field" style={{ width: 150 }}>
              <span>Kind</span>
              <Choose value={cls} options={FAULT_CLASSES.map((c) => [c, FAULT_CLASS_WORDS[c]])} onValue={setCls} />
            </label>
            {(["x", "y"] as const).map((k) => (
              <NumberField
                key={k}
                label={`${k}, mm`}
                width={86}
                min={-50}
                max={600}
                required
                value={place[k]}
                onText={(t) => setPlace({ ...place, [k]: t })}
              />
            ))}
            <button type="submit" className="btn">
              Add
            </button>
            <button type="button" className="btn" aria-pressed={tapMode[0]} onClick={() => tapMode[1](!tapMode[0])}>
              Tap on the drawing
            </button>
          </form>
          <DotCode
            onFault={(c, xMm, yMm) =>
              policy !== null &&
              !!log.record({ type: "prove.faultTapped", payload: { class: c, xMm, yMm, policyHash: policy.hash } })
            }
          />
          <ul className="rows">
            {judged.map((j) => (
              <li key={j.class}>
                {j.ok ? <Mark kind="same" size={18} label="within" /> : <Mark kind="stop" size={18} label="too many" />}
                <span className="grow">{FAULT_CLASS_WORDS[j.class]}</span>
                <b className="mono">{j.found}</b>
                <em>at most {j.atMost}</em>
              </li>
            ))}
          </ul>
          {policy && (
            <p className="q">
              {policy.data.name}. {policy.data.source}.
            </p>
          )}
          {st.tooManyFaults && (
            <form
              className="flex items-end gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                log.record({
                  type: "prove.faultsAccepted",
                  payload: { by: by.trim(), reason: "Accepted with the faults shown" },
                });
              }}
            >
              <label className="field grow">
                <span>Accepted by</span>
                <input required value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
              </label>
              <button type="submit" className="btn">
                Accept
              </button>
            </form>
          )}
        </section>
      )}
    </>
  );
}
