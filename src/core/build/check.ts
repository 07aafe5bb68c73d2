import { partsHeld } from "./order";
import type { Build } from "./schema";
import { checkStages } from "./stages";

/** One thing wrong with a build: where in the file, what was read, what was expected. */
export interface BuildProblem {
  where: string;
  message: string;
}

/** What an edge of the way in may name beside the build's own things. */
const WAY_IN: ReadonlySet<string> = new Set([
  "seat",
  "looseTest",
  "press",
  "dust",
  "frontFilmOff",
  "backFilmOff",
  "rehearse",
  "proveOpen",
  "seams",
]);

const inside = (x: number, y: number, w: number, h: number, slack: number) =>
  x >= -slack && y >= -slack && x <= w + slack && y <= h + slack;

/**
 * What is wrong with a build that has the right shape: names that lead nowhere, a part nothing holds,
 * screws outside the machine, no way to isolate, blocking that runs in a circle.
 * @returns an empty list for a sound build
 * @example checkBuild(build) // []
 */
export function checkBuild(b: Build): BuildProblem[] {
  const problems: BuildProblem[] = [];
  const say = (where: string, message: string) => problems.push({ where, message });
  const seen = new Map<string, string>();
  const unique = (where: string, id: string) => {
    const before = seen.get(id);
    if (before) say(where, `the id "${id}" is already used at ${before}`);
    else seen.set(id, where);
  };
  b.parts.forEach((p, i) => unique(`parts[${i}].id`, p.id));
  b.screwGroups.forEach((g, i) => {
    unique(`screwGroups[${i}].id`, g.id);
    g.screws.forEach((s, j) => unique(`screwGroups[${i}].screws[${j}].id`, s.id));
  });
  b.connectors.forEach((c, i) => unique(`connectors[${i}].id`, c.id));
  b.tapes.forEach((t, i) => unique(`tapes[${i}].id`, t.id));
  (b.turns ?? []).forEach((t, i) => unique(`turns[${i}].id`, t.id));
  (b.backActs ?? []).forEach((a, i) => unique(`backActs[${i}].id`, a.id));

  checkStages(b, say);
  const parts = new Map(b.parts.map((p) => [p.id, p]));
  const types = new Set(b.screwTypes.map((t) => t.id));
  const things = new Set([...parts.keys(), ...[b.screwGroups, b.connectors, b.tapes].flatMap((l) => l.map((x) => x.id))]);
  const needPart = (where: string, id: string) => {
    if (!parts.has(id)) say(where, `there is no part "${id}"`);
  };
  /** What lies over a thing has to be able to move, or the thing is out of reach for ever. */
  const needOver = (where: string, what: string, id: string) => {
    needPart(where, id);
    const over = parts.get(id);
    if (over && !over.out && !over.fold) say(where, `${what} can never be reached: "${id}" lies over it and has no way out`);
  };
  b.parts.forEach((p, i) => {
    p.blockedBy.forEach((id, j) => {
      needPart(`parts[${i}].blockedBy[${j}]`, id);
      if (parts.get(id) && !parts.get(id)?.out) say(`parts[${i}].blockedBy[${j}]`, `"${id}" blocks "${p.id}" but has no way out`);
    });
    p.either.forEach((e, j) => {
      e.options.forEach((o, k) => {
        const where = `parts[${i}].either[${j}].options[${k}]`;
        if (o.free.length === 0 && !o.instead) say(where, "this way neither frees anything nor says what is done instead");
        for (const id of o.free) if (!things.has(id)) say(`${where}.free`, `there is no part, screw group, plug or tape "${id}"`);
      });
    });
    if (p.fragile) needPart(`parts[${i}].fragile.exposedBy`, p.fragile.exposedBy);
  });
  (b.photos ?? []).forEach((p, i) => {
    unique(`photos[${i}].id`, p.id);
    if (p.of && !things.has(p.of) && !b.screwGroups.some((g) => g.screws.some((s) => s.id === p.of)))
      say(`photos[${i}].of`, `there is no part, screw, plug or tape "${p.of}"`);
  });
  b.wayIn.forEach((w, i) => {
    for (const k of ["first", "next"] as const)
      if (!things.has(w[k]) && !WAY_IN.has(w[k]) && ![...(b.turns ?? []), ...(b.backActs ?? [])].some((x) => x.id === w[k]))
        say(`wayIn[${i}].${k}`, `there is no part, screw group, plug or tape "${w[k]}"`);
  });
  b.looks?.forEach((l, i) => {
    if (!things.has(l.of)) say(`looks[${i}].of`, `there is no part, screw group, plug or tape "${l.of}"`);
    if (b.looks!.findIndex((x) => x.of === l.of) < i)
      say(`looks[${i}].of`, `"${l.of}" is asked about already: one question of each`);
  });
  b.screwGroups.forEach((g, i) => {
    needPart(`screwGroups[${i}].holds`, g.holds);
    g.under.forEach((id, j) => needOver(`screwGroups[${i}].under[${j}]`, `"${g.id}"`, id));
    const size = g.view === "lid" ? ([b.lid.widthMm, b.lid.heightMm] as const) : ([b.base.widthMm, b.base.depthMm] as const);
    g.screws.forEach((s, j) => {
      if (!types.has(s.type)) say(`screwGroups[${i}].screws[${j}].type`, `there is no screw type "${s.type}"`);
      if (!inside(s.xMm, s.yMm, size[0], size[1], 2))
        say(`screwGroups[${i}].screws[${j}]`, `${s.xMm}, ${s.yMm} mm lies outside the ${g.view} of ${size[0]} x ${size[1]} mm`);
    });
  });
  b.connectors.forEach((c, i) => {
    needPart(`connectors[${i}].joins[0]`, c.joins[0]);
    c.under.forEach((id, j) => needOver(`connectors[${i}].under[${j}]`, `the lead at "${c.id}"`, id));
  });
  b.tapes.forEach((t, i) => {
    needPart(`tapes[${i}].holds`, t.holds);
    t.under.forEach((id, j) => needOver(`tapes[${i}].under[${j}]`, `"${t.id}"`, id));
    const long = t.edge === "left" || t.edge === "right" ? t.shape.heightMm : t.shape.widthMm;
    t.keepOuts.forEach((k, j) => {
      if (k.toMm <= k.fromMm || k.toMm > long)
        say(`tapes[${i}].keepOuts[${j}]`, `${k.fromMm} to ${k.toMm} mm does not lie on a strip ${long} mm long`);
    });
  });

  const panels = b.parts.filter((p) => p.role === "panel").length;
  if (panels > 1) say("parts", `expected one part with the role "panel" at most, found ${panels}`);
  const subject = parts.get(b.subject.part);
  if (!subject) say("subject.part", `there is no part "${b.subject.part}"`);
  else {
    if (!subject.out) say("subject.part", `what is replaced, "${subject.id}", has no way out`);
    const held =
      b.screwGroups.some((g) => partsHeld(g).includes(subject.id)) ||
      b.tapes.some((t) => t.holds === subject.id) ||
      subject.blockedBy.length > 0;
    if (!held) say("subject.part", `nothing holds "${subject.id}": name its screws, its tape or what covers it`);
    if (!b.connectors.some((c) => c.joins[0] === subject.id && c.serves === "picture"))
      say("connectors", `no connector joins "${subject.id}" and serves the picture`);
  }
  checkOrders(b, things, say);
  const points = b.connectors.filter((c) => c.powerPoint);
  if (b.isolation.by === "powerPoints" && points.length === 0)
    say("isolation", "isolation is by power points, but no connector is marked powerPoint");
  if (b.isolation.drainS[1] < b.isolation.drainS[0]) say("isolation.drainS", "the longest time is shorter than the shortest");
  for (const [name, r] of [
    ["opening", b.lid.opening],
    ["pocket", b.lid.pocket],
  ] as const)
    if (r.xMm < 0 || r.yMm < 0 || r.xMm + r.widthMm > b.lid.widthMm || r.yMm + r.heightMm > b.lid.heightMm)
      say(`lid.${name}`, `reaches outside the lid of ${b.lid.widthMm} x ${b.lid.heightMm} mm`);

  if (problems.length === 0) {
    const circle = findCircle(b);
    if (circle) say("parts", `blocking runs in a circle: ${circle.join(" before ")}`);
  }
  return problems;
}

