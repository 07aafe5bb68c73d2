"use client";
import { useState } from "react";
import { powerOf } from "@/core/job";
import { judgeReading, type MeterSpot, meterRefusal, modeWords, type TriageTable } from "@/core/triage";
import type { MeterReply } from "@/wire/triage";
import { Tick } from "../controls/Tick";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "../station/RefusalBox";

const POWER_WORDS = { isolated: "Isolated", live: "Live", off: "Off, not isolated", unknown: "Power state not recorded" };

const CHIP_WORDS = { continuity: "continuity", diode: "diode", dcVolts: "DC volts" };

/** The meter: where it is put, what it shows, the band a good board shows, and one word. It obeys the power state. */
export function Meter({ table }: { table: { hash: string; data: TriageTable } }) {
  const { log, view, setKeys, jobId } = useBench();
  const spots = table.data.meter;
  const [at, setAt] = useState(0);
  const [busy, setBusy] = useState(false);
  const [typed, setTyped] = useState("");
  const [open, setOpen] = useState(false);
  const spot = spots[at] as MeterSpot | undefined;
  const power = powerOf(view).state;
  const refused = spot ? meterRefusal(spot.mode, power) : null;
  const record = (value: number | null, by: "meter" | "hand") =>
    spot &&
    log.record({
      type: "triage.meterRead",
      payload: { point: spot.point, mode: spot.mode, value, by, tableHash: table.hash },
    });
  const read = async () => {
    if (!spot) return;
    if (refused) return log.refuse({ gate: "meter", reason: refused });
    setBusy(true);
    try {
      const res = await fetch("/api/meter", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ jobId, point: spot.point, mode: spot.mode }),
      }).catch(() => null);
      const body = (await res?.json().catch(() => null)) as (Partial<MeterReply> & { problem?: string }) | null;
      if (!res?.ok || !body)
        return log.refuse({
          gate: "meter",
          reason: body?.problem ?? "The meter was not reached. Read a real one and type the value below.",
        });
      record(body.value ?? null, "meter");
    } finally {
      setBusy(false);
    }
  };
  const byHand = () => {
    if (!spot) return;
    if (open) return record(null, "hand");
    const value = Number(typed.replace(",", "."));
    if (typed.trim() === "" || !Number.isFinite(value))
      return log.refuse({
        gate: "meter",
        reason: `"${typed}" is no number. Type the value in ${spot.unit}, or mark it open (OL).`,
      });
    if (value < spot.range[0] || value > spot.range[1])
      return log.refuse({
        gate: "meter",
        reason: `${value} ${spot.unit} cannot be read there: ${spot.range[0]} to ${spot.range[1]} ${spot.unit}. Measure again.`,
      });
    if (record(value, "hand")) setTyped("");
  };
  setKeys({ space: () => void read() });
  if (!spot)
    return (
      <div className="empty">
        <b>The fault model names no place to measure.</b>
      </div>
    );
  const last = [...view.state.triage.readings].reverse().find((r) => r.point === spot.point && r.mode === spot.mode);
  const judged = last ? judgeReading(spot, last.value) : null;
  return (
    <>
      <h1 className="step long">{spot.name}</h1>
      <div className="instrument">
        <div>
          <span className="text-[14px]">
            {modeWords(spot.mode)}, {spot.unit}
          </span>
          <b className="mono" aria-live="polite">
            {busy ? "settling" : last ? (last.value === null ? "OL" : last.value) : "no reading"}
          </b>
          <span className="text-[16px]">
            {judged
              ? judged.outcome === "unclear"
                ? "no answer"
                : judged.inBand
                  ? "as a good board"
                  : "not as a good board"
              : ""}
          </span>
        </div>
        <div>
          <span className="text-[14px]">A good board</span>
          <b className="mono">
            {spot.band[0]} to {spot.band[1]} {spot.unit}
          </b>
          <span className="text-[16px]">{POWER_WORDS[power]}</span>
        </div>
      </div>
      <div className="caut">
        <Mark kind="change" size={28} label="Caution" />
        <p>{spot.caution}</p>
      </div>
      <RefusalBox />
      {refused ? (
        <div className="look">
          <Mark kind="stop" size={26} />
          <p>{refused}</p>
        </div>
      ) : (
        <button type="button" className="plate" data-plate disabled={busy} onClick={() => void read()}>
          <span>
            <b>{busy ? "Reading" : "Read the meter"}</b>
            <i>{spot.mode === "dcVolts" ? "From here the bench is live." : "Both probes on, then press."}</i>
          </span>
          <kbd>Space</kbd>
        </button>
      )}
      <fieldset className="flex flex-wrap gap-2">
        <legend className="vh">Where the probes are</legend>
        {spots.map((x, i) => (
          <button
            key={`${x.point}-${x.mode}`}
            type="button"
            className="btn quiet"
            aria-pressed={i === at}
            onClick={() => setAt(i)}
          >
            {x.name}
            <span className="q" style={{ color: "inherit" }}>
              {CHIP_WORDS[x.mode]}
            </span>
          </button>
        ))}
      </fieldset>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          byHand();
        }}
      >
        <label className="field" style={{ width: 190 }}>
          <span>Or typed, {spot.unit}</span>
          <input className="mono" inputMode="decimal" value={typed} disabled={open} onChange={(e) => setTyped(e.target.value)} />
        </label>
        {spot.mode !== "dcVolts" && (
          <label className="flex min-h-11 items-center gap-2">
            <Tick on={open} onPut={setOpen} />
            open (OL)
          </label>
        )}
        <button type="submit" className="btn">
          Take this reading
        </button>
      </form>
      <ul className="rows" aria-label="Readings">
        {view.state.triage.readings.length === 0 && (
          <li className="q">No reading yet. The meter here is a simulated stand-in; a real one is typed.</li>
        )}
        {[...view.state.triage.readings].reverse().map((r) => (
          <li key={r.eventId}>
            <b>{spots.find((x) => x.point === r.point && x.mode === r.mode)?.name ?? r.point}</b>
            <span className="grow">{r.words}</span>
            <em>{r.by === "hand" ? "typed (M)" : "meter (M)"}</em>
          </li>
        ))}
      </ul>
      <p className="q">
        Board-level work under power is for trained people. Continuity and diode only isolated, volts only live.
      </p>
    </>
  );
}
