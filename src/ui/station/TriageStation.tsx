"use client";
import Link from "next/link";
import { useEffect, useState } from "react";
import { openMoneyStops } from "@/core/job";
import { formatMoney } from "@/core/quantity";
import { MONEY_STOPS, type MoneyStop, nextTest, type Outcome, posterior } from "@/core/triage";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "./RefusalBox";

const OUTCOMES: [Outcome, string][] = [
  ["yes", "Yes"],
  ["no", "No"],
  ["unclear", "Unclear"],
];
const pct = (p: number) => (p >= 0.995 ? "over 99 %" : p < 0.01 ? "under 1 %" : `${Math.round(p * 100)} %`);

/** Is it the panel at all: what was seen, what it says, and the test worth most next. */
export function TriageStation() {
  const { log, reference, view, offer, setTap, tapMode, jobId } = useBench();
  const [kind, setKind] = useState<"crack" | "blot" | "lines" | "dim">("crack");
  const [place, setPlace] = useState({ x: "160", y: "90", size: "80" });
  const t = reference.triage;
  const s = view.state;
  useEffect(() => {
    setTap((x, y) => {
      log.record({ type: "triage.damageMarked", payload: { kind, xMm: x, yMm: y, sizeMm: Number(place.size) || 80 } });
    });
    return () => setTap(null);
  });
  if (!t) {
    offer({});
    return (
      <div className="empty">
        <b>No triage table.</b> Start once with the shipped reference data.
      </div>
    );
  }
  const p = posterior(t.data, s.triage.findings);
  const next = nextTest(t.data, s.triage.findings);
  const lead = p.ranking[0]!;
  const second = p.ranking[1]!;
  const fault = t.data.faults.find((f) => f.id === lead.fault)!;
  const best = next.tests[0];
  const isPanel = lead.fault === "panelCell" || lead.fault === "panelBacklight";
  const set = (finding: string, kindOf: "sign" | "test", outcome: Outcome) =>
    log.record({
      type: kindOf === "sign" ? "triage.signSeen" : "triage.testDone",
      payload: { finding, outcome, tableHash: t.hash },
    });
  const conclude = (verdict: "panel" | "notPanel" | "cover") =>
    log.record({
      type: "triage.concluded",
      payload: { verdict, fault: lead.fault, probability: Math.round(lead.p * 1e6) / 1e6, tableHash: t.hash },
    });
  const money = openMoneyStops(s);
  const done = s.triage.concluded;
  const act = done ? undefined : best ? undefined : isPanel ? () => conclude("panel") : () => conclude("notPanel");
  offer({ ...(act ? { space: act } : {}) });
  const found = (id: string) => s.triage.findings[id];
  return (
    <>
      <h1 className="step">
        {Object.keys(s.triage.findings).length === 0
          ? "What do you see?"
          : fault.id === "noneOfThese"
            ? "None of these leads: look"
            : `${lead.name}, ${pct(lead.p)}`}
      </h1>
      <svg
        viewBox="0 0 504 40"
        width="100%"
        height="40"
        role="img"
        aria-label={`${lead.name} ${pct(lead.p)}, then ${second.name} ${pct(second.p)}`}
      >
        <rect x={1} y={4} width={Math.max(2, lead.p * 500)} height={14} className="pf" />
        <rect x={1} y={22} width={Math.max(2, second.p * 500)} height={10} fill="url(#hMetal)" className="pen1 sink" />
        <path d="M1 36H501M1 36v-5M126 36v-5M251 36v-5M376 36v-5M501 36v-5" className="pen1 sink" />
      </svg>
      <p className="q">
        Then {second.name.toLowerCase()}, {pct(second.p)}. {fault.advice} Likelihoods are adjustable defaults (A).
      </p>
      {p.contradiction && (
        <div className="refusal" role="alert">
          <Mark kind="stop" size={26} />
          <p>{p.contradiction}</p>
        </div>
      )}
      <RefusalBox />
      {money.map((m) => (
        <MoneyStopBox key={m} stop={m} />
      ))}
      {done ? (
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
                    payload: { outcome: done.verdict === "cover" ? "cover" : "notPanel", reason: fault.advice },
                  })
                }
              >
                Close the job with this verdict
              </button>
            )}
          </div>
        </div>
      ) : best ? (
        <div className="plate" role="group" aria-label="Next test">
          <span>
            <b>{best.name}?</b>
            <i>
              {best.how} {best.minutes} min. {best.why}
            </i>
            <span className="mt-2 flex gap-2">
              {OUTCOMES.map(([o, w]) => (
                <button
                  key={o}
                  type="button"
                  className="btn"
                  style={{ background: "transparent", color: "inherit", borderColor: "currentColor" }}
                  onClick={() => set(best.test, "test", o)}
                >
                  {w}
                </button>
              ))}
            </span>
          </span>
        </div>
      ) : (
        <Plate
          line1={
            isPanel
              ? "It is the panel: go on"
              : lead.fault === "noneOfThese"
                ? "Look closer before ordering"
                : "It is not the panel"
          }
          line2={`No test is worth its minutes now. ${fault.advice}`}
          onAct={act!}
        />
      )}
      {best?.caution && (
        <div className="caut">
          <Mark kind="change" size={26} />
          <p>{best.caution}</p>
        </div>
      )}
      <div className="rows" role="group" aria-label="Findings">
        {t.data.findings.map((f) => {
          const l = p.ledger.find((x) => x.finding === f.id);
          return (
            <div key={f.id} style={{ alignItems: "center" }}>
              <span className="grow">
                {f.name}
                {l && (
                  <span className="q block">
                    {l.countedOnce
                      ? "counted once with another look at the same thing"
                      : l.moved === 0
                        ? "moves nothing"
                        : `moved the lead by ${l.moved > 0 ? "+" : "-"}${Math.abs(Math.round(l.moved * 100))} points`}
                  </span>
                )}
              </span>
              <span className="flex gap-1">
                {OUTCOMES.map(([o, w]) => (
                  <button
                    key={o}
                    type="button"
                    className="btn quiet"
                    style={{ padding: "4px 10px" }}
                    aria-pressed={found(f.id) === o}
                    aria-label={`${f.name}: ${w}`}
                    onClick={() => set(f.id, f.kind, o)}
                  >
                    {w}
                  </button>
                ))}
              </span>
            </div>
          );
        })}
      </div>
      {!done && Object.keys(s.triage.findings).length > 0 && (
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn" onClick={() => conclude("panel")}>
            It is the panel
          </button>
          <button type="button" className="btn" onClick={() => conclude("notPanel")}>
            Not the panel
          </button>
          <button type="button" className="btn" onClick={() => conclude("cover")}>
            Use the warranty or cover
          </button>
          <span className="q self-center">
            Least expected loss now: {next.decision.name.toLowerCase()},{" "}
            {formatMoney(next.decision.expectedLossMinor, t.data.currency)} at stake.
          </span>
        </div>
      )}
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          log.record({
            type: "triage.damageMarked",
            payload: { kind, xMm: Number(place.x), yMm: Number(place.y), sizeMm: Number(place.size) },
          });
        }}
      >
        <h2 className="sec">Mark the damage</h2>
        <div className="flex flex-wrap items-end gap-2">
          <label className="field" style={{ width: 110 }}>
            <span>Kind</span>
            <select value={kind} onChange={(e) => setKind(e.target.value as typeof kind)}>
              <option value="crack">Crack</option>
              <option value="blot">Blot</option>
              <option value="lines">Lines</option>
              <option value="dim">Dim zone</option>
            </select>
          </label>
          {(["x", "y", "size"] as const).map((k) => (
            <label key={k} className="field" style={{ width: 92 }}>
              <span>{k === "size" ? "Size, mm" : `${k}, mm`}</span>
              <input
                inputMode="decimal"
                type="number"
                min={k === "size" ? 1 : -50}
                max={600}
                step="any"
                required
                value={place[k]}
                onChange={(e) => setPlace({ ...place, [k]: e.target.value })}
              />
            </label>
          ))}
          <button type="submit" className="btn">
            Mark
          </button>
          <button type="button" className="btn" aria-pressed={tapMode[0]} onClick={() => tapMode[1](!tapMode[0])}>
            Tap on the drawing
          </button>
        </div>
      </form>
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
      <p className="keys">
        <span>
          <kbd>C</kbd>safety stop
        </span>
        <span>
          <kbd>W</kbd>note, photo
        </span>
        <span>
          <kbd>Backspace</kbd>take back
        </span>
        <span>
          <kbd>?</kbd>all keys
        </span>
      </p>
    </>
  );
}

function MoneyStopBox({ stop }: { stop: MoneyStop }) {
  const { log } = useBench();
  const [reason, setReason] = useState("");
  return (
    <form
      className="look flex-col"
      onSubmit={(e) => {
        e.preventDefault();
        log.record({ type: "triage.moneyStopWaived", payload: { stop, reason: reason.trim() } });
      }}
    >
      <div className="flex gap-3">
        <Mark kind="ask" size={26} />
        <div>
          <b>{MONEY_STOPS[stop].name}.</b> {MONEY_STOPS[stop].say}
        </div>
      </div>
      <label className="field">
        <span>Waive it because</span>
        <input value={reason} required maxLength={400} onChange={(e) => setReason(e.target.value)} />
      </label>
      <button type="submit" className="btn self-start">
        Waive with this reason
      </button>
    </form>
  );
}