/** Orders, turns, what becomes of a part, acts of the way back: names that lead nowhere, and words that contradict. */
function checkOrders(b: Build, things: ReadonlySet<string>, say: (where: string, message: string) => void): void {
  const turns = new Set((b.turns ?? []).map((t) => t.id));
  const acts = new Set((b.backActs ?? []).map((a) => a.id));
  const need = (where: string, id: string, also: ReadonlySet<string> = turns) => {
    if (!things.has(id) && !also.has(id)) say(where, `there is no part, screw group, plug, tape or turn "${id}"`);
  };
  for (const [list, name] of [
    [b.parts, "parts"],
    [b.screwGroups, "screwGroups"],
    [b.connectors, "connectors"],
    [b.tapes, "tapes"],
  ] as const)
    list.forEach((x, i) => {
      x.after?.forEach((id, j) => {
        need(`${name}[${i}].after[${j}]`, id);
        if (id === x.id) say(`${name}[${i}].after[${j}]`, `"${id}" cannot come after itself`);
      });
      if (!("lastOf" in x) || !x.lastOf) return;
      const holds = "holds" in x ? [x.holds, ...(("alsoHolds" in x ? x.alsoHolds : undefined) ?? [])] : [x.joins[0]];
      if (!holds.includes(x.lastOf))
        say(`${name}[${i}].lastOf`, `"${x.id}" does not hold "${x.lastOf}", so it cannot be the last of it`);
    });
  b.screwGroups.forEach((g, i) => {
    g.alsoHolds?.forEach((id, j) => {
      if (!b.parts.some((p) => p.id === id)) say(`screwGroups[${i}].alsoHolds[${j}]`, `there is no part "${id}"`);
    });
    if (!g.keepUntil) return;
    need(`screwGroups[${i}].keepUntil`, g.keepUntil);
    if ([g.holds, ...(g.alsoHolds ?? [])].includes(g.keepUntil))
      say(`screwGroups[${i}].keepUntil`, `"${g.id}" holds "${g.keepUntil}", so it cannot stay in until that is away`);
  });
  b.turns?.forEach((t, i) => {
    t.free.forEach((id, j) => need(`turns[${i}].free[${j}]`, id, new Set()));
    const waits = b.screwGroups.find((g) => g.keepUntil === t.id && t.free.includes(g.id));
    if (waits) say(`turns[${i}].free`, `"${waits.id}" stays in until this turn, so it cannot be away before it`);
  });
  b.backActs?.forEach((a, i) => {
    for (const k of ["after", "before"] as const)
      a[k].forEach((id, j) => {
        if (!things.has(id) && !turns.has(id) && !acts.has(id) && !WAY_IN.has(id))
          say(`backActs[${i}].${k}[${j}]`, `there is no part, screw group, plug, turn, act or moment "${id}"`);
      });
  });
  b.parts.forEach((p, i) => {
    if (!p.fate) return;
    const where = `parts[${i}].fate`;
    if (!p.out) say(where, `"${p.id}" has no way out, so nothing becomes of it`);
    if (p.id === b.subject.part) say(where, `"${p.id}" is what is replaced: that is said by the subject`);
    if (p.fate === "comesWithNew" && p.transplant)
      say(where, `"${p.id}" comes with the new one and is moved over: one of the two`);
    if (p.fate === "destroyed" && b.connectors.some((c) => c.joins[0] === p.id))
      say(where, `"${p.id}" breaks by coming out, so no lead can hang on it: name what the lead stays on`);
  });
}

