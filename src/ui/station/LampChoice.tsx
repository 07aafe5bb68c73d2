"use client";
import { useState } from "react";
import { whoIsHere } from "@/client/device";
import { lampLit } from "@/core/build";
import type { StepKind } from "@/core/teardown";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** Steps at which it can still be decided, and those it is about. */
const AT: ReadonlySet<StepKind> = new Set(["cableOn", "rehearse", "dust", "seat", "lampGuard", "mainsIn", "start", "looseTest"]);
/** Whether the choice stands at a step. */
export const asksLamp = (kind: StepKind): boolean => AT.has(kind);

/** How a lamp-lit machine is tried: whole, or open by somebody who is trained and named. Nothing is said of any other machine. */
export function LampChoice() {
  const { log, build, view } = useBench();
  const chosen = view.state.plan?.lamp;
  const [by, setBy] = useState(chosen?.by || whoIsHere());
  if (!build || !lampLit(build.data)) return null;
  const open = build.data.lampTest === "open";
  const choose = (test: "afterBezel" | "open") =>
    log.record({ type: "plan.lampTestChosen", payload: test === "open" ? { test, by: by.trim() } : { test } });
  return (
    <section aria-label="How the lamp is tried" className="flex flex-col gap-2">
      <div className="caut">
        <Mark kind="change" size={30} label="Caution" />
        <p>
          <b>Lit by a lamp: over a thousand volts when it is fed.</b>{" "}
          {open
            ? `Tried open by ${chosen?.by}: inverter insulated, hands off, left alone for a minute after each start.`
            : "Tried whole: nothing feeds it before everything that came off is back. A lamp that was wrong comes out again."}
        </p>
      </div>
      {view.state.plan &&
        (open ? (
          <button type="button" className="btn self-start" onClick={() => choose("afterBezel")}>
            Try it whole instead
          </button>
        ) : (
          <details>
            <summary className="btn quiet">Try it open: a trained person is here</summary>
            <form
              className="flex items-end gap-3 pt-2"
              onSubmit={(e) => {
                e.preventDefault();
                if (by.trim()) choose("open");
              }}
            >
              <label className="field" style={{ maxWidth: 260 }}>
                <span>Trained for high voltage, and here</span>
                <input value={by} maxLength={80} required onChange={(e) => setBy(e.target.value)} />
              </label>
              <button type="submit" className="btn" disabled={!by.trim()}>
                Record it
              </button>
            </form>
            <p className="q">
              Before each open start that person insulates the inverter and records it; local rules and the maker's word come
              first.
            </p>
          </details>
        ))}
    </section>
  );
}
