import { readFileSync } from "node:fs";
import { CauseTable, rankCauses, type Seen } from "@/core/causes";
import { draws, normalDraw } from "@/core/chance";
import { alignHinges } from "@/core/hinge";
import { EVENNESS_LIMITS, judgeRatio, measureEvenness } from "@/core/proof";
import { photoOf, type TruePanel, trueRatio } from "../tests/panelPhoto";
import { say } from "./stats";

const figure = (what: string, value: number, target: { atLeast?: number; atMost?: number }): void =>
  say(
    what,
    value.toFixed(1),
    target.atLeast === undefined ? `at most ${target.atMost}` : `at least ${target.atLeast}`,
    value >= (target.atLeast ?? Number.NEGATIVE_INFINITY) && value <= (target.atMost ?? Number.POSITIVE_INFINITY),
  );

const SPAN = 240;
const [WIDTH, DEPTH] = [304, 206];
const PLAY = 0.25;
const PLACES = [
  ["left", -WIDTH / 2, 20],
  ["left", -WIDTH / 2, DEPTH - 10],
  ["right", WIDTH / 2, 20],
  ["right", WIDTH / 2, DEPTH - 10],
  ["front", 15 - WIDTH / 2, DEPTH],
  ["front", WIDTH / 2 - 15, DEPTH],
] as const;
interface Place {
  u: number;
  vL: number;
  vR: number;
}

/** What each place reads when the lid lies so, told from rigid motion: x to the right, y to the front. */
function read(p: Place): number[] {
  const turn = (p.vR - p.vL) / SPAN;
  const along = (p.vL + p.vR) / 2;
  return PLACES.map(([kind, x, y]) => {
    const dx = p.u - turn * y;
    const dy = along + turn * x;
    return kind === "left" ? -dx : kind === "right" ? dx : dy;
  });
}

/** 600 lids brought in by a hand that errs, tightening that walks; how many are in line after two rounds at most. */
function hinges(): void {
  const u = draws(5);
  const inside = (): Place => {
    for (;;) {
      const p = { u: (2 * u() - 1) * PLAY, vL: (2 * u() - 1) * PLAY, vR: (2 * u() - 1) * PLAY };
      if (Math.hypot(p.u, p.vL) <= PLAY && Math.hypot(p.u, p.vR) <= PLAY) return p;
    }
  };
  const held = (p: Place): Place => {
    const f = Math.max(1, Math.hypot(p.u, p.vL) / PLAY, Math.hypot(p.u, p.vR) / PLAY);
    return { u: p.u / f, vL: p.vL / f, vR: p.vR / f };
  };
  const rounds = [0, 0, 0, 0, 0];
  for (let i = 0; i < 600; i++) {
    let at = inside();
    const right = inside();
    let n = 0;
    for (; n < 4; n++) {
      const off = read({ u: at.u - right.u, vL: at.vL - right.vL, vR: at.vR - right.vR });
      if (Math.max(...off.map(Math.abs)) <= 0.2) break;
      const a = alignHinges({
        hingeSpanMm: SPAN,
        clearanceMm: [PLAY, PLAY],
        readings: PLACES.map(([kind, xMm, yMm], k) => ({ kind, xMm, yMm, mm: off[k]! + 0.05 * normalDraw(u) })),
        toleranceMm: 0.05,
      });
      const move = (a.verdict === "aligned" ? undefined : (a.pick ?? a.both)?.move) ?? { u: 0, vL: 0, vR: 0 };
      // A hand moves it 15 % too far or short, and tightening walks the lid by 0.08 mm.
      const step = (v: number) => v * (1 + 0.15 * normalDraw(u)) + (v ? 0.08 * normalDraw(u) : 0);
      at = held({ u: at.u + step(move.u), vL: at.vL + step(move.vL), vR: at.vR + step(move.vR) });
    }
    rounds[n]!++;
  }
  const two = ((rounds[0]! + rounds[1]! + rounds[2]!) / 600) * 100;
  console.log(`hinges: 0/1/2/3/more rounds ${rounds.join(" ")} of 600`);
  figure("lids in line within 0.2 mm after two rounds, %", two, { atLeast: 98 });
}

/** One of several by its weight. */
function drawn(weight: readonly number[], at: number): number {
  let x = at * weight.reduce((a, b) => a + b, 0);
  for (const [i, w] of weight.entries()) {
    x -= w;
    if (x <= 0) return i;
  }
  return weight.length - 1;
}

