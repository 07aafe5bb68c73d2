import { jobOn, TestBench } from "@tests/bench";
import { ISO, serverDb } from "@tests/serverDb";
import { describe, expect, it } from "vitest";
import { appendOne } from "./append";
import { proposals, takeProposal, takeSeenTwice } from "./finds";
import { readReference } from "./reference";

serverDb("finds", { jobs: true });

/** A job on the deep machine in which something was found; stored as the bench would. */
async function foundIn(n: number, who: string, xMm: number, takenBack = false): Promise<void> {
  const b = jobOn(
    "marrick-holm-15",
    undefined,
    new TestBench(`device-${String.fromCharCode(96 + n)}`, `00000000-0000-7000-8000-00000000000${n}`),
  );
  const open = b.events.find((e) => e.type === "job.opened")!;
  Object.assign(open, { payload: { ...open.payload, number: `H-${900 + n}` } });
  const find = b.do("open.found", {
    kind: "hiddenScrew",
    holds: "palm-rest",
    view: "base",
    xMm,
    yMm: 140,
    words: "Under the badge",
    screwType: null,
    connector: "friction",
  });
  Object.assign(find, { who });
  if (takenBack) b.do("job.takenBack", { eventId: find.id });
  for (const e of b.events) {
    const done = await appendOne(e, Date.parse("2026-06-01T00:00:00Z"));
    if (!done.ok) throw new Error(`${e.type}: ${done.reason}`);
  }
}

describe("finds as proposals", () => {
  it("are counted by place, with who saw them; what was taken back is none", async () => {
    expect(await proposals()).toEqual([]);
    await foundIn(1, "Bench 1", 200);
    await foundIn(2, "Bench 2", 205);
    await foundIn(3, "Bench 1", 60);
    await foundIn(4, "Bench 1", 100, true);
    const list = await proposals();
    expect(list.map((p) => p.seen).sort()).toEqual([1, 2]);
    expect(list.find((p) => p.seen === 2)).toMatchObject({ machine: "Marrick Holm 15", who: ["Bench 1", "Bench 2"] });
  });
  it("taken over they are in the build, once, and no longer proposed", async () => {
    const two = (await proposals()).find((p) => p.seen === 2)!;
    const before = (await readReference()).builds.find((b) => b.id === "marrick-holm-15")!;
    expect(await takeProposal(two.key, ISO)).toMatchObject({ ok: true, version: before.version + 1 });
    const after = (await readReference()).builds.find((b) => b.id === "marrick-holm-15")!.data;
    expect(after.screwGroups.length).toBe(before.data.screwGroups.length + 1);
    expect((await proposals()).some((p) => p.seen === 2)).toBe(false);
    expect(await takeProposal(two.key, ISO)).toMatchObject({ ok: false });
  });
  it("go into the build by themselves once a second job has seen them, and not before", async () => {
    const version = async () => (await readReference()).builds.find((b) => b.id === "marrick-holm-15")!.version;
    const before = await version();
    expect((await proposals()).map((p) => p.jobs.length)).toEqual([1]);
    expect(await takeSeenTwice(ISO)).toEqual([]);
    await foundIn(5, "Bench 2", 62);
    expect((await proposals())[0]).toMatchObject({ seen: 2, who: ["Bench 1", "Bench 2"] });
    expect(await takeSeenTwice(ISO)).toHaveLength(1);
    expect(await version()).toBe(before + 1);
    expect(await proposals()).toEqual([]);
    expect(await takeSeenTwice(ISO)).toEqual([]);
  });
});
