import { readFileSync } from "node:fs";
import { seededRandom } from "@tests/randomActs";
import { describe, expect, it } from "vitest";
import { type CauseAsk, CauseTable, checkCauses, lookMoves, rankCauses, seenBy } from ".";

const TABLE = CauseTable.parse(JSON.parse(readFileSync("data/reference/causes.json", "utf8")));

/** Twelve machines that came off the bench wrong: what was touched, what is seen, what leads with its chance, what is done next. */
type Case = [name: string, ask: CauseAsk, leads: [string, number][], next: [act: string, minutes: number]];
const CASES: Case[] = [
  [
    "dead after the battery was off",
    { feeds: { battery: 1, picture: 1, panel: 1 }, seen: { noPower: "yes" } },
    [
      ["mainsFirst", 0.7],
      ["batteryLead", 0.18],
    ],
    ["mainsFirst", 14.4],
  ],
  [
    "dead, mains and a long press do nothing, a wide lead was off",
    { feeds: { battery: 1, keyboard: 1, other: 2, picture: 1, panel: 1 }, seen: { noPower: "yes", mainsStarts: "no" } },
    [["crossLead", 0.82]],
    ["crossLead", 28.1],
  ],
  [
    "runs on mains, battery absent",
    { feeds: { battery: 2, picture: 1, panel: 1 }, seen: { noPower: "no", batteryAbsent: "yes" } },
    [
      ["batterySense", 0.69],
      ["batteryLead", 0.29],
    ],
    ["batterySense", 20.4],
  ],
  [
    "dark, the torch shows a picture, plugged while live",
    { feeds: { picture: 1, pictureLive: 1, panel: 1 }, seen: { noLight: "yes", torch: "yes" } },
    [["lightFuse", 0.98]],
    ["lightFuse", 41],
  ],
  [
    "dark, the torch shows nothing, an outside screen is good",
    { feeds: { picture: 1, panel: 1, battery: 1 }, seen: { noLight: "yes", torch: "no", external: "yes" } },
    [
      ["pictureLead", 0.66],
      ["panelBad", 0.15],
    ],
    ["flicker", 31.1],
  ],
  [
    "flicker as the lid moves, the hinges were off",
    { feeds: { picture: 1, hinge: 2, panel: 1 }, seen: { flicker: "yes", lines: "no", noLight: "no", noPicture: "no" } },
    [
      ["leadHurt", 0.45],
      ["pictureLead", 0.42],
    ],
    ["pictureLead", 33.8],
  ],
  [
    "lines that stay, the loose test was good, the tape is new",
    { feeds: { picture: 1, panel: 1, tape: 1 }, looseGood: true, seen: { lines: "yes", flicker: "no", patches: "no" } },
    [
      ["panelBad", 0.44],
      ["pictureLead", 0.39],
    ],
    ["pictureLead", 40.4],
  ],
  [
    "patches, the loose test was good, the tape is new",
    { feeds: { picture: 1, panel: 1, tape: 1 }, looseGood: true, seen: { patches: "yes" } },
    [["squeezed", 0.82]],
    ["squeezed", 39.8],
  ],
  [
    "camera gone, its lead was touched",
    { feeds: { picture: 1, camera: 1, panel: 1 }, seen: { noCamera: "yes", lines: "no" } },
    [["cameraLead", 0.94]],
    ["cameraLead", 21.9],
  ],
  [
    "wireless weak, nothing there touched",
    { feeds: { picture: 1, panel: 1 }, seen: { noWireless: "yes" } },
    [
      ["antennaLead", 0.31],
      ["software", 0.3],
      ["noneOfThese", 0.12],
    ],
    ["software", 40.4],
  ],
  [
    "tint and wrong wake, the part needs binding",
    { feeds: { picture: 1, panel: 1, pairing: 1, lidSensor: 1 }, seen: { tintWrong: "yes", sleepWrong: "yes" } },
    [["pairing", 0.86]],
    ["pairing", 25.9],
  ],
  [
    "touch dead, its lead off twice, the same in the set-up screen",
    { feeds: { picture: 1, touch: 2, panel: 1 }, seen: { touchWrong: "yes", sameInSetup: "yes" } },
    [["touchLead", 0.8]],
    ["touchLead", 27.4],
  ],
];
const chanceOf = (r: ReturnType<typeof rankCauses>, cause: string) => r.ranking.find((x) => x.cause === cause)!.p;