/** 300 returns: causes drawn from the table, looks answered by them; minutes against reseating everything in order. */
function returns(): void {
  const t = CauseTable.parse(JSON.parse(readFileSync("data/reference/causes.json", "utf8")));
  const u = draws(11);
  let ours = 0;
  let inOrder = 0;
  const touchable = [
    "picture",
    "battery",
    "camera",
    "wireless",
    "touch",
    "keyboard",
    "lidSensor",
    "panel",
    "tape",
    "hinge",
    "bezel",
  ];
  for (let k = 0; k < 300; k++) {
    const feeds = Object.fromEntries(touchable.filter(() => u() < 0.5).map((f) => [f, 1 + Math.floor(2 * u())]));
    const weight = t.causes.map(
      (c) => c.background + Object.entries(c.feeds).reduce((s, [f, r]) => s + r * 2 * (1 - 0.5 ** (feeds[f] ?? 0)), 0),
    );
    const cause = t.causes[drawn(weight, u())]!;
    const truth = Object.fromEntries(
      t.findings.map((f) => [f.id, u() < Math.max(f.works ? 0 : f.leak, cause.strength[f.id] ?? f.leak)]),
    );
    const seen: Record<string, Seen> = {};
    for (const f of t.findings) if (f.minutes === 0) seen[f.id] = truth[f.id] ? "yes" : "no";
    if (!t.findings.some((f) => f.minutes === 0 && truth[f.id])) continue;
    const mend = (c: (typeof t.causes)[number], opened: boolean) =>
      c.minutes + (c.access === "opened" && !opened ? t.openMinutes : 0);
    const tried = new Set<string>();
    let spent = 0;
    let opened = false;
    for (let n = 0; n < 40; n++) {
      // What was mended without success is out: its chance goes to the others.
      const left = { ...t, causes: t.causes.filter((c) => !tried.has(c.id)) };
      const { next } = rankCauses(left, { feeds, seen, opened });
      if (next.kind === "giveUp") {
        spent += t.giveUpMinutes;
        break;
      }
      if (next.kind === "look") {
        const f = t.findings.find((q) => q.id === next.act)!;
        spent += f.minutes + (f.access === "opened" && !opened ? t.openMinutes : 0);
        opened ||= f.access === "opened";
        seen[f.id] = truth[f.id] ? "yes" : "no";
        continue;
      }
      const c = t.causes.find((q) => q.id === next.act)!;
      spent += mend(c, opened);
      opened ||= c.access === "opened";
      if (c.id === cause.id) break;
      tried.add(c.id);
    }
    ours += spent;
    // The other way: open it, put every touched lead home anew in turn, then whatever else, in the table's order.
    let other = 0;
    let open = false;
    const fed = (c: (typeof t.causes)[number]) => Object.keys(c.feeds).some((f) => feeds[f]);
    for (const c of [...t.causes.filter(fed), ...t.causes.filter((q) => !fed(q))]) {
      other += mend(c, open);
      open ||= c.access === "opened";
      if (c.id === cause.id) break;
    }
    inOrder += other;
  }
  figure("minutes of 300 returns against reseating everything in order, %", (100 * ours) / inOrder, { atMost: 75 });
}

/** Drawn scenes: how often a verdict is wrong, and how often there is one where the truth is three sigma clear. */
function evenness(scenes: number): void {
  const u = draws(31);
  const shot = { width: 800, height: 600, focalPx: 767, at: [15, -10, 620] as [number, number, number] };
  let wrong = 0;
  let clear = 0;
  let told = 0;
  for (let k = 0; k < scenes; k++) {
    const p: TruePanel = { widthMm: 310, heightMm: 174, slope: [0.25 * u(), 0.2 * u()], falls: [0.25 * u(), 0.25 * u()] };
    const o = {
      ...shot,
      lens: [-0.1 - 0.28 * u(), -0.08 * u()] as [number, number],
      moire: 0.015 * u(),
      noise: 0.004 + 0.012 * u(),
    };
    const photos = [
      photoOf(p, { ...o, aim: [62, 48], seed: 1000 + 2 * k }),
      photoOf(p, { ...o, aim: [-58, -46], seed: 1001 + 2 * k }),
    ];
    const e = measureEvenness(photos, p);
    if (!e.ok) continue;
    const { minOverMax, sigma } = e.rows[9];
    const limit = EVENNESS_LIMITS[9];
    const truth = trueRatio(p, 9);
    const verdict = judgeRatio(minOverMax, sigma, limit);
    if ((verdict === "good" && truth < limit) || (verdict === "bad" && truth > limit)) wrong++;
    if (Math.abs(truth - limit) > 3 * sigma) {
      clear++;
      if (verdict !== "unsure") told++;
    }
  }
  figure(`wrong verdicts in ${scenes} scenes, %`, (100 * wrong) / scenes, { atMost: 2 });
  figure("scenes three sigma clear that get a verdict, %", (100 * told) / Math.max(1, clear), { atLeast: 80 });
}

export function benchAftermath(scenes = 300): void {
  hinges();
  returns();
  evenness(scenes);
}
