import { copyFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { plannedJob, TestBench } from "@tests/bench";
import { serverDb } from "@tests/serverDb";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import sharp from "sharp";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { type JobEvent, makeClock } from "@/core/job";
import { closeConnection, connection, migrate } from "@/data/connection";
import { writeSetting } from "@/data/settingStore";
import { appendOne } from "../append";
import { storePhoto } from "../photo";
import { exportShop, lookIntoShop, takeShop } from "./carry";
import type { ShopManifest } from "./shopZip";
import { verifyFile } from "./verify";

serverDb("carry", { jobs: true });
const dir = mkdtempSync(join(tmpdir(), "helvane-carry-"));
afterAll(() => rmSync(dir, { recursive: true, force: true }));
const NOW = "2026-06-01T08:00:00.000Z";
const ms = Date.parse(NOW);
const JOB = "00000000-0000-7000-8000-000000000001";
let n = 0;
const id = () => `0190dddd-0000-7000-8000-${String(++n).padStart(12, "0")}`;
const note = (i: number, photo?: object): JobEvent =>
  ({
    id: id(),
    jobId: JOB,
    type: "job.noted",
    v: 1,
    payload: { text: `note ${i}`, ...(photo ? { photo } : {}) },
    who: "Bench 1",
    device: "device-x",
    clock: makeClock(ms + i * 1000, 0),
    seen: 9999,
  }) as JobEvent;
const home = process.env.HELVANE_DB;
/** Goes over to another shop's file. */
const shop = async (name: string | null) => {
  closeConnection();
  process.env.HELVANE_DB = name === null ? first : join(dir, `${name}.sqlite`);
  await migrate(connection());
};
let first = home ?? "";
const manifestOf = (file: string) => JSON.parse(strFromU8(unzipSync(readFileSync(file))["manifest.json"]!)) as ShopManifest;

beforeAll(async () => {
  first = process.env.HELVANE_DB!;
  for (const e of plannedJob("C", new TestBench("device-a", JOB)).until(null).events)
    expect(await appendOne({ ...e, id: id() }, ms + 9e9)).toMatchObject({ ok: true });
  const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#336699" } })
    .jpeg()
    .toBuffer();
  const photo = (await storePhoto(picture))!;
  expect(await appendOne(note(1, photo), ms + 9e9)).toMatchObject({ ok: true });
  await writeSetting(connection().db, "network", { on: true, salt: "s", passcodeHash: "secret-hash" });
  await writeSetting(connection().db, "calendar", { secret: "secret-address" });
  await writeSetting(connection().db, "planWeights", { toolChange: 1 });
});

afterEach(() => shop(null));

describe("a whole shop in one file", () => {
  it("into an empty shop and out again gives the same hashes, without sessions, passcode and ports", async () => {
    const out = await exportShop(null, join(dir, "one"));
    if (!out.ok) throw new Error(out.problem);
    expect(out.counts).toMatchObject({ jobs: 1, photos: 1 });
    expect(readFileSync(out.file).includes("secret-hash")).toBe(false);
    const settings = strFromU8(unzipSync(new Uint8Array(readFileSync(out.file)))["settings.jsonl"]!);
    expect(settings).toContain("planWeights");
    expect(settings).not.toMatch(/secret|calendar|network/);
    const was = await verifyFile(connection().raw.name);
    await shop("empty");
    const look = await lookIntoShop(out.file, null);
    expect(look.ok ? [] : look.problems).toEqual([]);
    expect(look).toMatchObject({ ok: true, read: { intoEmpty: true, jobsNew: 1, eventsSame: 0, conflicts: [] } });
    expect(connection().raw.prepare("select count(*) as n from events").get()).toEqual({ n: 0 });
    expect(await takeShop(out.file, null)).toMatchObject({ ok: true, jobs: 1, events: out.counts.events });
    expect((await verifyFile(connection().raw.name)).stateHash).toBe(was.stateHash);
    const again = await exportShop(null, join(dir, "two"));
    if (!again.ok) throw new Error(again.problem);
    const { network: _, ...kept } = Object.fromEntries(
      (connection().raw.prepare("select key, json from settings").all() as { key: string; json: string }[]).map((r) => [
        r.key,
        r.json,
      ]),
    );
    expect(_).toBeUndefined();
    expect(kept.planWeights).toBe('{"toolChange":1}');
    expect(manifestOf(again.file).parts).toEqual(manifestOf(out.file).parts);
  });
  it("into a used shop: what is new is taken over, twice is once, and what differs is named and stays", async () => {
    await shop(null);
    const out = await exportShop(null, join(dir, "three"));
    if (!out.ok) throw new Error(out.problem);
    await appendOne(note(2), ms + 9e9);
    const more = await exportShop(null, join(dir, "four"));
    if (!more.ok) throw new Error(more.problem);
    await shop("used");
    expect(await takeShop(out.file, null)).toMatchObject({ ok: true });
    const mine = note(3);
    expect(await appendOne(mine, ms + 9e9)).toMatchObject({ ok: true });
    connection().raw.exec(
      "update reference set json = replace(json, 'Kestrel', 'Kestrol'), hash = 'x' where kind = 'build' and id like 'ostrel%'",
    );
    const look = await lookIntoShop(more.file, null);
    expect(look).toMatchObject({
      ok: true,
      read: {
        intoEmpty: false,
        jobsNew: 0,
        eventsNew: 1,
        conflicts: [expect.stringMatching(/build ostrel.*another content here/)],
      },
    });
    expect(await takeShop(more.file, null)).toMatchObject({ ok: true, jobs: 1, events: 1 });
    expect(await takeShop(more.file, null)).toMatchObject({ ok: true, jobs: 0, events: 0 });
    const texts = (
      connection()
        .raw.prepare("select json_extract(payload, '$.text') as t from events where type = 'job.noted' order by seq")
        .all() as { t: string }[]
    ).map((r) => r.t);
    expect(texts).toEqual(["note 1", "note 3", "note 2"]);
    expect(connection().raw.prepare("select count(*) as n from reference where json like '%Kestrol%'").get()).toEqual({ n: 1 });
    await shop(null);
  });
  it("a byte turned anywhere in it is found and the part is named; nothing is taken over", async () => {
    const out = await exportShop(null, join(dir, "five"));
    if (!out.ok) throw new Error(out.problem);
    await shop("untouched");
    const files = unzipSync(readFileSync(out.file));
    const bad = join(dir, "helvane-shop-bad.zip");
    for (const name of [
      "events.jsonl",
      "reference.jsonl",
      Object.keys(files).find((f) => f.startsWith("blobs/"))!,
      "manifest.json",
    ]) {
      const bytes = files[name]!.slice();
      bytes[Math.floor(bytes.length / 2)]! ^= 1;
      writeFileSync(bad, zipSync({ ...files, [name]: bytes }, { level: 1 }));
      const said = await takeShop(bad, null);
      expect(said.ok, name).toBe(false);
      if (!said.ok) expect(said.problems.join(), name).toContain(name === "manifest.json" ? "" : name);
    }
    const { [Object.keys(files)[0]!]: gone, ...rest } = files;
    expect(gone).toBeDefined();
    writeFileSync(bad, zipSync(rest));
    expect(await takeShop(bad, null)).toMatchObject({ ok: false, problems: [expect.stringMatching(/is missing/)] });
    writeFileSync(bad, zipSync({ ...files, "extra.txt": strToU8("x") }));
    expect(await takeShop(bad, null)).toMatchObject({
      ok: false,
      problems: [expect.stringMatching(/extra\.txt: does not belong/)],
    });
    expect(connection().raw.prepare("select count(*) as n from events").get()).toEqual({ n: 0 });
    await shop(null);
  });
  it("locked by a passphrase it is read with it, and by nothing else", async () => {
    const out = await exportShop("grey-heron-at-dusk", join(dir, "six"));
    if (!out.ok) throw new Error(out.problem);
    expect(readFileSync(out.file).includes("events.jsonl")).toBe(false);
    await shop("locked");
    expect(await lookIntoShop(out.file, null)).toMatchObject({ ok: false, problems: [expect.stringMatching(/It is locked/)] });
    expect(await lookIntoShop(out.file, "heron")).toMatchObject({
      ok: false,
      problems: [expect.stringMatching(/passphrase is not the one/)],
    });
    expect(await takeShop(out.file, "grey-heron-at-dusk")).toMatchObject({ ok: true, jobs: 1 });
    const cut = join(dir, "helvane-shop-cut.zip");
    copyFileSync(out.file, cut);
    writeFileSync(cut, readFileSync(out.file).subarray(0, -20));
    expect((await lookIntoShop(cut, "grey-heron-at-dusk")).ok).toBe(false);
    await shop(null);
  });
});
