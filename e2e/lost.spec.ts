import type { Page } from "@playwright/test";
import { Bench, expect, test } from "./bench";
import { benchPorts, startServer } from "./server";

const lanOf = (url: string) => url.replace(/:(\d+)$/, (_, p) => `:${benchPorts.get(Number(p))}`);
const kept = (page: Page, n: number) => expect(page.getByText(`${n} not sent yet`)).toBeVisible();
async function note(page: Page, text: string): Promise<void> {
  await page.keyboard.press("w");
  await page.getByRole("dialog").getByRole("textbox").first().fill(text);
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /Record|Keep|Save/ })
    .first()
    .click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
}
const texts = async (bench: Bench, id: string) =>
  (await bench.events(id, { now: true })).filter((e) => e.type === "job.noted").map((e) => String(e.payload.text));

test("a tablet is cut off, records, and its session runs out: after unlocking again nothing is lost", async ({
  bench,
  page,
  browser,
}) => {
  const on = await page.request.post(`${bench.url}/api/network`, { data: { on: true, passcode: "paper-lantern" } });
  expect(on.ok()).toBe(true);
  const id = await bench.job("H-2417", "open");
  const lan = lanOf(bench.url);
  const context = await browser.newContext();
  const tablet = await context.newPage();
  const unlock = async () => {
    await tablet.getByLabel(/passcode/i).fill("paper-lantern");
    await tablet.keyboard.press("Enter");
  };
  await tablet.goto(`${lan}/jobs/${id}/open`);
  await expect(tablet).toHaveURL(/\/unlock/);
  await unlock();
  await expect(tablet.locator("[data-job]").first()).toBeVisible();
  const there = new Bench(tablet, lan);
  await there.station(id, "open");
  await context.setOffline(true);
  for (const n of [1, 2, 3]) await note(tablet, `cut off ${n}`);
  await kept(tablet, 3);
  // Its time runs out while it is away.
  await context.clearCookies();
  await context.setOffline(false);
  await expect(tablet.getByText("Not let in: unlock")).toBeVisible({ timeout: 20_000 });
  await kept(tablet, 3);
  expect(await texts(bench, id)).not.toContain("cut off 1");
  await tablet.keyboard.press("u");
  await tablet.getByRole("link", { name: "Unlock this device" }).click();
  await expect(tablet).toHaveURL(/\/unlock/);
  await unlock();
  await expect(tablet.locator("[data-job]").first()).toBeVisible();
  await there.station(id, "open");
  await there.settled();
  await expect
    .poll(async () => (await texts(bench, id)).filter((t) => t.startsWith("cut off")))
    .toEqual(["cut off 1", "cut off 2", "cut off 3"]);
  await context.close();
});

test("two tabs of one browser, one job, both cut off, acting in turn: every act arrives in its order", async ({
  bench,
  page,
  context,
}) => {
  const id = await bench.job("H-2417", "open");
  const second = await context.newPage();
  await new Bench(second, bench.url).station(id, "open");
  await context.setOffline(true);
  for (let n = 0; n < 6; n++) await note(n % 2 ? second : page, `turn ${n}`);
  await context.setOffline(false);
  await bench.settled();
  await expect
    .poll(async () => (await texts(bench, id)).filter((t) => t.startsWith("turn")), { timeout: 20_000 })
    .toEqual(Array.from({ length: 6 }, (_, n) => `turn ${n}`));
});

test("a device whose clock is 400 days ahead loses nothing and drags nobody", async ({ bench, page, context }) => {
  await context.addInitScript("const n = Date.now; Date.now = () => n() + 400 * 86400000;");
  const id = await bench.job("H-2417", "open");
  await page.route("**/api/**", (r) => r.abort());
  await note(page, "from the future");
  await kept(page, 1);
  await page.unroute("**/api/**");
  await bench.settled();
  const log = await bench.events(id, { now: true });
  const last = log.at(-1) as unknown as { clock: string; placed: string; payload: { text: string } };
  expect(last.payload.text).toBe("from the future");
  const days = (Number(last.clock.slice(0, 15)) - Number(last.placed.slice(0, 15))) / 86_400_000;
  expect(days).toBeGreaterThan(399);
  expect(days).toBeLessThan(401);
});

