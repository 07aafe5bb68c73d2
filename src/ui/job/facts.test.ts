import { plannedJob, TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { progressOf } from "@/core/teardown";
import { leftWords, promiseWords, routeCells, stripFacts, trayFacts } from "./facts";

const NOW = Date.parse("2026-06-10T08:12:00Z");
const tray = (b: TestBench) => trayFacts(b.view, progressOf(b.view));
const route = (b: TestBench) => routeCells(b.view, progressOf(b.view));

describe("promise", () => {
  it("says the day, what is left and what it needs", () => {
    expect(promiseWords(null, NOW)).toBe("No date yet");
    expect(promiseWords("2026-06-10T15:00:00Z", NOW)).toMatch(/^Promised today/);
    expect(promiseWords("2026-06-12T15:00:00Z", NOW)).toMatch(/^Promised Fri 12 Jun/);
    expect(leftWords("2026-06-10T10:12:00Z", NOW, 45)).toBe("2 h left, needs 45 min");
    expect(leftWords("2026-06-10T07:12:00Z", NOW, null)).toBe("1 h late");
    expect(leftWords("2026-06-20T08:12:00Z", NOW, null)).toBe("10 days left");
    expect(leftWords(null, NOW, 30)).toBe("needs 30 min");
  });
});

describe("tray", () => {
  it("mirrors power: nothing, live, off but not isolated, isolated, live again", () => {
    const b = plannedJob("C");
    expect(tray(b).power).toMatchObject({ state: "clear", title: "Nothing on bench" });
    b.do("bench.mainsIn");
    expect(tray(b).power).toMatchObject({ state: "live", note: "mains in" });
    b.do("bench.shutDown");
    b.do("bench.mainsOut");
    expect(tray(b).power).toMatchObject({ state: "off", title: "Off, not isolated" });
    b.until("partOut:bezel");
    expect(tray(b).power.state).toBe("isolated");
    b.do("bench.mainsIn");
    expect(tray(b).power.state).toBe("live");
  });
  it("counts screws out and back, and never says all is well with one away", () => {
    const b = plannedJob("C").until("screwsOut:base-screws");
    expect(tray(b).screws.title).toBe("Tray empty");
    b.do("open.screwOut", { screw: "b1" });
    expect(tray(b).screws).toMatchObject({ title: "1 out, 0 back", note: "1 in the tray" });
    b.until("screwsBack:base-screws");
    expect(tray(b).screws.title).toBe("7 out, 1 back");
    b.until(null);
    expect(tray(b).screws).toMatchObject({ title: "7 out, 7 back", note: "all accounted for" });
  });
  it("screws only loosened are said as such", () => {
    const b = plannedJob("B").until("screwsOut:tab-screws");
    expect(tray(b).screws.note).toBe("2 only loosened");
  });
  it("a safety stop takes the cautions well", () => {
    const b = plannedJob("C");
    b.do("job.safetyRaised", { hazard: "hotBattery", note: "" });
    expect(tray(b).cautions).toMatchObject({ stopped: true, title: "Stop", note: "safety stop" });
    b.do("job.madeSafe", { hazard: "hotBattery", by: "Warden", how: "outside" });
    expect(tray(b).cautions.stopped).toBe(false);
  });
  it("the film stays on the new panel until it is recorded as off", () => {
    const b = plannedJob("C");
    expect(tray(b).film.title).toBe("Film on");
    b.until("partBack:bezel");
    expect(tray(b).film).toMatchObject({ title: "Film off", on: false });
  });
});

describe("route", () => {
  it("has nine cells, exactly one of them now until the job is closed", () => {
    const b = plannedJob("C");
    for (const stop of [
      "screwsOut:base-screws",
      "cableOff:display-plug",
      "looseTest",
      "linerPull:tape-left-1",
      "proveOpen",
      "screwsBack:base-screws",
      "handOver",
    ]) {
      b.until(stop);
      const cells = route(b);
      expect(cells).toHaveLength(9);
      expect(
        cells.filter((c) => c.s === "now"),
        stop,
      ).toHaveLength(1);
    }
    b.until(null);
    b.do("job.closed", { outcome: "handedOver", reason: "" });
    expect(route(b).some((c) => c.s === "now")).toBe(false);
    expect(route(b)[8]).toMatchObject({ s: "proven", note: "handed over" });
  });
  it("proofs are words, never just done, and a conditional match stays assumed", () => {
    const b = plannedJob("C").until("partOut:bezel");
    const cells = route(b);
    expect(cells[0]!.note).toBe("it is the panel");
    expect(cells[1]!.note).toBe("from the label");
    expect(cells[4]!.note).toMatch(/step \d+ of \d+/);
    for (const c of cells) expect(c.note).not.toMatch(/^done$/i);
  });
  it("the route goes from Prove to Close and back to Prove", () => {
    const b = plannedJob("C").until("proveOpen");
    const now = () => route(b).findIndex((c) => c.s === "now") + 1;
    expect(now()).toBe(8);
    b.until("screwsBack:base-screws");
    expect(now()).toBe(9);
    b.until("proveClosed");
    expect(now()).toBe(8);
    b.until("handOver");
    expect(now()).toBe(9);
  });
});

describe("strip", () => {
  it("names old and new panel and where each is", () => {
    const b = plannedJob("C");
    const facts = () => stripFacts(b.view, progressOf(b.view), NOW);
    expect(facts()).toMatchObject({
      oldCode: "GV140FHB-K31",
      newCode: "GV140FHB-K31",
      newNote: "on the bench",
      promise: "No date yet",
    });
    b.until("looseTest");
    expect(facts().oldNote).toBe("out, to recycling");
    b.until(null);
    expect(facts().newNote).toBe("in the machine");
  });
  it("an empty job knows nothing and says so", () => {
    const b = new TestBench();
    b.do("job.opened", {
      number: "H-7",
      customer: "Desk",
      words: "",
      machineModel: "M",
      serial: "",
      promiseAt: null,
      happened: "",
    });
    expect(stripFacts(b.view, null, NOW)).toMatchObject({ oldCode: null, oldNote: "not identified", newCode: null });
  });
});
