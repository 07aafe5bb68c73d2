import { describe, expect, it } from "vitest";
import { foldProcedure, type Procedure, type ProcedureEvent, parseProcedure } from ".";

const PAIRING: Procedure = {
  format: "helvane.procedure",
  version: 1,
  id: "pellow-lid-then-panel",
  maker: "Pellow",
  source: "shop note, adjustable",
  steps: [
    { id: "start", act: "Start the maker test", needs: { mains: true, network: true, lid: "open" } },
    { id: "sensor-shut", act: "Shut the lid", after: ["start"], needs: { mains: true }, sets: { lid: "shut" } },
    {
      id: "sensor-open",
      act: "Open the lid",
      after: ["sensor-shut"],
      sets: { lid: "open" },
      window: { since: "sensor-shut", atLeastS: 18, atMostS: 30, early: "sensor-shut", late: "start" },
    },
    {
      id: "bind-panel",
      act: "Bind the panel",
      after: ["sensor-open"],
      needs: { mains: true, network: true, lid: "open" },
      lost: { network: "bind-panel", mains: "start" },
    },
  ],
};
const FIRST_START: Procedure = {
  format: "helvane.procedure",
  version: 1,
  id: "tollund-first-start",
  maker: "Tollund",
  source: "shop note, adjustable",
  steps: [
    { id: "mains-in", act: "Mains in" },
    {
      id: "key-10s",
      act: "Hold the key 10 s",
      after: ["mains-in"],
      window: { since: "mains-in", atLeastS: 2, atMostS: 60, late: "mains-in" },
    },
    { id: "wait-black", act: "Wait while it stays black", after: ["key-10s"], window: { since: "key-10s", atLeastS: 90 } },
    { id: "set-clock", act: "Set the clock", after: ["wait-black"] },
  ],
};
type Short = Partial<ProcedureEvent> &
  ({ kind: "done"; step: string; mono: number } | { kind: "state"; set: object; mono: number });
const go = (list: readonly Short[], p = PAIRING) =>
  foldProcedure(
    p,
    list.map((e) => ({ session: "a", at: e.mono, ...e }) as ProcedureEvent),
  );
const done = (step: string, mono: number, more: object = {}): Short => ({ kind: "done", step, mono, ...more });
const ready: Short = { kind: "state", set: { mains: true, network: true, lid: "open" }, mono: 0 };
const begun = [ready, done("start", 0), done("sensor-shut", 5)];

