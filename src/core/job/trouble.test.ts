import { builds, jobOn, plannedJob, type TestBench } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { addPart, adoptFind, applyFinds, type Build, findId, indexBuild, screwMisfit, screwWords } from "../build";
import { makePlan, progressOf } from "../teardown";
import { buildOf, emptyState, mayPlanAnew, pauseCard, pointCheck, screwsOpen } from ".";
import { mayTakeOut } from "./open/takeOut";

const find = (over: object = {}) => ({
  kind: "hiddenScrew",
  holds: "base-cover",
  view: "base",
  xMm: 200,
  yMm: 120,
  words: "Under the label",
  screwType: null,
  connector: "friction",
  ...over,
});

describe("something found on the way", () => {
  it("a hidden screw holds its part at once, is counted out and back, and nothing is lost", () => {
    const b = plannedJob("C").until("partOut:base-cover");
    const steps = progressOf(b.view)!.steps.length;
    expect(b.why("open.partOut", { part: "base-cover" })).toBeNull();
    b.do("open.found", find());
    expect(b.why("open.partOut", { part: "base-cover" })).toMatch(/1 of 1 screws still hold it: under the label/);
    expect(progressOf(b.view)!.steps.length).toBe(steps + 2);
    expect(progressOf(b.view)!.now!.title).toBe("Take out 1 hidden screw");
    b.follow(() => false);
    expect(screwsOpen(b.state)).toEqual({ out: [], loose: [] });
    const id = findId({ ...find(), eventId: b.state.finds[0]!.eventId } as never);
    expect(b.state.screws[`${id}-1`]).toBe("back");
  });
  it("says what it lies under: that goes on only once the find is home, and cannot be what waits for it", () => {
    const b = plannedJob("C").until("partOut:panel");
    expect(b.state.parts.bezel).toBe("out");
    const under = { holds: "panel", view: "lid", words: "Beside the left hinge" };
    expect(b.why("open.found", find({ holds: "bezel", view: "lid", under: ["panel"] }))).toMatch(
      /panel comes away only after bezel: it cannot lie over it/i,
    );
    expect(b.why("open.found", find({ ...under, under: ["no-such"] }))).toMatch(/no-such/);
    b.do("open.found", find({ ...under, under: ["bezel"] }));
    const id = findId(b.state.finds[0]!);
    const back = progressOf(b.view)!.plan.in.map((x) => x.id);
    expect(back.indexOf(`screwsBack:${id}`)).toBeGreaterThan(-1);
    expect(back.indexOf(`screwsBack:${id}`)).toBeLessThan(back.indexOf("partBack:bezel"));
    b.follow((_, now) => now === `screwsBack:${id}`);
    expect(b.why("close.partBack", { part: "bezel" })).toMatch(/of hidden screw is not back|open pass|not complete/i);
    b.follow(() => false);
    expect(b.state.screws[`${id}-1`]).toBe("back");
    expect(b.state.parts.bezel).toBe("back");
  });
  it("an extra cable has to come off after isolation, and go on again", () => {
    const b = plannedJob("C").until("partOut:bezel");
    b.do("open.found", find({ kind: "extraCable", holds: "bezel", view: "lid", words: "Microphone lead" }));
    expect(b.why("open.partOut", { part: "bezel" })).toMatch(/Microphone lead still ties it/);
    b.follow(() => false);
    expect(Object.values(b.state.connectors).every((x) => x === "on")).toBe(true);
  });
  it("a lead on the cover over the battery makes no plan of its own: what waits for what is said, and it can be taken back", () => {
    const b = plannedJob("C").until("partOut:base-cover");
    const e = b.do("open.found", find({ kind: "extraCable", holds: "base-cover", words: "Fingerprint lead" }));
    const made = makePlan(buildOf(b.view)!.build);
    expect(made.ok).toBe(false);
    if (!made.ok) expect(made.problem).toMatch(/These wait for each other: .*fingerprint lead.*which waits for/i);
    // No gate gives way for it: neither the lead under power nor the cover on its lead.
    expect(b.why("swap.cableDisconnected", { connector: findId(b.state.finds[0]!) })).toMatch(/Not isolated/);
    expect(b.why("open.partOut", { part: "base-cover" })).toMatch(/Fingerprint lead still ties it/);
    b.do("job.takenBack", { eventId: e.id });
    expect(progressOf(b.view)!.now!.id).toBe("partOut:base-cover");
  });
  it("a part nobody mentioned comes out first and goes back", () => {
    const b = plannedJob("C").until("partOut:base-cover");
    b.do("open.found", find({ kind: "part", words: "Speaker" }));
    expect(b.why("open.partOut", { part: "base-cover" })).toMatch(/comes after speaker/);
    b.follow(() => false);
    const speaker = buildOf(b.view)!.build.parts.find((p) => p.name === "Speaker")!;
    expect(b.state.parts[speaker.id]).toBe("back");
  });
  it("taken back, the build is what it was", () => {
    const b = plannedJob("C").until("partOut:base-cover");
    const e = b.do("open.found", find());
    b.do("job.takenBack", { eventId: e.id });
    expect(b.state.finds).toEqual([]);
    expect(b.why("open.partOut", { part: "base-cover" })).toBeNull();
  });
  it("names a part of this build, or is refused; the build itself stays as it is", () => {
    const b = plannedJob("C");
    expect(b.why("open.found", find({ holds: "no-such-part" }))).toMatch(/no part/);
    const build = builds["ostrel-kestrel-14"]!;
    const before = JSON.stringify(build);
    const more = applyFinds(build, [{ ...find(), eventId: "01900000-0000-7000-8000-0000000000aa" } as never]);
    expect(JSON.stringify(build)).toBe(before);
    expect(makePlan(more).ok).toBe(true);
    expect(applyFinds(build, [])).toBe(build);
  });
  it("a build that has taken the find over has it once", () => {
    const build = builds["ostrel-kestrel-14"]!;
    for (const kind of ["hiddenScrew", "extraCable", "part", "glue"]) {
      const kept = { ...find({ kind, words: "Seen there" }), eventId: "01900000-0000-7000-8000-0000000000ab" } as never;
      const once = applyFinds(build, [kept]);
      expect(once, kind).not.toEqual(build);
      expect(applyFinds(structuredClone(once), [kept]), kind).toEqual(once);
      // Taken over for good it does not speak of "this job" on the jobs that come after.
      const adopted = adoptFind(build, kept);
      expect(JSON.stringify(adopted), kind).not.toMatch(/this job/i);
      expect(JSON.stringify(once) === JSON.stringify(adopted), kind).toBe(kind === "glue");
      expect(applyFinds(structuredClone(adopted), [kept]), kind).toEqual(adopted);
      // A lead on the cover over the battery waits for itself; anything else is planned.
      expect(makePlan(adopted).ok, kind).toBe(kind !== "extraCable");
    }
  });
  it("a hidden screw nobody measured takes no other in its place, and goes into none", () => {
    const b = plannedJob("C").until("partOut:base-cover");
    b.do("open.found", find());
    b.follow((_, step) => step.startsWith("screwsBack:found-"));
    const place = `${findId(b.state.finds[0]!)}-1`;
    const own = indexBuild(buildOf(b.view)!.build).screwType;
    expect(screwWords([...own.values()].find((t) => t.unmeasured)!)).toBe("not measured");
    for (const t of builds["ostrel-kestrel-14"]!.screwTypes)
      expect(b.why("close.screwBack", { screw: place, type: t.id }), t.id).toMatch(
        /was never measured. Put back the one that came out of it/,
      );
    expect(b.why("close.screwBack", { screw: place, type: "found-screw" })).toBeNull();
    const other = builds["ostrel-kestrel-14"]!.screwGroups[0]!.screws[0]!.id;
    expect(screwMisfit(buildOf(b.view)!, other, "found-screw")).toMatch(/in hand was never measured/);
  });
});