/** The first circle in "must be out first", as part ids, or null. */
function findCircle(b: Build): string[] | null {
  const before = new Map<string, string[]>();
  const parts = new Set(b.parts.map((p) => p.id));
  for (const p of b.parts) {
    const needs = [...p.blockedBy];
    for (const g of b.screwGroups)
      if (partsHeld(g).includes(p.id)) needs.push(...g.under, ...(g.keepUntil && parts.has(g.keepUntil) ? [g.keepUntil] : []));
    for (const t of b.tapes) if (t.holds === p.id) needs.push(...t.under);
    // A cable on a part that folds is reached by the fold, not by taking the part away.
    for (const c of b.connectors) if (c.joins[0] === p.id) needs.push(...c.under.filter((u) => !(u === p.id && p.fold)));
    before.set(p.id, needs);
  }
  const state = new Map<string, "open" | "done">();
  const path: string[] = [];
  const walk = (id: string): string[] | null => {
    if (state.get(id) === "done") return null;
    if (state.get(id) === "open") return [...path.slice(path.indexOf(id)), id];
    state.set(id, "open");
    path.push(id);
    for (const need of before.get(id) ?? []) {
      const found = walk(need);
      if (found) return found;
    }
    path.pop();
    state.set(id, "done");
    return null;
  };
  for (const p of b.parts) {
    const found = walk(p.id);
    if (found) return found;
  }
  return null;
}

/**
 * What is no error, yet deserves a second look: parts that come away although nothing in the build holds them. They are often
 * held by clips or glue, and often by a screw nobody has seen yet.
 * @returns their names as they stand in a sentence, empty when there is nothing to say
 * @example lookAgain(build).every((name) => name.startsWith("the ")) // true
 */
export function lookAgain(b: Build): string[] {
  return b.parts
    .filter(
      (p) =>
        p.out &&
        p.id !== b.subject.part &&
        !p.out.glue &&
        !p.out.heat &&
        !(p.role === "bezel" && b.lid.pry.some((e) => e.heldBy)) &&
        p.blockedBy.length === 0 &&
        p.either.length === 0 &&
        !b.screwGroups.some((g) => partsHeld(g).includes(p.id)) &&
        !b.tapes.some((t) => t.holds === p.id) &&
        !b.connectors.some((c) => c.joins[0] === p.id),
    )
    .map((p) => `the ${p.name.toLowerCase()}`);
}
