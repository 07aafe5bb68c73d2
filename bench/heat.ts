import { readFileSync } from "node:fs";
import { parseBuild } from "@/core/build";
import { draws, normalDraw } from "@/core/chance";
import { ceilingsOf, HeatRun, type Jet, lidModel, type Means, MOST_BROKEN, planSafelySteps, robustSteps } from "@/core/heat";
import { say } from "./stats";

const end = <T>(g: Generator<unknown, T>): T => {
  for (let r = g.next(); ; r = g.next()) if (r.done) return r.value;
};
const buildOf = (id: string) => {
  const r = parseBuild(readFileSync(`data/demo/builds/${id}.json`, "utf8"));
  if (!r.ok) throw new Error(id);
  return r.build;
};

/** Accepted plans, each on 500 lids as they may be that the search has not seen. */
function broken(n: number): void {
  const kestrel = buildOf("ostrel-kestrel-14");
  const lune = buildOf("pellow-lune-15");
  const cases: [string, typeof kestrel, "al" | "pcabs", Means][] = [
    ["mat on aluminium", kestrel, "al", { by: "mat", setC: [55, 58, 60], widthMm: 330, heightMm: 220 }],
    ["mat on PC-ABS", kestrel, "pcabs", { by: "mat", setC: [55, 58, 60], widthMm: 330, heightMm: 220 }],
    ["dryer on PC-ABS", kestrel, "pcabs", { by: "jet", tool: "hairDryer", nozzleC: [80, 95, 110], standOffMm: 40 }],
    ["gun on aluminium", lune, "al", { by: "jet", tool: "heatGun", nozzleC: [100, 120, 150], standOffMm: 60 }],
  ];
  for (const [what, build, cover, means] of cases) {
    const tape = build.tapes[0]!;
    const m = lidModel(build, { cover });
    const ceilings = ceilingsOf(build, [tape.id], { thrownAway: false, packInZone: false, cover });
    const ceilingsC = Object.fromEntries(ceilings.map((c) => [c.thing, c.maxC]));
    const pieces = m.pieces.filter((p) => p.tape === tape.id).map((p) => p.id);
    const softC = tape.heat?.releaseC[0] ?? 50;
    const { plan } = end(planSafelySteps(m, { pieces, softC, ceilingsC, means }));
    if (!plan.ok) {
      say(
        `${what}: no window`,
        `${plan.misses.what} by ${plan.misses.by.toFixed(1)} ${plan.misses.unit}`,
        "said, not planned",
        true,
      );
      continue;
    }
    const r = end(robustSteps(m, plan.acts, ceilingsC, { draws: n, seed: 99, cellMm: 6 }));
    const share = r.broken / r.draws;
    say(
      `${what}: ceilings broken in ${n} lids`,
      `${(100 * share).toFixed(1)} %`,
      `at most ${100 * MOST_BROKEN} %`,
      share <= MOST_BROKEN,
    );
  }
}

/** Five readings of sd 1 K, two of them over the strip, against a hidden tool and room: how near the coldest tape is foretold. */
function followed(n: number): void {
  const build = buildOf("ostrel-kestrel-14");
  const tape = build.tapes[0]!;
  const upright = tape.shape.heightMm > tape.shape.widthMm;
  const [x, y] = [tape.shape.xMm + tape.shape.widthMm / 2, tape.shape.yMm + tape.shape.heightMm / 2];
  const jet: Jet = {
    do: "jet",
    edge: tape.edge,
    fromMm: upright ? tape.shape.yMm : tape.shape.xMm,
    toMm: upright ? tape.shape.yMm + tape.shape.heightMm : tape.shape.xMm + tape.shape.widthMm,
    insetMm: 10,
    tool: "heatGun",
    nozzleC: 130,
    standOffMm: 60,
  };
  let near = 0;
  const off: number[] = [];
  for (let seed = 1; seed <= n; seed++) {
    const u = draws(seed);
    const cal = 0.7 + 0.7 * u();
    const roomC = 18 + 10 * u();
    const options = { cover: "al" as const, cellMm: 6 };
    const run = new HeatRun(lidModel(build, options), { dtS: 1 });
    const hidden = new HeatRun(lidModel(build, { ...options, ambientC: roomC }), { dtS: 1 });
    const places = [0.3, 0.7].map((f) =>
      upright
        ? { xMm: x, yMm: tape.shape.yMm + f * tape.shape.heightMm }
        : { xMm: tape.shape.xMm + f * tape.shape.widthMm, yMm: y },
    );
    const further = [0, 1, 2].map(() => ({
      xMm: build.lid.pocket.xMm + (0.2 + 0.6 * u()) * build.lid.pocket.widthMm,
      yMm: build.lid.pocket.yMm + (0.2 + 0.6 * u()) * build.lid.pocket.heightMm,
    }));
    for (const at of [further[0]!, places[0]!, further[1]!, places[1]!, further[2]!]) {
      run.step(14, jet);
      hidden.step(14, { ...jet, cal });
      run.read(at, hidden.surfaceAt(at)[2]! + normalDraw(u), 1);
    }
    const piece = run.lid.pieces.find((p) => p.tape === tape.id)!.id;
    // Nothing was read of it: it is at its own strength.
    const truth = hidden.state().tapes[piece]!.q10;
    const d = Math.abs(run.state().tapes[piece]!.q10 - truth);
    off.push(d);
    if (d <= 3) near += 1;
  }
  off.sort((a, b) => a - b);
  const share = near / n;
  say(
    `coldest tape within 3 K after five readings, ${n} runs`,
    `${(100 * share).toFixed(1)} %, 9 in 10 within ${off[Math.floor(n * 0.9)]!.toFixed(1)} K`,
    "at least 90 %",
    share >= 0.9,
  );
}

/** Warming: how often an accepted plan breaks a ceiling where nothing is known exactly, and how near a followed one is. */
export function benchHeat(n = 500): void {
  followed(Math.max(20, Math.round(n * 0.4)));
  broken(n);
}
