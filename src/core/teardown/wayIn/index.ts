import { type Build, type BuildIndex, indexBuild, triedWhole } from "../../build";
import { type PlanChange, type Step, stepId } from "../step";
import { acts, mends } from "./acts";
import { bond } from "./bond";
import { leads } from "./leads";
import { mirror } from "./mirror";
import { power } from "./power";
import { prove } from "./prove";
import { type Edge, edge, type Source, type WayInAsk, wayInAsk } from "./source";

/** Sources of the way in, each independent of the others. Where an order is free, the one named first goes first. */
const SOURCES: Readonly<Record<string, (ask: WayInAsk) => Source>> = {
  leads,
  acts,
  power,
  bond,
  prove,
  mirror,
  mends,
};

export type WayIn = { ok: true; steps: Step[]; warnings: string[] } | { ok: false; problem: string };

/** Moments a build may name, as they are said. */
const MOMENT: Readonly<Record<string, string>> = {
  seat: "the panel is seated",
  looseTest: "the loose test",
  press: "the tape is pressed",
  dust: "the dust is blown off",
  backFilmOff: "the back film is off",
  frontFilmOff: "the front film is off",
  rehearse: "the lowering is rehearsed",
};

/**
 * The way back, from constraints of its own: the mirror of the way out where nothing speaks against it, and the known
 * exceptions where something does, each with its reason.
 * @param build a sound build
 * @param out the way out, in order
 * @param changes what the new panel asks for beside a plain swap
 * @returns steps in order; those that are not where plain reversal would put them carry `because`. A circle is told in the
 * names of its steps, with what put one before the other; `warnings` are orders of the build that name what is not planned
 * @example wayIn(build, plan.out).steps.find((x) => x.kind === "looseTest").because // "Before anything is stuck or closed: a bad panel comes out again without harm."
 */
export function wayIn(build: Build, out: readonly Step[], changes: readonly PlanChange[] = []): WayIn {
  const ask = wayInAsk(indexBuild(build), out, changes);
  const steps = new Map<string, Step>();
  const edges: Edge[] = [];
  for (const source of Object.values(SOURCES)) {
    const said = source(ask);
    for (const s of said.steps) if (!steps.has(s.id)) steps.set(s.id, s);
    edges.push(...said.edges);
  }
  const warnings: string[] = [];
  if (triedWhole(build) && ask.pieces.length)
    warnings.push(
      "Its tape is pressed before anybody has seen it lit: a lamp is tried open only by a trained person. Name one, and it is tried loose first.",
    );
  // What the build itself says, by the name of a part, screw group, connector or step.
  const find = (x: string) => (steps.has(x) ? x : [...steps.values()].find((s) => s.target === x || s.kind === x)?.id);
  for (const w of build.wayIn) {
    const first = find(w.first);
    const then = find(w.next);
    if (!first || !then) {
      warnings.push(unheard(ask.b, w, !first ? w.first : w.next));
      continue;
    }
    edges.push({ first, then, why: w.why, ...(w.atOnce ? { atOnce: true as const } : {}) });
    const s = steps.get(first)!;
    if (!s.because) steps.set(first, { ...s, because: w.why });
  }
  for (const a of build.backActs ?? []) {
    const act = stepId("backAct", a.id);
    const rows = [...a.after.map((x) => ({ first: x, next: a.id })), ...a.before.map((x) => ({ first: a.id, next: x }))];
    for (const w of rows) {
      const other = find(w.first === a.id ? w.next : w.first);
      if (other) edges.push(w.first === a.id ? edge(act, other, a.why) : edge(other, act, a.why));
      else warnings.push(unheard(ask.b, { ...w, why: a.why }, w.first === a.id ? w.next : w.first));
    }
  }
  const way = ordered(steps, edges);
  return way.ok ? { ...way, warnings } : way;
}

/** A word of the build no step stands for: said, not dropped. */
function unheard(b: BuildIndex, w: Build["wayIn"][number], missing: string): string {
  const name = (x: string) =>
    MOMENT[x] ?? (b.part.get(x) ?? b.group.get(x) ?? b.connector.get(x) ?? b.tape.get(x))?.name.toLowerCase() ?? `"${x}"`;
  return `The build puts ${name(w.first)} before ${name(w.next)} (${w.why.replace(/\.$/, "")}), but ${name(missing)} is not ${MOMENT[missing] ? "part of" : "moved in"} this plan.`;
}

/** Kahn's order, always the first ready step in the order they were named; else the circle, in words. */
function ordered(
  steps: ReadonlyMap<string, Step>,
  edges: readonly Edge[],
): { ok: true; steps: Step[] } | { ok: false; problem: string } {
  const needs = new Map<string, Edge[]>([...steps.keys()].map((k) => [k, []]));
  const here = edges.filter((e) => steps.has(e.first) && steps.has(e.then));
  for (const e of here) if (!e.soft) needs.get(e.then)!.push(e);
  /** Whether one step comes after another already, at one remove or more. */
  const waits = (step: string, forOne: string, seen = new Set<string>()): boolean => {
    if (step === forOne) return true;
    seen.add(step);
    return needs.get(step)!.some((n) => !seen.has(n.first) && waits(n.first, forOne, seen));
  };
  const rather = (e: Edge) => {
    if (!waits(e.first, e.then)) needs.get(e.then)!.push(e);
  };
  for (const e of here) if (e.soft) rather(e);
  // At once: whatever else the second waits for, the first waits for as well, so that nothing comes between.
  const atOnce = new Map<string, string>();
  for (const e of here)
    if (e.atOnce) {
      atOnce.set(e.first, e.then);
      for (const n of [...needs.get(e.then)!]) if (n.first !== e.first) rather(edge(n.first, e.first, n.why));
    }
  const list: Step[] = [];
  const done = new Set<string>();
  const ready = (k: string | undefined): k is string =>
    k !== undefined && !done.has(k) && needs.get(k)!.every((n) => done.has(n.first));
  while (list.length < steps.size) {
    const now = list.at(-1) && atOnce.get(list.at(-1)!.id);
    const next = ready(now) ? now : [...steps.keys()].find(ready);
    if (next === undefined) return { ok: false, problem: circleWords(steps, needs, done) };
    done.add(next);
    list.push(steps.get(next)!);
  }
  return { ok: true, steps: list };
}

/** One circle among what is left, as a person would tell it: what waits for what, and why. */
function circleWords(
  steps: ReadonlyMap<string, Step>,
  needs: ReadonlyMap<string, readonly Edge[]>,
  done: ReadonlySet<string>,
): string {
  const path: Edge[] = [];
  let at = [...steps.keys()].find((k) => !done.has(k))!;
  // Whatever is left waits for something that is left: walking back from it comes round in the end.
  for (;;) {
    const back = needs.get(at)!.find((e) => !done.has(e.first))!;
    const seen = path.findIndex((e) => e.then === back.then);
    if (seen >= 0) {
      const circle = path.slice(seen);
      const name = (id: string) => `"${steps.get(id)!.title}"`;
      const words = circle.map(
        (e, i) => `${i === 0 ? `${name(e.then)} ` : ""}waits for ${name(e.first)} (${e.why.replace(/\.$/, "")})`,
      );
      return `On the way back these wait for each other: ${words.join(", which ")}. Take one of them out of the build, or correct what lies where.`;
    }
    path.push(back);
    at = back.first;
  }
}