describe("a build that was changed while a job is under way", () => {
  const kestrel = builds["ostrel-kestrel-14"]!;
  const changed = (over: Partial<Build> = {}) => {
    const data: Build = { ...addPart(kestrel, "Card reader", "base"), ...over };
    const hash = "c".repeat(64);
    const bench = plannedJob("C");
    const view = () => ({ ...bench.view, snapshots: { ...bench.view.snapshots, [hash]: { kind: "build" as const, data } } });
    return { bench, hash, view, why: () => mayPlanAnew(view(), hash)?.reason ?? null };
  };
  it("may be gone over to while the machine is whole", () => {
    const { why, bench } = changed();
    expect(why()).toBeNull();
    bench.do("bench.shutDown");
    bench.do("bench.mainsOut");
    expect(why()).toBeNull();
  });
  it("not once something is out or off, and what that is is named", () => {
    const { why, bench } = changed();
    bench.until("partOut:base-cover");
    expect(why()).toMatch(/hinge edge, left.* were dealt with already: this job keeps the build it was planned with/i);
    bench.follow((s) => s.subject !== "in");
    expect(why()).toMatch(/keeps the build/);
  });
  it("not that of another machine, nor one that is not here", () => {
    expect(changed({ id: "another-14", machineModel: "Another 14" }).why()).toBe(
      "That is the build of Another 14, this machine is Ostrel Kestrel 14.",
    );
    expect(mayPlanAnew(plannedJob("C").view, "d".repeat(64))?.reason).toBe("The build is not here.");
  });
});

