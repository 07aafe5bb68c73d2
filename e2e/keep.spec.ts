import { copyFileSync, mkdirSync, readdirSync } from "node:fs";
import { join } from "node:path";
import BetterSqlite from "better-sqlite3";
import { Bench, expect, test } from "./bench";
import { startServer, startThatEnds } from "./server";

test("the shop is backed up and put back through Settings; what came since is gone, every job folds as it did", async ({
  bench,
  page,
}) => {
  test.setTimeout(240_000);
  const id = await bench.job("H-2417", "open");
  const before = (await bench.events(id)).length;
  await page.goto(`${bench.url}/settings`);
  const keep = page.locator('[data-section="keep"]');
  await expect(keep).toContainText("No backup yet.");
  await expect(keep).toContainText("No copy off this machine");
  await keep.getByRole("button", { name: "Back up now" }).click();
  await expect(keep).toContainText(/Backed up and read back: \d+ jobs, \d+ events/, { timeout: 30_000 });
  await expect(keep).toContainText("read back whole");
  await keep.getByRole("button", { name: "Start from the newest copy, to try" }).click();
  await expect(keep).toContainText(/It started from the copy: the bench and 3 jobs were read there/, { timeout: 90_000 });
  await expect(keep).toContainText(/Last started from a copy: .*3 jobs read there/);
  await bench.actElsewhere(id, "job.noted", { text: "after the backup" });
  expect((await bench.events(id, { now: true })).length).toBe(before + 1);
  await keep.getByRole("button", { name: "Look into it" }).first().click();
  await expect(keep).toContainText(/Put the shop back to/, { timeout: 30_000 });
  expect((await bench.events(id, { now: true })).length).toBe(before + 1);
  await keep.getByRole("button", { name: "Put it back" }).click();
  await expect(keep).toContainText("The shop is as it was then.", { timeout: 30_000 });
  expect((await bench.events(id, { now: true })).length).toBe(before);
  await bench.station(id, "open");
  await page.keyboard.press("Space");
  await bench.settled();
  expect((await bench.events(id)).length).toBe(before + 1);
});

test("a folder for copies that cannot be written to is refused in words, a good one is used", async ({ bench, page }, info) => {
  await page.goto(`${bench.url}/settings`);
  const keep = page.locator('[data-section="keep"]');
  await keep.getByLabel(/Second folder/).fill("copies");
  await keep.getByRole("button", { name: "Keep these" }).click();
  await expect(keep).toContainText(/write the whole path of the folder/);
  await keep.getByLabel(/Second folder/).fill("/dev/null/copies");
  await keep.getByRole("button", { name: "Keep these" }).click();
  await expect(keep).toContainText(/The folder \/dev\/null\/copies cannot be written to/);
  await keep.getByLabel(/Second folder/).fill(info.outputPath("copies"));
  await keep.getByRole("button", { name: "Keep these" }).click();
  await expect(keep).toContainText(/when the disk dies, both are gone|Kept/);
  await keep.getByRole("button", { name: "Back up now" }).click();
  await expect(keep).toContainText(/Backed up and read back/, { timeout: 30_000 });
  await expect(keep.locator("li")).toHaveCount(2);
});

test("the whole shop goes out as one locked file and into an empty shop on another machine", async ({ bench, page, server }) => {
  await page.goto(`${bench.url}/settings`);
  const carry = page.locator('[data-section="carry"]');
  await carry.getByLabel(/Passphrase/).fill("grey-heron-at-dusk");
  await carry.getByRole("button", { name: "Write the whole shop" }).click();
  await expect(carry).toContainText(/Written to .*helvane-shop-.*\.zip: \d+ jobs/, { timeout: 60_000 });
  const [file] = readdirSync(`${server.db.replace(/\.sqlite$/, "")}-backups`).filter((f) => f.endsWith(".zip"));
  const there = server.db.replace(/\.sqlite$/, "-there.sqlite");
  const folder = there.replace(/\.sqlite$/, "-backups");
  mkdirSync(folder, { recursive: true });
  copyFileSync(join(`${server.db.replace(/\.sqlite$/, "")}-backups`, file!), join(folder, file!));
  const other = await startServer(there, { HELVANE_SEED: "none" });
  try {
    await page.goto(`${other.url}/settings`);
    await carry.getByRole("button", { name: "Look into it" }).click();
    await expect(carry).toContainText("It is locked", { timeout: 60_000 });
    await carry.getByLabel(/Passphrase/).fill("grey-heron-at-dusk");
    await carry.getByRole("button", { name: "Look into it" }).click();
    await expect(carry).toContainText("Take it over exactly as it was?", { timeout: 60_000 });
    await carry.getByRole("button", { name: "Take it over" }).click();
    await expect(carry).toContainText(/Taken over: \d+ jobs/, { timeout: 60_000 });
    const was = (await (await fetch(bench.url)).text()).match(/data-job="H-\d+"/g);
    await page.goto(other.url);
    await expect(page.locator("[data-job]")).toHaveCount(was!.length);
    await new Bench(page, other.url).job("H-2417", "open");
  } finally {
    await other.stop();
  }
});