describe("a procedure with windows", () => {
  it("within the window it goes on; too early only shuts again; too late begins from the start", () => {
    expect(go([...begun, done("sensor-open", 32)]).next).toBe("bind-panel");
    const early = go([...begun, done("sensor-open", 17)]);
    expect([early.next, early.done, early.breaches]).toEqual([
      "sensor-shut",
      ["start"],
      [{ restart: "sensor-shut", why: "too early" }],
    ]);
    const late = go([...begun, done("sensor-open", 50)]);
    expect([late.next, late.done, late.breaches.at(-1)]).toEqual(["start", [], { restart: "start", why: "too late" }]);
    for (const s of [18, 30]) expect(go([...begun, done("sensor-open", 5 + s)]).next, `${s} s`).toBe("bind-panel");
  });
  it("whatever its wall clock did in one session; noted", () => {
    const r = go([...begun, done("sensor-open", 32, { at: 3632 })]);
    expect([r.next, r.notes]).toEqual(["bind-panel", ["its clock was set by 3600 s meanwhile"]]);
  });
  it("over a reload by the server's times; without them it is not certain, and a guess is no pass", () => {
    const shut = done("sensor-shut", 5, { server: 1005 });
    const opened = (server?: number): Short => done("sensor-open", 1, { session: "b", at: 29, ...(server ? { server } : {}) });
    expect(go([ready, done("start", 0), shut, opened(1029)]).next).toBe("bind-panel");
    const r = go([ready, done("start", 0), shut, opened()]);
    expect([r.next, r.breaches.at(-1)]).toEqual(["start", { restart: "start", why: "time not certain" }]);
    // Two seconds from the edge the server's time is not good enough.
    expect(go([ready, done("start", 0), shut, opened(1024)]).breaches.at(-1)?.why).toBe("time not certain");
  });
  it("a device that slept is told by the server", () => {
    const r = go([
      ready,
      done("start", 0),
      done("sensor-shut", 5, { server: 1005 }),
      done("sensor-open", 7, { at: 29, server: 1029 }),
    ]);
    expect(r.next).toBe("bind-panel");
    expect(r.notes[0]).toMatch(/slept/);
  });
  it("out of order, or without what it needs, is refused and loses nothing", () => {
    const r = go([...begun, done("bind-panel", 20)]);
    expect([r.next, r.done, r.breaches]).toEqual([
      "sensor-open",
      ["start", "sensor-shut"],
      [{ restart: null, why: "sensor-open first" }],
    ]);
    expect(go([done("start", 0)]).breaches).toEqual([{ restart: null, why: "mains must be true" }]);
    expect(go([...begun, done("no-such", 6)]).breaches).toEqual([{ restart: null, why: 'unknown step "no-such"' }]);
  });
  it("the network lost before binding repeats only the binding; the mains lost begins again", () => {
    const paired = [...begun, done("sensor-open", 30)];
    const lost = (k: "network" | "mains"): Short => ({ kind: "state", set: { [k]: false }, mono: 31 });
    const back = (k: "network" | "mains"): Short => ({ kind: "state", set: { [k]: true }, mono: 33 });
    const net = go([...paired, lost("network"), done("bind-panel", 32), back("network"), done("bind-panel", 34)]);
    expect([net.next, net.done.length]).toEqual([null, 4]);
    expect(net.breaches.map((b) => b.why)).toEqual(["network lost", "network must be true"]);
    expect(go([...paired, lost("mains")]).next).toBe("start");
  });
  it("a plain wait has no end, and coming early costs nothing but waiting", () => {
    const to = [done("mains-in", 0), done("key-10s", 10)];
    const early = go([...to, done("wait-black", 50)], FIRST_START);
    expect([early.next, early.breaches]).toEqual(["wait-black", [{ restart: null, why: "too early" }]]);
    expect(go([...to, done("wait-black", 100)], FIRST_START).next).toBe("set-clock");
    expect(go([...to, done("wait-black", 9000), done("set-clock", 9001)], FIRST_START).next).toBeNull();
    expect(go([done("mains-in", 0), done("key-10s", 61)], FIRST_START).next).toBe("mains-in");
  });
});

describe("reading a procedure", () => {
  const read = (change: (p: Procedure) => void): string => {
    const p = structuredClone(PAIRING);
    change(p);
    const r = parseProcedure(JSON.stringify(p));
    return r.ok ? "ok" : r.problems.map((x) => `${x.where}: ${x.message}`).join("; ");
  };
  it("both shop notes are read", () => {
    for (const p of [PAIRING, FIRST_START]) expect(parseProcedure(JSON.stringify(p))).toEqual({ ok: true, procedure: p });
  });
  it.each<[string, (p: Procedure) => void, RegExp]>([
    [
      "an unknown step",
      (p) => Object.assign(p.steps[1]!, { after: ["no-such"] }),
      /^steps\.1\.after\.0: there is no step "no-such"$/,
    ],
    [
      "an unknown place to begin again",
      (p) => Object.assign(p.steps[2]!.window!, { late: "never" }),
      /steps\.2\.window\.late: there is no step "never"/,
    ],
    [
      "a circle",
      (p) => Object.assign(p.steps[0]!, { after: ["bind-panel"] }),
      /steps\.0\.after: these wait for each other: start, sensor-shut/,
    ],
    ["a window inside out", (p) => Object.assign(p.steps[2]!.window!, { atMostS: 5 }), /at most 5 s is less than at least 18 s/],
    ["a window without a way back", (p) => Object.assign(p.steps[2]!.window!, { late: undefined }), /says where it begins again/],
    [
      "an id used twice",
      (p) => Object.assign(p.steps[1]!, { id: "start" }),
      /steps\.1\.id: the id "start" is already used at steps\.0/,
    ],
  ])("%s is refused with its place", (_, change, words) => {
    expect(read(change)).toMatch(words);
  });
  it("what is no JSON, or another format, is said", () => {
    expect(parseProcedure("{")).toMatchObject({ ok: false, problems: [{ where: "file" }] });
    expect(parseProcedure('{"format":"x"}')).toMatchObject({ ok: false });
  });
});
