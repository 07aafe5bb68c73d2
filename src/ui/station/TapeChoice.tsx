"use client";
import { indexBuild } from "@/core/build";
import type { Step } from "@/core/teardown";
import { useBench } from "../job/context";
import { DRY_MIN } from "./SolventBox";

/** How old adhesive came off, and whether what a part has of tape still grips: said in one tap, beside the plate. */
export function TapeChoice({ step }: { step: Step }) {
  const { log, view, build } = useBench();
  const s = view.state;
  const tape = build && indexBuild(build.data).tape.get(step.target);
  if (!tape) return null;
  if (step.kind === "adhesiveOff" && !s.bond.cleaned[tape.id])
    return (
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn"
          onClick={() => log.record({ type: "bond.adhesiveOff", payload: { tape: tape.id, method: "edge" } })}
        >
          Off with a plastic edge
        </button>
        <button
          type="button"
          className="btn"
          onClick={() => {
            log.record({ type: "bond.adhesiveOff", payload: { tape: tape.id, method: "solvent" } });
            log.record({ type: "bench.solventUsed", payload: { dryMin: DRY_MIN } });
          }}
        >
          Off with solvent
        </button>
      </div>
    );
  if (step.kind === "partTape" && !s.close.taped[tape.id])
    return (
      <button
        type="button"
        className="btn self-start"
        onClick={() => log.record({ type: "close.partTaped", payload: { tape: tape.id, with: "again" } })}
      >
        What it has still grips
      </button>
    );
  return null;
}
