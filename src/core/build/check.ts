import type { Build } from "./schema";

/** One thing wrong with a build: where in the file, what was read, what was expected. */
export interface BuildProblem {
  where: string;
  message: string;
}

const inside = (x: number, y: number, w: number, h: number, slack: number) =>
  x >= -slack && y >= -slack && x <= w + slack && y <= h + slack;

/**
 * What is wrong with a build that has the right shape: names that lead nowhere, a part nothing holds,
 * screws outside the machine, no way to isolate, blocking that runs in a circle.
 * @returns an empty list for a sound build
 * @example checkBuild(build).map((p) => `${p.where}: ${p.message}`)
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

  const parts = new Map(b.parts.map((p) => [p.id, p]));
  const types = new Set(b.screwTypes.map((t) => t.id));
  const needPart = (where: string, id: string) => {
    if (!parts.has(id)) say(where, `there is no part "${id}"`);
  };
  b.parts.forEach((p, i) => {
    p.blockedBy.forEach((id, j) => {
      needPart(`parts[${i}].blockedBy[${j}]`, id);
      if (parts.get(id) && !parts.get(id)?.out) say(`parts[${i}].blockedBy[${j}]`, `"${id}" blocks "${p.id}" but has no way out`);
    });
  });
  b.screwGroups.forEach((g, i) => {
    needPart(`screwGroups[${i}].holds`, g.holds);
    g.under.forEach((id, j) => needPart(`screwGroups[${i}].under[${j}]`, id));
    const size = g.view === "lid" ? ([b.lid.widthMm, b.lid.heightMm] as const) : ([b.base.widthMm, b.base.depthMm] as const);
    g.screws.forEach((s, j) => {
      if (!types.has(s.type)) say(`screwGroups[${i}].screws[${j}].type`, `there is no screw type "${s.type}"`);
      if (!inside(s.xMm, s.yMm, size[0], size[1], 2))
        say(`screwGroups[${i}].screws[${j}]`, `${s.xMm}, ${s.yMm} mm lies outside the ${g.view} of ${size[0]} x ${size[1]} mm`);
    });
  });
  b.connectors.forEach((c, i) => {
    needPart(`connectors[${i}].joins[0]`, c.joins[0]);
    c.under.forEach((id, j) => needPart(`connectors[${i}].under[${j}]`, id));
  });
  b.tapes.forEach((t, i) => {
    needPart(`tapes[${i}].holds`, t.holds);
    t.under.forEach((id, j) => needPart(`tapes[${i}].under[${j}]`, id));
    const long = t.edge === "left" || t.edge === "right" ? t.shape.heightMm : t.shape.widthMm;
    t.keepOuts.forEach((k, j) => {
      if (k.toMm <= k.fromMm || k.toMm > long)
        say(`tapes[${i}].keepOuts[${j}]`, `${k.fromMm} to ${k.toMm} mm does not lie on a strip ${long} mm long`);
    });
  });

  const panels = b.parts.filter((p) => p.role === "panel");
  if (panels.length !== 1) say("parts", `expected one part with the role "panel", found ${panels.length}`);
  for (const panel of panels) {
    if (!panel.out) say("parts", `the panel "${panel.id}" has no way out`);
    const held =
      b.screwGroups.some((g) => g.holds === panel.id) || b.tapes.some((t) => t.holds === panel.id) || panel.blockedBy.length > 0;
    if (!held) say("parts", `nothing holds the panel "${panel.id}": name its screws, its tape or what covers it`);
    if (!b.connectors.some((c) => c.joins[0] === panel.id && c.serves === "picture"))
      say("connectors", `no connector joins the panel "${panel.id}" and serves the picture`);
  }
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

/** The first circle in "must be out first", as part ids, or null. */
function findCircle(b: Build): string[] | null {
  const before = new Map<string, string[]>();
  for (const p of b.parts) {
    const needs = [...p.blockedBy];
    for (const g of b.screwGroups) if (g.holds === p.id) needs.push(...g.under);
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
