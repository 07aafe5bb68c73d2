"use client";
import { useEffect, useState } from "react";
import type { Payload } from "@/core/job";
import { readNumber } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { NumberField } from "../controls/NumberField";
import { Tick } from "../controls/Tick";
import { useBench } from "../job/context";

type Kind = Payload<"triage.damageMarked">["kind"];
const KINDS: [Kind, string][] = [
  ["crack", "Crack"],
  ["blot", "Blot"],
  ["lines", "Lines"],
  ["dim", "Dim zone"],
  ["deadTouch", "Dead touch zone"],
];

/** Damage marked on the drawing, by touch or by keyboard: kind, place and size in mm. Marks are evidence. */
export function DamageForm() {
  const { log, view, setTap, tapMode } = useBench();
  const [kind, setKind] = useState<Kind>("crack");
  const [direction, setDirection] = useState<"vertical" | "horizontal">("vertical");
  const [moves, setMoves] = useState(false);
  const [place, setPlace] = useState({ x: "160", y: "90", size: "80" });
  const mark = (xMm: number, yMm: number) =>
    log.record({
      type: "triage.damageMarked",
      payload: {
        kind,
        xMm,
        yMm,
        sizeMm: readNumber(place.size) || 80,
        direction: kind === "lines" ? direction : null,
        movesWithLid: kind === "lines" && moves,
      },
    });
  useEffect(() => {
    setTap((x, y) => mark(x, y));
    return () => setTap(null);
  });
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        mark(readNumber(place.x)!, readNumber(place.y)!);
      }}
    >
      <h2 className="sec">Mark the damage</h2>
      <div className="flex flex-wrap items-end gap-2">
        <label className="field" style={{ width: 150 }}>
          <span>Kind</span>
          <Choose value={kind} options={KINDS} onValue={setKind} />
        </label>
        {kind === "lines" && (
          <>
            <label className="field" style={{ width: 130 }}>
              <span>Direction</span>
              <Choose
                value={direction}
                options={[
                  ["vertical", "vertical"],
                  ["horizontal", "horizontal"],
                ]}
                onValue={setDirection}
              />
            </label>
            <label className="flex min-h-11 items-center gap-2">
              <Tick on={moves} onPut={setMoves} />
              moves with the lid
            </label>
          </>
        )}
        {(["x", "y", "size"] as const).map((k) => (
          <NumberField
            key={k}
            label={k === "size" ? "Size, mm" : `${k}, mm`}
            width={92}
            min={k === "size" ? 1 : -50}
            max={k === "size" ? 400 : 600}
            required
            value={place[k]}
            onText={(t) => setPlace({ ...place, [k]: t })}
          />
        ))}
        <button type="submit" className="btn">
          Mark
        </button>
        <button type="button" className="btn" aria-pressed={tapMode[0]} onClick={() => tapMode[1](!tapMode[0])}>
          Tap on the drawing
        </button>
      </div>
      {view.state.triage.damage.length > 0 && (
        <ul className="rows" aria-label="Marks">
          {view.state.triage.damage.map((d) => (
            <li key={d.eventId}>
              <span className="grow">
                {KINDS.find(([k]) => k === d.kind)?.[1]}
                {d.direction && `, ${d.direction}`}
                {d.movesWithLid && ", moves with the lid"}
              </span>
              <em className="mono">{`${Math.round(d.xMm)}, ${Math.round(d.yMm)} mm, ${Math.round(d.sizeMm)} mm`}</em>
              <button type="button" className="link" onClick={() => log.takeBack(d.eventId)}>
                take back
              </button>
            </li>
          ))}
        </ul>
      )}
    </form>
  );
}