test("a second server on the same shop is refused, and told who has it", async ({ server }) => {
  const said = await startThatEnds({ HELVANE_DB: server.db });
  expect(said.code).toBe(1);
  expect(said.text).toContain(`process ${server.process.pid}`);
  expect(said.text).toContain(server.url);
  expect((await fetch(`${server.url}/api/health`)).ok).toBe(true);
});

test("a start without a file that ships with Helvane names it and ends", async ({ server }, info) => {
  const said = await startThatEnds({ HELVANE_DB: info.outputPath("new.sqlite"), HELVANE_DATA: "/nowhere/data" });
  expect(said.code).toBe(1);
  expect(said.text).toMatch(/The file \/nowhere\/data.* is missing: it ships with Helvane/);
  expect(said.text).not.toMatch(/^\s+at /m);
  expect((await fetch(server.url)).ok).toBe(true);
});

test("a locked database is said on every page, nothing typed or done is lost, and it recovers by itself", async ({
  bench,
  page,
  server,
}) => {
  test.setTimeout(120_000);
  const id = await bench.job("H-2417", "open");
  const before = (await bench.events(id)).length;
  const other = new BetterSqlite(server.db);
  other.exec("begin immediate");
  await page.keyboard.press("Space");
  await expect(page.getByText("Server in trouble")).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText("1 not sent yet")).toBeVisible();
  await page.keyboard.press("u");
  await expect(page.getByRole("dialog")).toContainText(/Another program holds the database .* locked/);
  await page.keyboard.press("Escape");
  const health = await fetch(`${server.url}/api/health`);
  expect(health.status).toBe(503);
  expect(await health.json()).toMatchObject({ ok: false, problem: expect.stringMatching(/locked/) });
  const second = await page.context().newPage();
  const home = await second.goto(server.url);
  expect(home?.status()).toBe(200);
  await expect(second.getByRole("heading", { name: "Nothing can be stored" })).toBeVisible();
  await second.close();
  other.exec("commit");
  other.close();
  await expect(page.locator("html[data-unsent='0']")).toHaveCount(1, { timeout: 30_000 });
  expect((await bench.events(id)).length).toBe(before + 1);
  expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
});

test("personal words of a closed job are shown first, then removed for good: in its page, in its export, in the list", async ({
  bench,
  page,
}) => {
  const id = await bench.job("H-2424", "triage");
  const was = await page.locator(".strip .fact .name").first().textContent();
  expect((await bench.actElsewhere(id, "job.closed", { outcome: "cancelled", reason: "sold to Ada at desk nine" })).status).toBe(
    200,
  );
  await page.goto(`${bench.url}/settings`);
  const words = page.locator('[data-section="words"]');
  await words.getByLabel(/Closed more than/).fill("0");
  await words.getByRole("button", { name: "Show these jobs" }).click();
  await expect(words.getByRole("listitem")).toContainText("H-2424");
  await words.getByRole("button", { name: "Leave them" }).click();
  expect(JSON.stringify(await bench.events(id, { now: true }))).toContain("Ada at desk nine");
  await words.getByRole("button", { name: "Show these jobs" }).click();
  await words.getByRole("button", { name: "Remove for good" }).click();
  await expect(words).toContainText(/Removed for good from 1 job/);
  const left = JSON.stringify(await bench.events(id, { now: true }));
  expect(left).not.toContain("Ada at desk nine");
  expect(left).not.toContain(was!);
  await page.goto(`${bench.url}/closed`);
  await expect(page.getByRole("table")).toContainText("H-2424");
  await expect(page.getByRole("table")).not.toContainText(was!);
});

test("with a certificate of the shop's own the bench network is encrypted, and says so", async ({ browser }, info) => {
  const { seededCopy } = await import("./bench");
  const { benchPorts } = await import("./server");
  const shop = await startServer(seededCopy(`tls-${info.testId}`), {
    HELVANE_TLS_CERT: "e2e/fixtures/bench-cert.pem",
    HELVANE_TLS_KEY: "e2e/fixtures/bench-key.pem",
  });
  const context = await browser.newContext({ ignoreHTTPSErrors: true });
  try {
    const on = await context.request.post(`${shop.url}/api/network`, { data: { on: true, passcode: "paper-lantern" } });
    expect(on.ok()).toBe(true);
    const lan = `https://127.0.0.1:${benchPorts.get(Number(new URL(shop.url).port))}`;
    const tablet = await context.newPage();
    await tablet.goto(lan);
    await expect(tablet).toHaveURL(/^https:.*\/unlock$/);
    await tablet.getByLabel(/passcode/i).fill("paper-lantern");
    await tablet.keyboard.press("Enter");
    await expect(tablet.locator("[data-job]").first()).toBeVisible();
    // What is not encrypted is not answered there.
    await expect(fetch(lan.replace("https", "http")).then((r) => r.status)).rejects.toThrow();
  } finally {
    await context.close();
    await shop.stop();
  }
});
