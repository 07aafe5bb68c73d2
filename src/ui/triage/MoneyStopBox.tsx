"use client";
import { useState } from "react";
import { MONEY_STOPS, type MoneyStop } from "@/core/triage";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** A stop about money or trust: settled, or waived with a reason that is kept. */
export function MoneyStopBox({ stop }: { stop: MoneyStop }) {
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