describe("ways with alternatives", () => {
  it("are held by their gate until one is taken, and either will do", () => {
    const b = jobOn("pellow-lune-13").follow((_, step) => step === "partOut:panel");
    expect(b.why("open.partOut", { part: "panel" })).toBeNull();
    // The same job with the antenna module left in: neither way is taken.
    b.events = b.events.filter((e) => !(e.type === "open.partOut" && e.payload.part === "antenna-bar"));
    expect(b.why("open.partOut", { part: "panel" })).toMatch(
      /antenna leads run through the hinge: free antenna module, or lay the lid/,
    );
    b.do("open.tethered", { option: "lay-tethered" });
    expect(b.why("open.partOut", { part: "panel" })).toBeNull();
    expect(b.why("open.tethered", { option: "no-such-way" })).toMatch(/no way/);
  });
  it("are taken by what is really away: screws all out, a plug off, a tape gone, a part out or folded", () => {
    const base = builds["ostrel-kestrel-14"]!;
    const tape = base.tapes[0]!;
    const group = base.screwGroups[0]!;
    const lead = base.connectors.find((c) => c.joins[0] !== base.subject.part)!;
    const free = (id: string, does: (s: ReturnType<typeof emptyState>) => void) => ({ id, does });
    for (const { id, does } of [
      free(tape.id, (s) => {
        s.tapesOut[tape.id] = true;
      }),
      free(lead.id, (s) => {
        s.connectors[lead.id] = "off";
      }),
      free(group.id, (s) => {
        for (const x of group.screws) s.screws[x.id] = "out";
      }),
      free("base-cover", (s) => {
        s.parts["base-cover"] = "out";
      }),
    ]) {
      const alone: Build = {
        ...base,
        screwGroups: base.screwGroups.filter((g) => g.id === group.id),
        tapes: [tape],
        parts: [
          ...base.parts.map((p) => ({ ...p, blockedBy: [] })),
          {
            ...addPart(base, "Bar", "base").parts.at(-1)!,
            id: "bar",
            either: [{ why: "It is caught", options: [{ id: "a", free: [id] }] }],
          },
        ] as Build["parts"],
      };
      const s = emptyState();
      const v = { ...jobOn("ostrel-kestrel-14").view, state: s };
      expect(mayTakeOut(v, indexBuild(alone), "bar")?.reason, id).toMatch(/^It is caught: free /);
      does(s);
      expect(mayTakeOut(v, indexBuild(alone), "bar"), id).toBeNull();
      if (id === group.id) {
        s.screws[group.screws[0]!.id] = "back";
        expect(mayTakeOut(v, indexBuild(alone), "bar")?.reason).toMatch(/^It is caught/);
      }
    }
  });
});