test("an act the server does not take stands in a list with why, until a person says what becomes of it", async ({
  bench,
  page,
  context,
}) => {
  const id = await bench.job("H-2417", "open");
  await note(page, "twice taken back");
  await bench.settled();
  const noted = (await bench.events(id)).at(-1)!;
  await context.setOffline(true);
  await page.keyboard.press("Backspace");
  await kept(page, 1);
  // Still cut off for what it sends, while another bench takes the same entry back.
  await page.route("**/api/jobs/*/events", (r) => (r.request().method() === "POST" ? r.abort() : r.continue()));
  await context.setOffline(false);
  const res = await page.request.post(`${bench.url}/api/jobs/${id}/events`, {
    data: {
      events: [
        {
          ...noted,
          id: "01900000-0000-7000-8000-00000000cc01",
          type: "job.takenBack",
          payload: { eventId: noted.id },
          device: "dev-elsewhere",
          seen: 99999,
        },
      ],
    },
  });
  expect((await res.json()).refused).toBeNull();
  await page.unroute("**/api/jobs/*/events");
  await page.getByRole("button", { name: "1 not taken" }).click({ timeout: 20_000 });
  const list = page.locator('[data-list="notTaken"]');
  await expect(list).toContainText(/An entry taken back/);
  await expect(list).toContainText(/taken back already/);
  // A reload loses nothing of it.
  await page.reload();
  await bench.ready("open");
  await page.getByRole("button", { name: "1 not taken" }).click();
  await list.getByRole("button", { name: "Try again" }).click();
  await expect(list).toContainText(/taken back already/);
  await list.getByRole("button", { name: "Discard" }).click();
  await list.getByRole("button", { name: /Discard for good/ }).click();
  await expect(page.getByText("Everything recorded here is on the server.")).toBeVisible();
  await bench.settled();
  const last = (await bench.events(id)).at(-1)!;
  expect(last.type).toBe("job.actDiscarded");
  expect(String(last.payload.words)).toMatch(/taken back already/);
});

test("the server is away for a whole Open station: every station goes on, nothing falls out of the job, and all arrives", async ({
  bench,
  page,
  server,
}) => {
  test.setTimeout(180_000);
  const id = await bench.job("H-2417", "open");
  await expect(page.locator("html[data-stations='here']")).toHaveCount(1);
  const before = (await bench.events(id)).length;
  const port = Number(new URL(server.url).port);
  await server.stop();
  const title = async () => (await bench.step.textContent()) ?? "";
  for (let i = 0; i < 40; i++) {
    // Through every other station and back, in the middle of the work.
    if (i % 8 === 3)
      for (const [digit, name] of [
        [1, "triage"],
        [2, "identify"],
        [3, "match"],
        [4, "plan"],
        [8, "prove"],
        [5, "open"],
      ] as const) {
        await bench.key("g");
        await bench.key(String(digit));
        await page.waitForURL(`**/${name}`);
        await bench.ready(name);
      }
    if (/behind you/.test(await title())) break;
    const last = await page.locator("html").getAttribute("data-last");
    await bench.key("Space");
    await expect(page.locator("html")).not.toHaveAttribute("data-last", last ?? "none");
  }
  await expect(bench.step).toHaveText("Open is behind you");
  const acts = Number(await page.locator("html").getAttribute("data-unsent"));
  expect(acts).toBeGreaterThan(10);
  await expect(page.getByText(/Server not reached since \d\d:\d\d/)).toBeVisible({ timeout: 20_000 });
  await kept(page, acts);
  // What would leave the page is said, not done.
  await page.getByRole("link", { name: "Helvane: to the bench" }).click();
  await expect(page.getByText("Server not reached: this page has to stay open")).toBeVisible();
  expect(page.url()).toMatch(/\/open$/);
  await bench.letGo();
  // The plate of a station behind the work goes to the work by its key.
  await bench.key("Space");
  await page.waitForURL("**/swap");
  const again = await startServer(server.db, {}, port);
  await expect(page.locator("html[data-unsent='0']")).toHaveCount(1, { timeout: 60_000 });
  await expect(page.getByText(/Server not reached since/)).toHaveCount(0);
  expect((await bench.events(id)).length).toBe(before + acts);
  await page.getByRole("link", { name: "Helvane: to the bench" }).click();
  await expect(page.locator("[data-job]").first()).toBeVisible();
  await again.stop();
});

test("the tab is loaded again after the server came back: what it could not send is there, and arrives", async ({
  bench,
  page,
  server,
}) => {
  const id = await bench.job("H-2417", "open");
  const port = Number(new URL(server.url).port);
  await server.stop("SIGKILL");
  for (const n of [1, 2]) await note(page, `without a server ${n}`);
  await kept(page, 2);
  // Said before a reload is tried: the page asks first.
  const asked = page.waitForEvent("dialog");
  const tried = page.reload({ timeout: 3000 }).catch(() => null);
  const dialog = await asked;
  expect(dialog.type()).toBe("beforeunload");
  await dialog.dismiss();
  await tried;
  const again = await startServer(server.db, {}, port);
  page.once("dialog", (d) => void d.accept());
  await page.reload();
  await bench.ready("open");
  await bench.settled();
  await expect
    .poll(async () => (await texts(bench, id)).filter((t) => t.startsWith("without")))
    .toEqual(["without a server 1", "without a server 2"]);
  await again.stop();
});
