"use client";
import { useId, useState } from "react";
import type { Step } from "@/core/teardown";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** What the build leaves open: as described there, or otherwise, in words. Nothing of it is undone before that. */
export function LookStep() {
  const { log, progress, setKeys } = useBench();
  const [words, setWords] = useState("");
  const field = useId();
  const step = progress?.now;
  if (!step) return null;
  const seen = (as: "described" | "otherwise") =>
    log.record({ type: "open.looked", payload: { of: step.target, as, words: as === "described" ? "" : words.trim() } });
  // No Space and no pedal: a look is not answered by the habit of the hand.
  setKeys({ keys: { y: () => seen("described") } });
  return (
    <>
      <p className="text-[20px] leading-[26px]">{step.how}</p>
      <Plate
        line1="Looked: as the build has it"
        line2="Nothing else than the plan says. Press after looking, not before."
        keyCap="Y"
        onAct={() => seen("described")}
      />
      <div className="field">
        <label htmlFor={field}>Otherwise: what is there</label>
        <textarea id={field} className="cell" rows={2} maxLength={300} value={words} onChange={(e) => setWords(e.target.value)} />
      </div>
      <button type="button" className="btn self-start" disabled={!words.trim()} onClick={() => seen("otherwise")}>
        It is otherwise: noted
      </button>
      <p className="q">
        Space and the pedal do nothing here. A screw, lead or strip that the build does not have: tell it under Found something,
        so that the plan counts on it.
      </p>
    </>
  );
}

/** What was seen otherwise than the build has it: said again wherever a hand comes to that thing. */
export function SeenOtherwise({ step }: { step: Step }) {
  const { view } = useBench();
  const seen = view.state.looked[step.target];
  if (!seen?.words || step.kind === "look") return null;
  return (
    <div className="caut">
      <Mark kind="look" size={30} label="Seen" />
      <p>Seen on this machine: {seen.words}</p>
    </div>
  );
}