describe("what is wrong after a repair", () => {
  it("the shipped table is sound, and its mistakes are named with their place", () => {
    expect(checkCauses(TABLE)).toEqual([]);
    const wrong = structuredClone(TABLE);
    wrong.causes[1]!.id = wrong.causes[0]!.id;
    wrong.causes[2]!.strength.noSuch = 0.5;
    expect(checkCauses(wrong).map((p) => p.where)).toEqual(["causes[1].id", "causes[2].strength.noSuch"]);
  });
  it.each(CASES)("%s", (_, ask, leads, [act, minutes]) => {
    const r = rankCauses(TABLE, ask);
    const top = r.ranking[0]!.p;
    // A tie counts either way.
    expect(top - chanceOf(r, leads[0]![0]), JSON.stringify(r.ranking.slice(0, 3))).toBeLessThan(0.05);
    for (const [cause, p] of leads) expect(Math.abs(chanceOf(r, cause) - p), cause).toBeLessThan(0.01);
    expect(r.next.act).toBe(act);
    expect(Math.abs(r.next.minutes - minutes)).toBeLessThan(0.06);
    expect(r.contradiction).toBeNull();
  });
  it("open already is cheaper, by the opening at most", () => {
    for (const [name, ask] of CASES) {
      const [shut, open] = [rankCauses(TABLE, ask), rankCauses(TABLE, { ...ask, opened: true })];
      expect(open.next.minutes, name).toBeLessThanOrEqual(shut.next.minutes + 1e-9);
      expect(shut.next.minutes - open.next.minutes, name).toBeLessThanOrEqual(14 + 1e-9);
    }
    expect(rankCauses(TABLE, { ...CASES[8]![1], opened: true }).next.minutes).toBeCloseTo(7.9, 1);
  });
  it("the order of findings never matters; unclear and not done move nothing", () => {
    const [, ask] = CASES[5]!;
    const turned = rankCauses(TABLE, { ...ask, seen: Object.fromEntries(Object.entries(ask.seen).reverse()) });
    expect(turned).toEqual(rankCauses(TABLE, ask));
    const more = rankCauses(TABLE, { ...ask, seen: { ...ask.seen, noCamera: "unclear", torch: "notDone" } });
    expect(more.ranking).toEqual(rankCauses(TABLE, ask).ranking);
    expect(() => rankCauses(TABLE, { feeds: {}, seen: { noSuch: "yes" } })).toThrow(/noSuch/);
  });
  it("more touches never lower a cause, at most twice its rate; what is not fed keeps its background", () => {
    const p = (n: number) => rankCauses(TABLE, { feeds: { camera: n }, seen: {} });
    for (let n = 0; n < 8; n++) expect(chanceOf(p(n + 1), "cameraLead")).toBeGreaterThan(chanceOf(p(n), "cameraLead"));
    // Weight 0.1 + 2 * 3 at the most, against everything else as it was.
    const odds = (n: number) => chanceOf(p(n), "cameraLead") / chanceOf(p(n), "software");
    expect(odds(40) / odds(0)).toBeLessThan((0.1 + 6) / 0.1 + 1e-6);
  });
  it("findings that cannot be are said, with the chances of before and no NaN", () => {
    const strict = structuredClone(TABLE);
    for (const f of strict.findings) if (f.id === "noCamera") Object.assign(f, { leak: 0, none: 0 });
    for (const c of strict.causes) delete c.strength.noCamera;
    const r = rankCauses(strict, { feeds: { camera: 1 }, seen: { noCamera: "yes" } });
    expect(r.contradiction).toMatch(/cannot be true together: no camera yes/);
    expect(r.ranking).toEqual(rankCauses(strict, { feeds: { camera: 1 }, seen: {} }).ranking);
    expect(r.ranking.every((x) => Number.isFinite(x.p))).toBe(true);
  });
  it("no order of six causes is cheaper, on forty tables", () => {
    const random = seededRandom(9);
    for (let k = 0; k < 40; k++) {
      const t: CauseTable = {
        ...TABLE,
        findings: [{ id: "seen", name: "Something seen", leak: 0.05, none: 0.1, minutes: 0, access: "closed" }],
        causes: Array.from({ length: 6 }, (_, i) => ({
          id: `c${i}`,
          name: `Cause ${i}`,
          background: 0.1 + random(),
          minutes: 1 + Math.round(30 * random()),
          access: random() < 0.5 ? ("opened" as const) : ("closed" as const),
          feeds: {},
          strength: { seen: random() },
        })),
      };
      const r = rankCauses(t, { feeds: {}, seen: { seen: "yes" } });
      // The hypotheses, written anew: none, one, two.
      const w = t.causes.map((c) => c.background);
      const sum = w.reduce((a, x) => a + x, 0);
      const none = t.noneWeight * 0.1;
      const hs = t.causes.flatMap((c, i) => [
        { set: [i], p: w[i]! * (1 - 0.95 * (1 - c.strength.seen!)) },
        ...t.causes.slice(i + 1).map((d, j) => ({
          set: [i, i + 1 + j],
          p: ((t.pairRate * w[i]! * w[i + 1 + j]!) / sum) * (1 - 0.95 * (1 - c.strength.seen!) * (1 - d.strength.seen!)),
        })),
      ]);
      const all = none + hs.reduce((s, h) => s + h.p, 0);
      const fails = (done: readonly number[]) =>
        (none + hs.reduce((s, h) => s + (h.set.every((c) => done.includes(c)) ? 0 : h.p), 0)) / all;
      let best = Number.POSITIVE_INFINITY;
      const go = (done: number[], open: boolean, cost: number) => {
        const left = fails(done);
        best = Math.min(best, cost + left * t.giveUpMinutes);
        for (const [i, c] of t.causes.entries()) {
          if (done.includes(i)) continue;
          const opens = c.access === "opened" && !open;
          go([...done, i], open || opens, cost + left * (c.minutes + (opens ? t.openMinutes : 0)));
        }
      };
      go([], false, 0);
      expect(Math.abs(r.next.minutes - best), `${k}`).toBeLessThan(1e-9);
    }
  });
});

