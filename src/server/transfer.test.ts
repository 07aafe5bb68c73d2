import { readFileSync } from "node:fs";
import { hashes, jobOn, TestBench } from "@tests/bench";
import { said } from "@tests/golden";
import { ISO, serverDb } from "@tests/serverDb";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { liftBuild } from "@/core/build";
import { Build } from "@/core/build/schema";
import { fold, type JobEvent, STOCK_LOG } from "@/core/job";
import { progressOf } from "@/core/teardown";
import { connection } from "@/data/connection";
import { readLog, storedSnapshots } from "@/data/eventStore";
import { contentHash, listReference, saveReference } from "@/data/referenceStore";
import { appendOne } from "./append";
import { readJobPage } from "./jobPage";
import { exportJob, importJob } from "./transfer";

serverDb("transfer", { jobs: true });
const OLD = "tests/fixtures/job-written-0.1.zip";
const kept = JSON.parse(readFileSync("tests/fixtures/job-written-0.1.json", "utf8")) as { events: number; said: unknown };
const JOB = "01900000-0000-7000-8000-00000000abcd";

describe("a job written by the first version", () => {
  it("is imported whole, folds to what it folded to then, and can be planned", async () => {
    expect(await importJob(readFileSync(OLD))).toEqual({ ok: true, jobId: JOB, added: kept.events, repeated: 0 });
    const log = await readLog(connection().db, JOB);
    const state = fold(log.events, log.snapshots);
    const now = JSON.parse(JSON.stringify(said(state)));
    // All that was told of a machine then; what is told besides since then stands beside it.
    expect(now).toMatchObject(kept.said as object);
    expect(state.breaches).toEqual([]);
    expect(state.closed?.outcome).toBe("handedOver");
    expect(state.plan?.goal).toBe("subjectOut");
    expect(progressOf({ state, snapshots: log.snapshots })?.now).toBeNull();
  });
  it("leaves again as it came: its snapshots keep the very content their hashes are of", async () => {
    const zip = unzipSync((await exportJob(JOB))!);
    const was = unzipSync(readFileSync(OLD));
    const names = (z: Record<string, Uint8Array>) =>
      Object.keys(z)
        .filter((n) => n.startsWith("snapshots/"))
        .sort();
    expect(names(zip)).toEqual(names(was));
    for (const n of names(zip)) {
      const { kind, data } = JSON.parse(strFromU8(zip[n]!)) as { kind: string; data: { version: number } };
      expect(`snapshots/${contentHash(data)}.json`).toBe(n);
      if (kind === "build") expect(data.version).toBe(1);
    }
    const report = JSON.parse(strFromU8(zip["report.json"]!));
    expect(report).toMatchObject({ format: "helvane.report", version: 1, job: expect.any(String) });
    expect(await importJob((await exportJob(JOB))!)).toMatchObject({ ok: true, added: 0, repeated: kept.events });
  });
  it("a job under the id of the shop's stock is no job", async () => {
    const files = unzipSync(readFileSync(OLD));
    const under = (n: string) => strToU8(strFromU8(files[n]!).replaceAll(JOB, STOCK_LOG));
    const zip = zipSync({ ...files, "manifest.json": under("manifest.json"), "log.json": under("log.json") });
    expect(await importJob(zip)).toEqual({
      ok: false,
      problems: [{ where: "manifest.json", message: "this is the id of the shop's stock, not of a job" }],
    });
    expect((await readLog(connection().db, STOCK_LOG)).events).toEqual([]);
    expect(await readJobPage(STOCK_LOG)).toBeNull();
  });
  it("a snapshot that is not what its name says, or of no known kind, is named and nothing is saved", async () => {
    const files = unzipSync(readFileSync(OLD));
    const build = Object.keys(files).find((n) => strFromU8(files[n]!).includes('"kind":"build"'))!;
    const changed = strFromU8(files[build]!).replace("Marrick Holm 15", "Marrick Holm 17");
    const wrong = await importJob(zipSync({ ...files, [build]: strToU8(changed) }));
    expect(wrong.ok ? null : wrong.problems[0]).toEqual({
      where: build,
      message: expect.stringContaining("changed after the export"),
    });
    const strange = { kind: "recipe", data: { n: 1 } };
    const name = `snapshots/${contentHash(strange.data)}.json`;
    expect(await importJob(zipSync({ ...files, [name]: strToU8(JSON.stringify(strange)) }))).toMatchObject({
      ok: false,
      problems: [{ where: name, message: "an unknown kind of snapshot" }],
    });
    const { [build]: _, ...without } = files;
    const missing = await importJob(zipSync(without));
    expect(missing.ok ? "" : missing.problems.map((p) => p.message).join()).toMatch(/relies on snapshot .* not in the zip/);
  });
});

describe("reference data written by the first version", () => {
  it("a build stored at version 1 is read at today's, and a job keeps the text it was made from", async () => {
    const { db } = connection();
    const old = JSON.parse(readFileSync("tests/fixtures/build-v1-pellow-lune-13.json", "utf8"));
    await saveReference(db, "build", "pellow-lune-13", old, null, ISO);
    const row = (await listReference(db, "build")).find((r) => r.id === "pellow-lune-13")!;
    expect(row.data.version).toBe(3);
    expect(row.data.subject).toEqual({ kind: "lidAssembly", part: "panel" });
    expect(row.hash).toBe(contentHash(old));
    // The same row read twice is the same object: plans and look-ups are kept by it.
    expect((await listReference(db, "build")).find((r) => r.id === "pellow-lune-13")!.data).toBe(row.data);
    const b = jobOn("ostrel-kestrel-14", undefined, new TestBench("device-v", "01900000-0000-7000-8000-00000000abce"));
    b.events.pop();
    b.events[0] = { ...b.events[0]!, payload: { ...b.state.job!, number: "H-2" } } as JobEvent;
    const plan = b.make({ type: "plan.made", payload: { buildHash: row.hash, goal: "subjectOut" } });
    for (const e of [...b.events, plan]) expect(await appendOne(e, Date.parse(ISO) + 9e8)).toMatchObject({ ok: true });
    const stored = await storedSnapshots(db, b.jobId);
    expect(contentHash(JSON.parse(stored[row.hash]!.json))).toBe(row.hash);
    const log = await readLog(db, b.jobId);
    expect(log.snapshots[row.hash]).toEqual({ kind: "build", data: Build.parse(liftBuild(old)) });
    expect(await importJob((await exportJob(b.jobId))!)).toMatchObject({ ok: true, added: 0 });
    expect(hashes.build["pellow-lune-13"]).not.toBe(row.hash);
  });
});
