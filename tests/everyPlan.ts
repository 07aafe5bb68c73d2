import { type Build, indexBuild } from "@/core/build";
import { stepGraph } from "@/core/teardown/graph";
import type { OrderProblem } from "@/core/teardown/search";
import { PLAN_WEIGHTS, type PlanWeights, stepCost } from "@/core/teardown/weights";

/** The least over every order, by trying every order. Knows neither of the planner's two rules. */
export function everyOrder(p: OrderProblem): number {
  const n = p.cost.length;
  const done = new Array<boolean>(n).fill(false);
  let best = Number.POSITIVE_INFINITY;
  const go = (left: number, tool: number, view: number, rate: number, g: number) => {
    if (g >= best) return;
    if (left === 0) {
      best = g;
      return;
    }
    for (let i = 0; i < n; i++) {
      if (done[i] || !p.pre[i]!.every((x) => done[x])) continue;
      done[i] = true;
      go(
        left - 1,
        p.tool[i]! >= 0 ? p.tool[i]! : tool,
        p.view[i]! >= 0 ? p.view[i]! : view,
        rate + p.exposes[i]!,
        g +
          p.cost[i]! +
          (p.tool[i]! >= 0 && p.tool[i] !== tool ? p.toolChange : 0) +
          (p.view[i]! >= 0 && view >= 0 && p.view[i] !== view ? p.turn : 0) +
          p.minutes[i]! * rate,
      );
      done[i] = false;
    }
  };
  go(n, -1, -1, 0, 0);
  return best;
}

/** The least value of a goal over every way of every choice and every order: sets of done steps, nothing left out. */
export function everyPlan(build: Build, w: PlanWeights = PLAN_WEIGHTS): number {
  const b = indexBuild(build);
  const g = stepGraph(b);
  const keys = [...g.either].flatMap(([s, list]) => list.map((e, i) => ({ s, i, options: e.options })));
  let best = Number.POSITIVE_INFINITY;
  const tryPicks = (at: number, extra: Map<string, string[]>) => {
    if (at < keys.length) {
      const k = keys[at]!;
      for (const o of k.options) {
        const next = new Map(extra);
        next.set(k.s, [...(extra.get(k.s) ?? []), ...o.needs]);
        tryPicks(at + 1, next);
      }
      return;
    }
    const needs = (s: string) => [...(g.needs.get(s) ?? []), ...(extra.get(s) ?? [])];
    const all = (from: string[]) => {
      const set = new Set<string>();
      const walk = [...from];
      while (walk.length) {
        const s = walk.pop()!;
        if (!set.has(s)) {
          set.add(s);
          walk.push(...needs(s));
        }
      }
      return set;
    };
    const iso = all(["drain"]);
    const ids = [...all([`partOut:${b.subject.id}`, "drain"])];
    const at2 = new Map(ids.map((s, i) => [s, i]));
    if (ids.length > 30) throw new Error("too many steps to try every order");
    const memo = new Map<number, number>();
    const tools = [...new Set(ids.flatMap((s) => g.steps.get(s)!.tool ?? []))];
    const whole = 2 ** ids.length - 1;
    const has = (mask: number, i: number) => Math.floor(mask / 2 ** i) % 2 === 1;
    // From a set of done steps with this tool and side: the least that is still to pay.
    const rest = (mask: number, tool: string, view: string, rate: number): number => {
      if (mask === whole) return 0;
      const key = mask * 32 + (tools.indexOf(tool) + 1) * 4 + (view === "lid" ? 1 : view === "base" ? 2 : 0);
      const known = memo.get(key);
      if (known !== undefined) return known;
      let least = Number.POSITIVE_INFINITY;
      for (const [i, s] of ids.entries()) {
        if (has(mask, i)) continue;
        const before = [...needs(s), ...(iso.has(s) ? [] : ["drain"])];
        if (!before.every((x) => has(mask, at2.get(x)!))) continue;
        const step = g.steps.get(s)!;
        const change = step.tool && step.tool !== tool ? w.toolChange : 0;
        const turn = step.view && view && step.view !== view ? w.turn : 0;
        const bare = (g.exposes.get(s) ?? 0) + (step.heat ? w.heatEarly : 0) + (step.glue ? w.glueEarly : 0);
        least = Math.min(
          least,
          stepCost(step, w) +
            change +
            turn +
            step.minutes * rate +
            rest(mask + 2 ** i, step.tool ?? tool, step.view ?? view, rate + bare),
        );
      }
      memo.set(key, least);
      return least;
    };
    best = Math.min(best, rest(0, "", "", 0));
  };
  tryPicks(0, new Map());
  return best;
}
