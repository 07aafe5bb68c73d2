"use client";
import { useState } from "react";
import { hingeTorque } from "@/core/hinge";
import { readNumber } from "@/core/quantity";
import { NumberField } from "../controls/NumberField";
import { useBench } from "../job/context";

/** Spring scale at the lip: friction against weight, and against what it was before. */
export function HingeTorque({ when }: { when: "before" | "after" }) {
  const { log, view } = useBench();
  const [t, setT] = useState({ openN: "", closeN: "", armMm: "", lidDeg: "45" });
  const n = (x: string) => (x.trim() === "" ? null : readNumber(x));
  const [o, c, r, a] = [n(t.openN), n(t.closeN), n(t.armMm), n(t.lidDeg)];
  const typed =
    o !== null && c !== null && r !== null && a !== null && r >= 20 ? { openN: o, closeN: c, armM: r / 1000, lidDeg: a } : null;
  const kept = view.state.after.torque[when];
  const before = view.state.after.torque.before;
  const of = typed ?? kept ?? null;
  const said = of && hingeTorque(of);
  const was = when === "after" && before ? hingeTorque(before) : null;
  return (
    <details open={!!kept}>
      <summary className="btn quiet">Hinge torque, by spring scale</summary>
      <form
        className="mt-2 flex flex-wrap items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (typed) log.record({ type: "after.torqueRead", payload: { when, ...typed } });
        }}
      >
        {(
          [
            ["openN", "Opening, N", -100, 100],
            ["closeN", "Closing, N", -100, 100],
            ["armMm", "Hinge to lip, mm", 20, 1000],
            ["lidDeg", "Lid from level, °", 0, 360],
          ] as const
        ).map(([k, w, min, max]) => (
          <NumberField
            key={k}
            label={w}
            width={128}
            required
            min={min}
            max={max}
            value={t[k]}
            onText={(x) => setT({ ...t, [k]: x })}
          />
        ))}
        <button type="submit" className="btn">
          Keep
        </button>
      </form>
      <p className="q">
        Pulled square to the lid at its lip, slowly, once opening and once closing. It may fall by itself: closing is then
        negative.
      </p>
      {said && (
        <p role="status">
          Friction <b>{said.frictionNm.toFixed(2)} N m</b>
          {said.levelNm === null
            ? "; too steep to tell its weight: read nearer to level."
            : `, weight when level ${said.levelNm.toFixed(2)} N m, ratio ${said.ratio!.toFixed(2)}. ${
                said.ratio! < 1
                  ? `Stays up only above ${Math.round(said.holdsDownToDeg!)} degrees: it droops.`
                  : said.ratio! < 1.3
                    ? "Little to spare (1.3 to 2.5 as a rule)."
                    : said.ratio! > 2.5
                      ? "Stiff: it opens with two hands and may tear the lid."
                      : "Within 1.3 to 2.5."
              }`}
          {was &&
            ` Before: friction ${was.frictionNm.toFixed(2)} N m${was.levelNm === null ? "" : `, weight ${was.levelNm.toFixed(2)} N m`}.`}
          {said.ratio !== null && (said.ratio < 1.3 || said.ratio > 2.5)
            ? " Where the hinge has a nut: an eighth of a turn, both alike, then measure again; without one it is replaced."
            : ""}
        </p>
      )}
    </details>
  );
}
