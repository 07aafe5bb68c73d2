import { type BuildIndex, turnOf } from "../../build";
import type { StepRule, StepText } from "../step";

declare module "./kinds" {
  interface StepKinds {
    turnLid: true;
  }
}

/**
 * A turn of the lid as its step says it.
 * @throws when the build knows no such turn
 * @example turnText(indexBuild({ ...build, turns: [{ id: "up", name: "Lid over the edge", angleDeg: 90, how: "Slowly.", minutes: 0.5, free: [] }] }), "up").title // "Lid over the edge: 90°"
 */
export function turnText(b: BuildIndex, id: string, back = false): StepText {
  const t = turnOf(b.build, id);
  if (!t) throw new Error(`no turn "${id}" in build ${b.build.id}`);
  return {
    title: back ? `Lid back out of ${t.angleDeg}°` : `${t.name}: ${t.angleDeg}°`,
    how: back ? "As slowly as it was brought there. Nothing hangs on a lead." : t.how,
    minutes: t.minutes,
    view: "lid",
    ...(t.hold ? { hold: t.hold } : {}),
    ...(t.caution ? { caution: t.caution } : {}),
  };
}

export const turnLid = {
  station: "open",
  make: ({ b }, id) => ({ ...turnText(b, id), backMinutes: turnOf(b.build, id)!.minutes }),
  done: (v, id) => v.s.turned[id] !== undefined,
  next: (_, turn) => ({ type: "open.lidTurned", payload: { turn } }),
  events: { "open.lidTurned": (p) => p.turn },
  press: "Press when it stands so",
} satisfies StepRule;
