import { type BuildIndex, partsHeld, type ScrewGroup, turnOf } from "../build";
import { stepId as id, type Step, type StepKind } from "./step";
import { makeStep } from "./steps";

/** Steps that have to be done before a step, by step id. */
export type Needs = ReadonlyMap<string, readonly string[]>;

/** One way of several to satisfy a step: what has to be done for it. */
export interface Option {
  id: string;
  needs: string[];
}
export interface StepGraph {
  steps: Map<string, Step>;
  needs: Needs;
  /** What comes before a step where both are in the plan: an order, no need. */
  follows: Needs;
  /** Of each entry of a step one option is enough. */
  either: ReadonlyMap<string, readonly { why: string; options: readonly Option[] }[]>;
  /** Steps that lay something fragile bare, with what every later minute then costs. */
  exposes: ReadonlyMap<string, number>;
}

/**
 * Everything that could be done to this machine, as steps, with what each needs first.
 * @param b an indexed build
 * @example stepGraph(b).needs.get("mainsOut") // ["shutDown"]
 */
export function stepGraph(b: BuildIndex): StepGraph {
  const { build } = b;
  const steps = new Map<string, Step>();
  const needs = new Map<string, string[]>();
  /** Out of the way: folded over is enough for a part that folds. */
  const away = (part: string, self?: string) => {
    const p = b.part.get(part);
    return p?.fold && (part === self || p.id === b.subject.id) ? id("partFold", part) : id("partOut", part);
  };
  const planned = { b, changes: [] };
  const can = (kind: StepKind, target: string, before: string[]) => {
    const s = makeStep(planned, kind, target);
    steps.set(s.id, s);
    needs.set(s.id, before);
  };
  const screwsOf = (g: ScrewGroup) => id(g.loosenOnly ? "screwsLoosen" : "screwsOut", g.id);
  const freed = (x: string): string[] =>
    b.part.has(x)
      ? [away(x)]
      : b.group.has(x)
        ? [screwsOf(b.group.get(x)!)]
        : b.connector.has(x)
          ? [id("cableOff", x)]
          : b.tape.has(x)
            ? [id("tapeOut", x)]
            : turnOf(build, x)
              ? [id("turnLid", x)]
              : [];
  can("shutDown", "", []);
  can("mainsOut", "", [id("shutDown")]);
  const byMode = build.isolation.by === "batteryOffMode";
  if (byMode) can("batteryOff", "", [id("mainsOut")]);
  can("drain", "", [id("mainsOut"), ...(byMode ? [id("batteryOff")] : b.powerPoints.map((c) => id("cableOff", c.id)))]);
  for (const g of build.screwGroups)
    can(g.loosenOnly ? "screwsLoosen" : "screwsOut", g.id, [
      ...g.under.map((u) => away(u)),
      ...(g.keepUntil ? freed(g.keepUntil) : []),
    ]);
  for (const t of build.tapes)
    can(
      "tapeOut",
      t.id,
      t.under.map((u) => away(u)),
    );
  for (const c of build.connectors)
    can("cableOff", c.id, [
      ...c.under.map((u) => away(u, c.joins[0])),
      ...(c.powerPoint ? [id("mainsOut")] : c.aheadOfIsolation ? [] : [id("drain")]),
    ]);
  for (const p of build.parts) {
    const held = [
      ...build.screwGroups.filter((g) => partsHeld(g).includes(p.id)).map(screwsOf),
      ...build.tapes.filter((t) => t.holds === p.id).map((t) => id("tapeOut", t.id)),
      ...p.blockedBy.map((x) => away(x)),
    ];
    const cables = build.connectors.filter((c) => c.joins[0] === p.id).map((c) => id("cableOff", c.id));
    if (p.fold) can("partFold", p.id, held);
    if (p.out) can("partOut", p.id, [...held, ...(p.fold ? [id("partFold", p.id)] : []), ...cables]);
  }
  for (const t of build.turns ?? []) can("turnLid", t.id, t.free.flatMap(freed));
  for (const l of build.looks ?? []) {
    // What was left open of a thing is looked at with it in sight, all that is known of it undone.
    const first = [id("partFold", l.of), id("partOut", l.of), ...freed(l.of)].find((s) => needs.has(s));
    if (!first) continue;
    can("look", l.of, [...needs.get(first)!]);
    needs.get(first)!.push(id("look", l.of));
  }
  const follows = ordersOf(b, needs, freed);
  const either = new Map<string, { why: string; options: Option[] }[]>();
  for (const p of build.parts) {
    if (!p.either?.length) continue;
    const of = id(p.out ? "partOut" : "partFold", p.id);
    if (!steps.has(of)) continue;
    either.set(
      of,
      p.either.map((e) => ({
        why: e.why,
        options: e.options.map((o) => {
          const act = o.instead ? id("tether", o.id) : null;
          if (act) can("tether", o.id, []);
          return { id: o.id, needs: [...o.free.flatMap(freed), ...(act ? [act] : [])] };
        }),
      })),
    );
  }
  const exposes = new Map<string, number>();
  for (const p of build.parts) {
    if (!p.fragile) continue;
    for (const step of [id("partFold", p.fragile.exposedBy), id("partOut", p.fragile.exposedBy)])
      if (steps.has(step)) {
        exposes.set(step, (exposes.get(step) ?? 0) + p.fragile.perMinute);
        break;
      }
  }
  return { steps, needs, follows, either, exposes };
}

/**
 * What the build says of order: after this, last of that. A turn of the lid is for nothing else, so whatever comes after it
 * needs it; everything else is an order among what is done anyway.
 */
function ordersOf({ build, part }: BuildIndex, needs: Map<string, string[]>, freed: (x: string) => string[]): Needs {
  const follows = new Map<string, string[]>();
  const say = (step: string, before: readonly string[]) =>
    follows.set(step, [...(follows.get(step) ?? []), ...before.filter((x) => x !== step && needs.has(x))]);
  for (const x of [...build.parts, ...build.screwGroups, ...build.connectors, ...build.tapes]) {
    const own = freed(x.id).concat(part.get(x.id)?.fold ? [id("partOut", x.id)] : []);
    for (const step of own.filter((s) => needs.has(s)))
      for (const a of x.after ?? []) {
        if (turnOf(build, a)) needs.get(step)!.push(...freed(a));
        else say(step, freed(a));
      }
    const of = "lastOf" in x ? x.lastOf : undefined;
    if (!of) continue;
    const holds = [
      ...build.screwGroups.filter((g) => partsHeld(g).includes(of)),
      ...build.tapes.filter((t) => t.holds === of),
      ...build.connectors.filter((c) => c.joins[0] === of),
    ];
    for (const h of holds) if (h.id !== x.id && h.lastOf !== of) for (const step of own) say(step, freed(h.id));
  }
  return follows;
}

/**
 * Steps that isolation itself needs: every other one comes after it.
 * @example isolationSteps(stepGraph(b).needs).has("mainsOut") // true
 */
export function isolationSteps(needs: Needs): Set<string> {
  const found = new Set<string>();
  const walk = ["drain"];
  while (walk.length) {
    const s = walk.pop()!;
    if (found.has(s)) continue;
    found.add(s);
    walk.push(...(needs.get(s) ?? []));
  }
  return found;
}
