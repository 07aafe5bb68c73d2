"use client";
import { useState } from "react";
import type { FitRow } from "@/core/panel";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** A difference the customer has to agree to, and who answered. */
export function AskRow({ row, ready, choose }: { row: FitRow; ready: boolean; choose: () => unknown }) {
  const { log, view } = useBench();
  const [by, setBy] = useState("");
  const given = view.state.match.asked[row.field];
  const answer = (a: "accepted" | "refused") => {
    if (!by.trim()) return log.refuse({ gate: "ask", reason: "Write who answered first." });
    if (!ready) choose();
    log.record({ type: "match.asked", payload: { field: row.field, answer: a, by: by.trim() } });
  };
  return (
    <div className="look flex-wrap items-end">
      <p className="grow">
        <Mark kind="ask" size={22} /> <b>Ask the customer:</b> {row.name.toLowerCase()} {row.words}.{" "}
        {given && ready && (
          <b>
            {given.answer === "accepted" ? "Accepted" : "Refused"} by {given.by}.
          </b>
        )}
      </p>
      <label className="field" style={{ width: 170 }}>
        <span>Who answered</span>
        <input value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
      </label>
      <button type="button" className="btn" aria-label={`${row.name}: accepts`} onClick={() => answer("accepted")}>
        Accepts
      </button>
      <button type="button" className="btn" aria-label={`${row.name}: refuses`} onClick={() => answer("refused")}>
        Refuses
      </button>
    </div>
  );
}