describe("points of no return", () => {
  it("before a liner every row has to hold, and the one missing is named", () => {
    const b = plannedJob("C").follow((_, step) => step.startsWith("linerPull"));
    expect(pointCheck(b.view, "liner").filter((r) => r.missing)).toEqual([]);
    b.do("bench.mainsIn");
    const rows = pointCheck(b.view, "liner").filter((r) => r.missing);
    expect(rows.map((r) => r.what)).toEqual(["Isolated and drained"]);
    expect(rows[0]!.missing).toMatch(/mains/);
  });
  it("agrees with its gate at every step of a whole job, for all three points", () => {
    const b = plannedJob("C");
    const seen = new Set<string>();
    b.follow((_, step) => {
      if (step.startsWith("linerPull") && !seen.has("liner")) {
        seen.add("liner");
        expect(pointCheck(b.view, "liner").every((r) => r.missing === null)).toBe(true);
      }
      if (step === "partBack:bezel") {
        seen.add("bezel");
        expect(pointCheck(b.view, "bezel").filter((r) => r.missing)).toEqual([]);
      }
      if (step === "partBack:base-cover") {
        seen.add("baseCover");
        expect(pointCheck(b.view, "baseCover").filter((r) => r.missing)).toEqual([]);
      }
      return false;
    });
    expect([...seen].sort()).toEqual(["baseCover", "bezel", "liner"]);
  });
  it("before anything is done nothing is go", () => {
    const b = plannedJob("C");
    for (const p of ["liner", "bezel", "baseCover"] as const)
      expect(
        pointCheck(b.view, p).some((r) => r.missing),
        p,
      ).toBe(true);
  });
});

describe("the pause card", () => {
  it("says every screw by its place, what is off and what to check first", () => {
    const b = plannedJob("C").follow((s) => s.subject === "out");
    const text = JSON.stringify(pauseCard(b.view));
    expect(text).toContain("Base screws, 6");
    expect(text).toContain("middle, under the round plug");
    expect(text).toContain("Battery plug");
    expect(text).toContain("No panel is in the lid.");
    expect(text).toContain("There is no valid loose test.");
    expect(text).toContain("prove it again");
  });
  it("names bare films, old adhesive, what was not tried, and a battery nobody saw", () => {
    const first = (b: TestBench) => pauseCard(b.view).sections.at(-1)!.lines.join(" ");
    const cell = jobOn("pellow-lune-15").until("adhesiveOff:rim-left");
    expect(first(cell)).toContain("Lies open: bare films. A clean sheet over it, no heat");
    expect(first(cell)).toContain("Old adhesive still on: rim glue, left");
    cell.until("linerPull:rim-left-1");
    expect(first(cell)).not.toContain("Old adhesive");
    cell.until("mainsIn:home");
    expect(first(cell)).not.toContain("Lies open");
    expect(first(cell)).toContain("The battery was not seen on its plug yet");
    const unit = jobOn("isbrand-pivot-14-touch").until("looseTest");
    unit.do("swap.looseTested", { supply: "mains", picture: true, note: "" });
    expect(first(unit)).toContain("Not tried in it yet: touch");
    const stuck = jobOn("marrick-holm-15").until("partTape:bezel-tape");
    expect(first(stuck)).toContain("Goes on with new tape: bezel");
  });
});
