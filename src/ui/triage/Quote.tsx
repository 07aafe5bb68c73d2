"use client";
import { addDays, format } from "date-fns";
import { useMemo, useState } from "react";
import { oldPanelOf } from "@/core/job";
import { durationWords, formatMoney, readNumber } from "@/core/quantity";
import { panelParts, priceMoved, type QuoteInput, type QuoteOption, quoteOptions, recommend } from "@/core/quote";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "../station/RefusalBox";
import { MoneyRuler, RULER_W as W } from "./MoneyRuler";
import { QuotePromise } from "./QuotePromise";

/** What the choices cost: each a bar from likely to bad case on one money ruler, the replacement marked on it. */
export function Quote() {
  const { log, view, reference, build, progress, setKeys, nowMs, jobId } = useBench();
  const [tapped, setPicked] = useState<QuoteOption["id"] | null>(null);
  const [value, setValue] = useState("");
  const [by, setBy] = useState("");
  const policy = reference.quote?.data;
  const s = view.state;
  const machine = reference.machines.find((m) => m.model === s.job?.machineModel);
  const old = oldPanelOf(view);
  const replacement = (readNumber(value) ?? 0) > 0 ? Math.round(readNumber(value)! * 100) : null;
  const { options, basis, left, first } = useMemo(() => {
    if (!policy) return { options: [], basis: "", left: [], first: null };
    const parts = panelParts(
      old,
      machine?.panels ?? [],
      reference.panels.map((p) => p.data),
      reference.offers,
      build?.data ?? null,
      {
        counts: machine?.seen,
        currency: policy.currency,
        rates: policy.rates,
        rateMinorPerHour: policy.benchRateMinorPerHour,
      },
    );
    const { cover, coverKind } = s.triage.context;
    const found = s.triage.concluded;
    const input: QuoteInput = {
      policy,
      family: build?.data.family ?? null,
      machineModel: s.job?.machineModel ?? "",
      plan: progress?.plan.minutes ?? null,
      panelNew: parts.panelNew,
      panelUsed: parts.panelUsed,
      cover,
      coverKind: coverKind === "unknown" ? undefined : coverKind,
      points: found ? { fault: found.fault, p: found.probability } : undefined,
      replacementMinor: replacement,
      log: reference.shopLog,
    };
    const all = quoteOptions(input);
    const first = recommend(all, input);
    // What is recommended stands first.
    return {
      basis: parts.basis,
      left: parts.left,
      first,
      options: [...all].sort((a, b) => Number(b.id === first.id) - Number(a.id === first.id)),
    };
  }, [policy, old, machine, reference, build, s, progress, replacement]);
  const pickedId = tapped ?? first?.id ?? "panelNew";
  const picked = options.find((o) => o.id === pickedId);
  const given = s.quote;
  const moved = given
    ? priceMoved(given.expectedMinor, options.find((o) => o.id === given.option)?.expectedMinor ?? 0, given.marginPercent)
    : null;
  const choose = () => {
    if (!policy || !picked || picked.whyNot) return;
    log.record({
      type: "quote.chosen",
      payload: {
        option: picked.id,
        expectedMinor: picked.expectedMinor,
        p80Minor: picked.p80Minor,
        currency: policy.currency,
        taxPercent: policy.taxPercent,
        days: picked.days,
        validUntil: addDays(nowMs, policy.validDays).toISOString(),
        assumptions: [
          ...picked.notes,
          ...(picked.id === "panelNew" || picked.id === "panelUsed" ? [basis] : []),
          ...picked.mishaps.map(
            (m) => `${m.name}: ${Math.round(m.chance * 100)} % at ${formatMoney(m.costMinor, policy.currency)}, ${m.from}`,
          ),
          picked.keeps,
        ].map((a) => a.slice(0, 200)),
        labourMinutes: Math.round(picked.labour.p50 * 10) / 10,
        marginPercent: policy.marginPercent,
        agreedBy: by.trim(),
      },
    });
  };
  setKeys(picked && !picked.whyNot ? { space: choose } : {});
  if (!policy)
    return (
      <div className="empty">
        <b>No price table.</b> Start once with the shipped reference data.
      </div>
    );
  const worth = replacement ?? policy.replacementMinor;
  const top = Math.max(worth, ...options.map((o) => o.p80Minor)) * 1.06;
  const x = (m: number) => Math.round((m / top) * W * 10) / 10;
  return (
    <>
      <h1 className="step long">{given ? "Estimate given" : "What it would cost"}</h1>
      {moved !== null && (
        <div className="refusal" role="alert">
          <Mark kind="ask" size={28} />
          <div>
            <b>Ask the customer again</b>
            The price moved by {moved > 0 ? "+" : "-"}
            {Math.abs(Math.round(moved))} % since the estimate; {given!.marginPercent} % was promised at most.
          </div>
        </div>
      )}
      <RefusalBox />
      {first && !given && (
        <div className="look">
          <Mark kind="same" size={26} />
          <p>
            <b>{options.find((o) => o.id === first.id)?.name}.</b> {first.reason}{" "}
            <span className="q">What would change it: {first.wouldChange}</span>
          </p>
        </div>
      )}
      <div role="radiogroup" aria-label="Choices" className="flex flex-col">
        {options.map((o) => (
          <button
            key={o.id}
            type="button"
            role="radio"
            aria-checked={o.id === pickedId}
            className="option"
            disabled={!!o.whyNot}
            onClick={() => setPicked(o.id)}
          >
            <span className="flex justify-between gap-3">
              <b>{o.name}</b>
              {o.whyNot ? (
                <span className="q">{o.whyNot}</span>
              ) : (
                <span className="mono whitespace-nowrap">
                  <b>
                    {o.highMinor > o.p80Minor || o.lowMinor < o.likelyMinor
                      ? `${formatMoney(o.lowMinor, policy.currency).split(" ")[0]} to ${formatMoney(o.highMinor, policy.currency)}`
                      : formatMoney(o.expectedMinor, policy.currency)}
                  </b>
                  {`, ${o.days} d, ${Math.round(o.ratio * 100)} %`}
                  {o.overWorth && " "}
                  {o.overWorth && <Mark kind="ask" size={18} label="above the shop's share of another machine" />}
                </span>
              )}
            </span>
            {!o.whyNot && (
              <svg width="100%" height={20} viewBox={`0 0 ${W + 4} 20`} preserveAspectRatio="none" aria-hidden="true">
                <rect
                  x={x(o.likelyMinor)}
                  y={4}
                  width={Math.max(3, x(o.p80Minor) - x(o.likelyMinor))}
                  height={11}
                  className="bar"
                />
                <path d={`M${x(o.expectedMinor)} 1V18`} className="pen3 sink" />
                <path d={`M${x(worth)} 0V20`} className="pks" strokeDasharray="3 2" />
              </svg>
            )}
          </button>
        ))}
      </div>
      <MoneyRuler top={top} worth={worth} currency={policy.currency} />
      {picked && !picked.whyNot && (
        <>
          <Plate
            line1={`${picked.name}: ${formatMoney(picked.expectedMinor, policy.currency)}`}
            line2={`At most ${formatMoney(picked.p80Minor, policy.currency)} in four of five. Holds until ${format(addDays(nowMs, policy.validDays), "EEE d MMM")}.`}
            onAct={choose}
          />
          <p className="q">
            {policy.currency}, tax of {policy.taxPercent} % included. Bar: likely to bad case (P80); stroke: expected; dashed:
            another machine, {formatMoney(worth, policy.currency)}. {basis}. {left.length > 0 && `Left out: ${left.join("; ")}.`}
          </p>
          <ul className="rows" aria-label="What it stands on">
            {picked.labour.p50 > 0 && (
              <li>
                <span className="grow">Hands-on</span>
                <em>
                  {durationWords(picked.labour.p50)} to {durationWords(picked.labour.p80)} (P50, P80)
                </em>
              </li>
            )}
            {picked.mishaps.map((m) => (
              <li key={m.name}>
                <span className="grow">{m.name}</span>
                <em>
                  {Math.round(m.chance * 1000) / 10} % at {formatMoney(m.costMinor, policy.currency)}, {m.from}
                </em>
              </li>
            ))}
            {picked.notes.map((n) => (
              <li key={n}>
                <span className="grow">{n}</span>
              </li>
            ))}
            <li>
              <span className="grow">Keeps</span>
              <em style={{ whiteSpace: "normal", textAlign: "right" }}>{picked.keeps}</em>
            </li>
          </ul>
        </>
      )}
      <QuotePromise jobId={jobId} option={picked} />
      <div className="flex flex-wrap items-end gap-2">
        <label className="field" style={{ width: 190 }}>
          <span>Another machine, {policy.currency}</span>
          <input
            className="mono"
            inputMode="decimal"
            value={value}
            placeholder={String(policy.replacementMinor / 100)}
            onChange={(e) => setValue(e.target.value)}
          />
        </label>
        <label className="field grow">
          <span>Agreed by, when they did</span>
          <input value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
        </label>
      </div>
      {given && (
        <p className="flex flex-wrap items-center gap-3">
          <a className="btn" href={`/api/jobs/${jobId}/estimate`} target="_blank" rel="noreferrer">
            Estimate, PDF
          </a>
          <span className="q">
            {options.find((o) => o.id === given.option)?.name}, {formatMoney(given.expectedMinor, given.currency)}
            {given.agreedBy && `, agreed by ${given.agreedBy}`}.
          </span>
        </p>
      )}
    </>
  );
}
