import { describe, expect, it } from "vitest";
import { compareFit, FACT_NAMES, overallVerdict, type Panel } from "@/core/panel";
import { Panel as PanelShape } from "@/core/panel/schema";
import { bestOrder, type OrderProblem } from "@/core/teardown/search";
import { builds, panels } from "./bench";
import { short } from "./golden";
import { seededRandom } from "./randomActs";

/** A problem of n steps with tools, sides, things laid bare and steps that wait for others. */
function problem(seed: number, n: number): OrderProblem {
  const random = seededRandom(seed);
  const whole = (most: number) => Math.floor(random() * (most + 1));
  const steps = Array.from({ length: n }, (_, i) => i);
  return {
    cost: steps.map(() => whole(30) / 10),
    minutes: steps.map(() => whole(20) / 10),
    tool: steps.map(() => whole(4) - 1),
    view: steps.map(() => whole(2) - 1),
    pre: steps.map((i) => steps.filter((x) => x < i && random() < 1.6 / n)),
    exposes: steps.map(() => (random() < 0.25 ? whole(10) / 20 : 0)),
    toolChange: 0.7,
    turn: 1.3,
  };
}

/** Long steps, a third of them laid bare and dear, one tool or none: here the bound over pairs of bare things decides. */
function bareProblem(seed: number, n: number): OrderProblem {
  const p = problem(seed + 500, n);
  const random = seededRandom(seed + 900);
  return {
    ...p,
    minutes: p.minutes.map((m) => m + 1),
    tool: p.tool.map(() => (seed % 2 ? -1 : 0)),
    view: p.view.map((v) => (seed % 3 ? v : -1)),
    pre: p.pre.map((list) => (random() < 0.5 ? list : list.slice(0, 1))),
    exposes: p.exposes.map(() => (random() < 0.4 ? 0.2 + random() : 0)),
  };
}

describe("how much is looked at", () => {
  it("the search takes no more partial orders than it did, with room enough and with too little", async () => {
    const out: string[] = [];
    for (let seed = 1; seed <= 60; seed++)
      for (const room of [60_000, 400, 12]) {
        const budget = { left: room };
        const limit = seed % 7 === 0 ? 30 : Number.POSITIVE_INFINITY;
        const r = bestOrder(
          room === 60_000 && seed > 30 ? bareProblem(seed, 6 + (seed % 9)) : problem(seed, 6 + (seed % 15)),
          budget,
          limit,
        );
        out.push(
          [seed, room, room - budget.left, r.value.toFixed(4), r.bound.toFixed(4), r.proven, r.order?.join(",") ?? "none"].join(
            " ",
          ),
        );
      }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot("golden/search.txt");
  });
});

describe("fit at small differences", () => {
  it("every fact a little and a lot away, unknown on either side, in a build and in none", async () => {
    const out: string[] = [];
    /** A value moved by a step; lists lose or gain an entry, words change place. */
    const moved = (v: unknown, by: number): unknown => {
      if (typeof v === "number") return Math.round((v + by) * 1000) / 1000;
      if (Array.isArray(v)) return by < 0 ? v.slice(1) : [...v, ...v.slice(0, 1)];
      if (typeof v === "object" && v !== null) return Object.fromEntries(Object.entries(v).map(([k, x]) => [k, moved(x, by)]));
      return v;
    };
    for (const build of [null, builds["ostrel-kestrel-14"]!, builds["pellow-lune-13"]!]) {
      const of = Object.values(panels).filter(
        (p) => Math.abs((p.diagonalIn.value ?? 0) - (build?.id.endsWith("13") ? 13.3 : 14)) < 0.3,
      );
      for (const old of of.slice(0, 2))
        for (const fact of FACT_NAMES) {
          const had = old[fact];
          if (!had) continue;
          const others = [...new Set(Object.values(panels).map((p) => JSON.stringify(p[fact]?.value ?? null)))].map((x) =>
            JSON.parse(x),
          );
          const values = [
            null,
            ...[-40, -1, -0.3, -0.1, 0, 0.05, 0.1, 0.3, 0.5, 1, 40].map((by) => moved(had.value, by)),
            ...others,
          ];
          const said: unknown[] = [];
          let letters = "";
          for (const value of values) {
            const changed = { ...old, code: `${old.code}X`, [fact]: { ...had, value } };
            if (!PanelShape.safeParse(changed).success) continue;
            for (const [a, c] of [
              [old, changed as Panel],
              [changed as Panel, old],
            ] as const) {
              const rows = compareFit(a, c, build);
              letters += overallVerdict(rows).kind[0];
              said.push(rows.map((r) => [r.verdict, r.words, r.reason]));
            }
          }
          out.push(`${build?.id ?? "none"} ${old.code} ${fact} ${letters} ${short(said)}`);
        }
    }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot("golden/fitSweep.txt");
  });
});
