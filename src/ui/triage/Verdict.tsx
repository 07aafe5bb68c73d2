"use client";
import { useEffect } from "react";
import { findingsOf, openMoneyStops } from "@/core/job";
import { formatMoney } from "@/core/quantity";
import { type Advice, MONEY_STOPS, type MoneyStop, NO_FAULT, NONE, type Outcome, type TriageTable } from "@/core/triage";
import { KeysLine } from "../controls/KeysLine";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "../station/RefusalBox";
import { Concluded } from "./Concluded";
import { ContextRow } from "./ContextRow";
import { DamageForm } from "./DamageForm";
import { Findings } from "./Findings";
import { MoneyStopBox } from "./MoneyStopBox";
import { Overturn } from "./Overturn";
import { OUTCOMES, pct } from "./words";

/** What leads and by how much, the test worth most next, what each finding moved, what would overturn it. */
export function Verdict({ advice: a, table }: { advice: Advice; table: { hash: string; data: TriageTable } }) {
  const { log, view, build, setKeys, setTap } = useBench();
  const s = view.state;
  const t = table.data;
  const given = s.triage.findings;
  const all = findingsOf(view, t, build?.data ?? null);
  const seen = Object.keys(all).length;
  const { cover } = s.triage.context;
  const best = (a.next === "test" || (a.next === "liquid" && s.bench.mains === "out")) && seen > 0 ? a.tests[0] : undefined;
  const done = s.triage.concluded;
  const set = (finding: string, kind: "sign" | "test", outcome: Outcome) =>
    log.record({
      type: kind === "sign" ? "triage.signSeen" : "triage.testDone",
      payload: { finding, outcome, tableHash: table.hash },
    });
  const conclude = (verdict: "panel" | "notPanel" | "cover") =>
    log.record({
      type: "triage.concluded",
      payload: { verdict, fault: a.lead.fault, probability: Math.round(a.lead.p * 1e6) / 1e6, tableHash: table.hash },
    });
  /** The first row nobody has answered, or the first of all: there the next answer is given. */
  const toRows = () => {
    const open =
      document.querySelector<HTMLElement>('[data-finding][data-open="true"] button') ??
      document.querySelector<HTMLElement>("[data-finding] button");
    open?.scrollIntoView({ block: "center" });
    open?.focus();
  };
  const looks = !done && !best && a.next !== "decide" && a.next !== "liquid";
  const decided = !done && a.next === "decide" ? () => conclude(a.lead.panel ? "panel" : "notPanel") : undefined;
  setKeys({
    ...(decided ? { space: decided } : looks ? { space: toRows } : {}),
    keys:
      best && !done
        ? {
            y: () => set(best.test, "test", "yes"),
            n: () => set(best.test, "test", "no"),
            u: () => set(best.test, "test", "unclear"),
          }
        : {},
  });
  useEffect(() => () => setTap(null), [setTap]);
  const second = a.ranking[1]!;
  return (
    <>
      <h1 className={`step${a.lead.name.length > 20 ? " long" : ""}`}>
        {seen === 0
          ? "What do you see?"
          : a.next === "contradiction"
            ? "These cannot all be true"
            : a.lead.fault === NONE
              ? "In no list: look closer"
              : `${a.lead.name}, ${pct(a.lead.p)}`}
      </h1>
      <svg
        viewBox="0 0 504 40"
        width="100%"
        height="40"
        role="img"
        aria-label={`${a.lead.name} ${pct(a.lead.p)}, then ${second.name} ${pct(second.p)}`}
      >
        <rect x={1} y={4} width={Math.max(2, Math.min(1, a.lead.p) * 500)} height={14} className="pf" />
        <rect
          x={1}
          y={22}
          width={Math.max(2, Math.min(1, second.p) * 500)}
          height={10}
          fill="url(#hMetal)"
          className="pen1 sink"
        />
        <path d="M1 36H501M1 36v-5M126 36v-5M251 36v-5M376 36v-5M501 36v-5" className="pen1 sink" />
      </svg>
      <p className="q">
        Then {second.name.toLowerCase()}, {pct(second.p)}. A new panel alone ends it with {pct(a.panelChance)}.{" "}
        {seen > 0 && a.next !== "liquid" && `${a.sentence} ${a.ifWrong}`}
      </p>
      {a.contradiction && (
        <div className="refusal" role="alert">
          <Mark kind="stop" size={26} />
          <p>{a.contradiction}</p>
        </div>
      )}
      <RefusalBox />
      {openMoneyStops(s).map((m) => (
        <MoneyStopBox key={m} stop={m} />
      ))}
      {done ? (
        <Concluded advice={a} />
      ) : best ? (
        <div className="plate" role="group" aria-label="Next test">
          <span>
            <b>{best.name}?</b>
            <i>
              {best.how} {Math.round(best.minutes)} min{best.access === "opened" ? ", opened" : ""}
              {best.power !== "any" ? `, ${best.power}` : ""}. {best.why}
            </i>
            <span className="mt-2 flex gap-2">
              {OUTCOMES.map(([o, w, key]) => (
                <button
                  key={o}
                  type="button"
                  className="btn"
                  style={{ background: "transparent", color: "inherit", borderColor: "currentColor" }}
                  onClick={() => set(best.test, "test", o)}
                >
                  {w} <kbd style={{ fontSize: 14, lineHeight: "18px", padding: "0 5px" }}>{key}</kbd>
                </button>
              ))}
            </span>
          </span>
        </div>
      ) : a.next === "look" || a.next === "contradiction" || seen === 0 ? (
        <Plate
          line1={
            seen === 0 ? "Answer what you see" : a.next === "contradiction" ? "Answer again what cannot be" : "Look closer first"
          }
          line2={
            seen === 0
              ? "The first row below, or mark the damage on the drawing."
              : a.next === "contradiction"
                ? "One of these answers was seen otherwise: the rows below can be changed."
                : `Nothing is ordered on this. ${a.lead.advice} No test in the list is worth its minutes now.`
          }
          onAct={toRows}
        />
      ) : (
        a.next === "decide" && (
          <Plate
            line1={
              a.lead.panel
                ? "It is the panel: go on"
                : a.lead.fault === NO_FAULT
                  ? "Nothing at fault: give it back"
                  : "It is not the panel"
            }
            line2={`No test is worth its minutes now. ${a.lead.advice}`}
            onAct={decided!}
          />
        )
      )}
      {best?.caution && !done && (
        <div className="caut">
          <Mark kind="change" size={26} />
          <p>{best.caution}</p>
        </div>
      )}
      {!done && seen > 0 && (
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn" onClick={() => conclude("panel")}>
            It is the panel
          </button>
          <button type="button" className="btn" onClick={() => conclude("notPanel")}>
            Not the panel
          </button>
          {cover !== "yes" && (
            <button type="button" className="btn" onClick={() => conclude("cover")}>
              Use the warranty or cover
            </button>
          )}
          <span className="q self-center">
            Least expected loss now: {a.decision.name.toLowerCase()},{" "}
            {formatMoney(Math.round(a.decision.expectedLossMinor), t.currency)} at stake.
          </span>
        </div>
      )}
      <ContextRow />
      {cover === "yes" && !done && (
        <button type="button" className="btn self-start" onClick={() => conclude("cover")}>
          Use the warranty or cover
        </button>
      )}
      <Findings advice={a} table={t} all={all} given={given} set={set} />
      {seen > 0 && !a.contradiction && <Overturn advice={a} table={t} all={all} />}
      <DamageForm />
      <div className="flex flex-wrap gap-2">
        {(Object.keys(MONEY_STOPS) as MoneyStop[])
          .filter((m) => !s.moneyStops[m])
          .map((m) => (
            <button
              key={m}
              type="button"
              className="btn quiet"
              onClick={() => log.record({ type: "triage.moneyStopRaised", payload: { stop: m, note: "" } })}
            >
              Stop: {MONEY_STOPS[m].name.toLowerCase()}
            </button>
          ))}
      </div>
      <KeysLine
        keys={[
          ["C", "safety stop"],
          ["W", "note, photo"],
          ["J", "the job"],
          ["Backspace", "take back"],
          ["?", "all keys"],
        ]}
      />
    </>
  );
}
