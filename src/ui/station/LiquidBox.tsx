"use client";
import { useState } from "react";
import { LIQUID_SAYS } from "@/core/job";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** Liquid went in: what is done first, on every station, until it is recorded that it was opened, cleaned and dried. */
export function LiquidBox() {
  const { log, view } = useBench();
  const [how, setHow] = useState("");
  const mains = view.state.bench.mains === "out";
  return (
    <form
      className="caut flex-col"
      aria-label="Liquid in the machine"
      onSubmit={(e) => {
        e.preventDefault();
        if (log.record({ type: "triage.liquidCleared", payload: { opened: true, cleaned: true, dry: true, how: how.trim() } }))
          setHow("");
      }}
    >
      <div className="flex gap-3">
        <Mark kind="stop" size={30} />
        <p>{LIQUID_SAYS}</p>
      </div>
      {mains ? (
        <>
          <label className="field">
            <span>Opened, cleaned and dry: how, and how long it dried</span>
            <input value={how} onChange={(e) => setHow(e.target.value)} required maxLength={400} />
          </label>
          <button type="submit" className="btn self-start">
            Record it as cleared
          </button>
        </>
      ) : (
        <button type="button" className="btn self-start" onClick={() => log.record({ type: "bench.mainsOut", payload: {} })}>
          Mains are out
        </button>
      )}
    </form>
  );
}
