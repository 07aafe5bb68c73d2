"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { aheadMs } from "@/client/serverTime";
import { candidateOf, msOf } from "@/core/job";
import { readNumber } from "@/core/quantity";
import { type Hold, holdOf } from "@/core/tape";
import { OnDemand } from "../controls/OnDemand";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

const StrengthChart = dynamic(() => import("./HeatCharts").then((m) => m.StrengthChart), { ssr: false });

const MOMENTS = [
  ["upright", "Upright"],
  ["handedOver", "Handed over, gently"],
  ["carried", "Carried in a bag"],
] as const satisfies readonly (readonly [keyof Hold, string])[];

/** When the new tape holds, as clock times with their range, from the moment it was pressed; nothing where nothing is stuck. */
export function HoldTimes() {
  const { build, view, log, nowMs } = useBench();
  const s = view.state;
  const told = s.bondTold;
  const [room, setRoom] = useState(told.roomC === undefined ? "" : String(told.roomC));
  const [mass, setMass] = useState(told.massKg === undefined ? "" : String(Math.round(told.massKg * 1000)));
  if (!build || !s.bond.pressedClock) return null;
  const hold = holdOf(build.data, told, candidateOf(view)?.outline.value);
  if (!hold) return null;
  const pressedMs = msOf(s.bond.pressedClock);
  const now = Math.max(nowMs, pressedMs - (aheadMs() ?? 0));
  const at = (min: number) => {
    const t = new Date(pressedMs + min * 60_000);
    const days = Math.round((new Date(t).setHours(0, 0, 0, 0) - new Date(now).setHours(0, 0, 0, 0)) / 86_400_000);
    const hm = `${String(t.getHours()).padStart(2, "0")}:${String(t.getMinutes()).padStart(2, "0")}`;
    return days > 0 ? `${hm} ${days === 1 ? "tomorrow" : `in ${days} days`}` : hm;
  };
  const [roomC, grams] = [readNumber(room), readNumber(mass)];
  const fits = (n: number | null, from: number, to: number) => n === null || (n >= from && n <= to);
  const ok = fits(roomC, -10, 50) && fits(grams, 20, 5000) && (roomC !== null || grams !== null);
  const never = MOMENTS.filter(([k]) => hold[k] === null);
  return (
    <section aria-label="When the tape holds" className="flex flex-col gap-2">
      <h2 className="sec">When the tape holds</h2>
      <ul className="rows">
        {MOMENTS.map(([k, words]) => {
          const m = hold[k];
          const late = m ? pressedMs + m.lateMin * 60_000 : null;
          return (
            <li key={k}>
              <span className="grow">{words}</span>
              <span className="mono">{m ? `${at(m.min)}, at worst ${at(m.lateMin)}` : "not by this tape alone"}</span>
              <em>{late === null ? "" : now >= late ? "holds" : "not yet"}</em>
            </li>
          );
        })}
      </ul>
      <OnDemand words="Draw the strength over time">
        <StrengthChart
          roomC={hold.roomC}
          marks={MOMENTS.flatMap(([k, words]) => (hold[k] ? [{ words, min: hold[k]!.lateMin }] : []))}
        />
        <p className="q">
          Solid: likely; grey: two and a half times faster or slower (A). Dashed lines: from when it may be moved, at worst.
        </p>
      </OnDemand>
      {never.length > 0 && (
        <div className="caut">
          <Mark kind="look" size={26} label="Look" />
          <p>
            {Math.round(hold.areaMm2 / 100)} cm² of tape for {Math.round(hold.massKg * 1000)} g: too little to hold it alone.
            Bezel, screws or rim have to carry it as well; where nothing else does, a wider ledge, a second row or a stronger
            tape.
          </p>
        </div>
      )}
      {!hold.inRange && <p className="wrong">Tape wants 15 to 40 °C: warm the machine through first, not the tape alone.</p>}
      <p className="q">
        From half its strength at 20 min and 90 % at a day, slower in the cold, times two and a half either way (A); {hold.roomC}{" "}
        °C, {Math.round(hold.massKg * 1000)} g{hold.estimated ? " by its size" : ""}. Meanwhile flat and closed, films and clamps
        on. Promise the late time.
      </p>
      <form
        className="flex items-end gap-2"
        aria-label="Room and mass"
        onSubmit={(e) => {
          e.preventDefault();
          if (ok)
            log.record({
              type: "bench.holdTold",
              payload: { ...(roomC === null ? {} : { roomC }), ...(grams === null ? {} : { massKg: grams / 1000 }) },
            });
        }}
      >
        <label className="field" style={{ width: 92 }}>
          <span>Room, °C</span>
          <input className="mono" inputMode="decimal" value={room} onChange={(e) => setRoom(e.target.value)} />
        </label>
        <label className="field" style={{ width: 92 }}>
          <span>Panel, g</span>
          <input className="mono" inputMode="decimal" value={mass} onChange={(e) => setMass(e.target.value)} />
        </label>
        <button type="submit" className="btn" disabled={!ok}>
          Reckon with these
        </button>
      </form>
    </section>
  );
}
