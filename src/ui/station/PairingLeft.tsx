"use client";
import { useState } from "react";
import { changesOf } from "@/core/job";
import { UNPAIRED } from "@/core/panel";
import { useBench } from "../job/context";

/** Pairing that cannot be done here: what is lost is said, and who took the machine so is written down. */
export function PairingLeft() {
  const { log, view } = useBench();
  const [open, setOpen] = useState(false);
  const [by, setBy] = useState("");
  const [why, setWhy] = useState("");
  const change = changesOf(view).find((c) => c.field === "pairing");
  if (!change || change.made) return null;
  if (!open)
    return (
      <button type="button" className="btn quiet self-start" onClick={() => setOpen(true)}>
        It cannot be done here
      </button>
    );
  return (
    <form
      className="flex flex-col gap-2"
      aria-label="Left undone"
      onSubmit={(e) => {
        e.preventDefault();
        log.record({ type: "after.pairingLeft", payload: { by: by.trim(), why: why.trim() } });
      }}
    >
      <p>
        <b>Not paired.</b> {UNPAIRED} It stands on the hand-over sheet.
      </p>
      <label className="field">
        <span>Why it cannot be done</span>
        <input required value={why} maxLength={200} onChange={(e) => setWhy(e.target.value)} />
      </label>
      <label className="field">
        <span>Who of the customer's takes it so</span>
        <input required value={by} maxLength={80} autoComplete="off" onChange={(e) => setBy(e.target.value)} />
      </label>
      <div className="flex gap-2">
        <button type="submit" className="btn" disabled={!by.trim() || !why.trim()}>
          Leave it undone
        </button>
        <button type="button" className="btn quiet" onClick={() => setOpen(false)}>
          Not now
        </button>
      </div>
    </form>
  );
}
