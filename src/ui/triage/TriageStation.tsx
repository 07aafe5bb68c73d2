"use client";
import dynamic from "next/dynamic";
import { useMemo, useState } from "react";
import { findingsOf, isWet } from "@/core/job";
import { advise } from "@/core/triage";
import { useBench } from "../job/context";
import { Verdict } from "./Verdict";

const LOAD = {
  meter: () => import("./Meter").then((m) => m.Meter),
  condition: () => import("./Condition").then((m) => m.Condition),
  quote: () => import("./Quote").then((m) => m.Quote),
  back: () => import("./CameBack").then((m) => m.CameBack),
};
const Meter = dynamic(LOAD.meter);
const Condition = dynamic(LOAD.condition);
const Quote = dynamic(LOAD.quote);
const CameBack = dynamic(LOAD.back);
/** Fetches what the station shows only at times. */
export const loadViews = () => Promise.all(Object.values(LOAD).map((load) => load()));

const VIEWS = [
  ["verdict", "Is it the panel?"],
  ["meter", "Meter"],
  ["condition", "Condition"],
  ["quote", "Price"],
] as const;
type View = (typeof VIEWS)[number][0] | "back";

/** Triage: the verdict with its next test, the meter, the condition it came in, and what the choices cost. */
export function TriageStation() {
  const { reference, view, build, progress, setKeys } = useBench();
  const cameBack = view.state.job?.cameBack;
  const [shown, setShown] = useState<View>(cameBack ? "back" : "verdict");
  const t = reference.triage?.data;
  const advice = useMemo(() => {
    if (!t) return null;
    const opened = Object.values(view.state.parts).some((p) => p === "out" || p === "folded");
    const context = {
      backlight: view.state.triage.context.backlight,
      touch: view.state.triage.context.touch,
      age: view.state.triage.context.age,
      happened: view.state.triage.context.happened,
      touchKind: view.state.triage.context.touchKind,
      repaired: view.state.triage.context.repaired,
    };
    const openMinutes = progress ? progress.plan.out.reduce((n, s) => n + s.minutes, 0) : null;
    return advise(t, context, findingsOf(view, t, build?.data ?? null), {
      opened,
      openMinutes,
      liquidCleared: !isWet(view.state),
    });
  }, [t, view, build, progress]);
  if (!reference.triage || !advice) {
    setKeys({});
    return (
      <div className="empty">
        <b>No fault model.</b> Start once with the shipped reference data.
      </div>
    );
  }
  return (
    <>
      <div className="tabs" role="tablist" aria-label="Triage">
        {[...(cameBack ? [["back", `Back after ${cameBack.number}`] as const] : []), ...VIEWS].map(([id, name]) => (
          <button key={id} type="button" role="tab" aria-selected={shown === id} onClick={() => setShown(id)}>
            {name}
          </button>
        ))}
      </div>
      {shown === "back" && cameBack ? (
        <CameBack from={cameBack} />
      ) : shown === "verdict" ? (
        <Verdict advice={advice} table={reference.triage} />
      ) : shown === "meter" ? (
        <Meter table={reference.triage} />
      ) : shown === "condition" ? (
        <Condition />
      ) : (
        <Quote />
      )}
    </>
  );
}