describe("what a failed check tells by itself", () => {
  it("a dark camera was looked at on a machine that ran with a picture", () => {
    expect(seenBy("camera")).toEqual({ noPower: "no", noLight: "no", noPicture: "no", noCamera: "yes" });
    expect(seenBy("start")).toEqual({});
    expect(seenBy("lidSwing")).toEqual({ flicker: "yes" });
    expect(seenBy("speaker")).toEqual({ noPower: "no", noLight: "no", noPicture: "no" });
  });
  it("a camera whose lead nobody touched: its lead or its driver, never the mains", () => {
    const r = rankCauses(TABLE, { feeds: { battery: 1, picture: 1, panel: 1, bezel: 1, hinge: 1 }, seen: seenBy("camera") });
    const p = (c: string) => r.ranking.find((x) => x.cause === c)!.p;
    expect(r.ranking[0]!.cause).toBe("cameraLead");
    expect(p("mainsFirst")).toBeLessThan(0.05);
    expect(r.next.act).not.toBe("mainsFirst");
  });
  it("each answer says what it moved: from the leader's chance without it", () => {
    const ask = { feeds: { picture: 1, panel: 1 }, seen: { noLight: "yes", torch: "no" } as const };
    const moves = lookMoves(TABLE, ask);
    expect(moves.map((m) => m.finding)).toEqual(["noLight", "torch"]);
    const lead = rankCauses(TABLE, ask).ranking[0]!;
    for (const m of moves) {
      expect(m.after).toBeCloseTo(lead.p, 12);
      const rest = Object.fromEntries(Object.entries(ask.seen).filter(([f]) => f !== m.finding)) as Record<string, "yes" | "no">;
      expect(m.before).toBeCloseTo(rankCauses(TABLE, { ...ask, seen: rest }).ranking.find((r) => r.cause === lead.cause)!.p, 12);
    }
  });
});
