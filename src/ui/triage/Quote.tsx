"use client";
import { addDays, format } from "date-fns";
import { useMemo, useState } from "react";
import { oldPanelOf } from "@/core/job";
import { durationWords, formatMoney, readNumber } from "@/core/quantity";
import { panelParts, priceMoved, type QuoteOption, quoteOptions } from "@/core/quote";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "../station/RefusalBox";

const W = 470;

/** What the choices cost: each a bar from likely to bad case on one money ruler, the replacement marked on it. */
export function Quote() {
  const { log, view, reference, build, progress, setKeys, nowMs, jobId } = useBench();
  const [pickedId, setPicked] = useState<QuoteOption["id"]>("panelNew");
  const [value, setValue] = useState("");
  const [by, setBy] = useState("");
  const policy = reference.quote?.data;
  const s = view.state;
  const machine = reference.machines.find((m) => m.model === s.job?.machineModel);
  const old = oldPanelOf(view);
  const replacement = (readNumber(value) ?? 0) > 0 ? Math.round(readNumber(value)! * 100) : null;
  const { options, basis } = useMemo(() => {
    if (!policy) return { options: [], basis: "" };
    const parts = panelParts(
      old,
      machine?.panels ?? [],
      reference.panels.map((p) => p.data),
      reference.offers,
      build?.data ?? null,
    );
    return {
      basis: parts.basis,
      options: quoteOptions({
        policy,
        family: build?.data.family ?? null,
        machineModel: s.job?.machineModel ?? "",
        plan: progress?.plan.minutes ?? null,
        panelNew: parts.panelNew,
        panelUsed: parts.panelUsed,
        cover: s.triage.context.cover,
        replacementMinor: replacement,
        log: reference.shopLog,
      }),
    };
  }, [policy, old, machine, reference, build, s, progress, replacement]);
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
  const step = [2000, 5000, 10_000, 20_000, 50_000, 100_000].find((k) => top / k <= 7) ?? 200_000;
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
                  <b>{formatMoney(o.expectedMinor, policy.currency)}</b>
                  {`, ${o.days} d, ${Math.round(o.ratio * 100)} %`}
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
      <svg
        width="100%"
        height={30}
        viewBox={`0 0 ${W + 4} 30`}
        role="img"
        aria-label={`Money from 0 to ${formatMoney(Math.round(top), policy.currency)}; another machine ${formatMoney(worth, policy.currency)}`}
      >
        <path d={`M0 4H${W}`} className="pen1 sink" />
        {Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => i * step).map((m) => (
          <g key={m}>
            <path d={`M${x(m)} 4v6`} className="pen1 sink" />
            <text x={x(m)} y={24} className="t14 mono i3" textAnchor={m === 0 ? "start" : "middle"}>
              {m / 100}
            </text>
          </g>
        ))}
      </svg>
      {picked && !picked.whyNot && (
        <>
          <Plate
            line1={`${picked.name}: ${formatMoney(picked.expectedMinor, policy.currency)}`}
            line2={`At most ${formatMoney(picked.p80Minor, policy.currency)} in four of five. Holds until ${format(addDays(nowMs, policy.validDays), "EEE d MMM")}.`}
            onAct={choose}
          />
          <p className="q">
            {policy.currency}, tax of {policy.taxPercent} % included. Bar: likely to bad case (P80); stroke: expected; dashed:
            another machine, {formatMoney(worth, policy.currency)}. {basis}.
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
            <li>
              <span className="grow">Keeps</span>
              <em style={{ whiteSpace: "normal", textAlign: "right" }}>{picked.keeps}</em>
            </li>
          </ul>
        </>
      )}
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
