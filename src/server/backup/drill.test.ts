import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { plannedJob, TestBench } from "@tests/bench";
import { serverDb } from "@tests/serverDb";
import { afterAll, beforeAll, expect, it } from "vitest";
import type { JobEvent } from "@/core/job";
import { connection } from "@/data/connection";
import { newestJobs } from "@/data/copy";
import { appendOne } from "../append";
import { makeBackup } from ".";
import { drill, readDrill } from "./drill";
import { BACKUP_SETTING, backupCaution, saveBackupSetting } from "./schedule";

serverDb("drill", { jobs: true });
const dir = mkdtempSync(join(tmpdir(), "helvane-drills-"));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

it("a copy the shop does not start from is a caution on the bench until one is good", async () => {
  const file = join(dir, "helvane-broken.sqlite");
  writeFileSync(file, "not a database at all".repeat(100));
  const d = await drill(file);
  expect(d).toMatchObject({ ok: false, file, jobs: 0, problem: expect.stringMatching(/not a database/) });
  expect(await readDrill()).toEqual(d);
  await saveBackupSetting({ ...BACKUP_SETTING, elsewhere: dir });
  expect(await backupCaution()).toMatch(/^The shop did not start from its copy .*helvane-broken.sqlite: .*not a database/);
});

beforeAll(async () => {
  for (const i of [1, 2, 3, 4]) {
    const [opened] = plannedJob("C", new TestBench("device-a", `00000000-0000-7000-8000-00000000000${i}`)).until(null).events;
    const e = { ...opened!, id: `0190bbbb-0000-7000-8000-00000000000${i}`, payload: { ...opened!.payload, number: `H-900${i}` } };
    await appendOne(e as JobEvent, Date.parse("2026-06-01T08:00:00.000Z"));
  }
});

it("the jobs whose pages are read are the newest of the copy, with their numbers", async () => {
  const made = await makeBackup(dir, "2026-06-01T08:00:00.000Z");
  const some = newestJobs(made.file, 3);
  expect(some.map((j) => j.number)).toEqual(["H-9004", "H-9003", "H-9002"]);
  const { raw } = connection();
  const all = raw
    .prepare(
      "select job_id as id, json_extract(payload, '$.number') as number from events where type = 'job.opened' order by seq",
    )
    .all() as { id: string; number: string }[];
  expect(some).toEqual(all.slice(-3).reverse());
});

it("where nothing is built it says so and does not pretend", async () => {
  const made = await makeBackup(dir, "2026-06-02T08:00:00.000Z");
  expect(await drill(made.file)).toMatchObject({ ok: false, problem: expect.stringMatching(/needs a build/) });
});
