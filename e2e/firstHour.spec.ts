import { Bench, expect, test } from "./bench";
import { SCRATCH, startServer } from "./server";

/** A shop of its own with nothing in it, as `npm start` begins. */
const emptyShop = (name: string) => startServer(`${SCRATCH}/shop-${name}.sqlite`, { HELVANE_SEED: "shop" });

test("an empty shop, an unknown machine, an unknown panel, an unknown seller: to a closed job without a file", async ({
  page,
}, info) => {
  test.setTimeout(240_000);
  const shop = await emptyShop(`${info.testId}-${info.retry}`);
  const bench = new Bench(page, shop.url);
  try {
    await page.goto(shop.url);
    const first = page.getByRole("region", { name: "Before the first job" });
    await expect(page.locator("html[data-ready]")).toHaveCount(1);
    await first.getByLabel("1. Name of the shop").fill("Harbour Repairs");
    await first.getByLabel("Tax, %").fill("7,5");
    await first.getByRole("button", { name: "Keep these" }).click();
    await expect(page.getByText("Harbour Repairs")).toBeVisible();
    await expect(first).toHaveCount(0);
    await page.getByRole("link", { name: "Open a job" }).click();
    await page.waitForURL("**/new");
    await page.getByLabel("Customer").fill("Ferry office");
    await page.getByLabel("Machine", { exact: true }).fill("Wendell Brae 14");
    await page.getByLabel("Serial").fill("WB-20417");
    await page.getByLabel("Promised for").fill("in 5 days");
    await page.keyboard.press("Enter");
    await page.waitForURL("**/triage");
    await bench.ready("triage");
    const id = new URL(page.url()).pathname.split("/")[2]!;
    await page.getByRole("button", { name: "Cracks in the glass: Yes" }).click();
    await page.getByRole("button", { name: "It is the panel", exact: true }).click();
    await page
      .getByRole("link", { name: /dentify/ })
      .first()
      .click();
    await bench.ready("identify");
    // Enter does what the plate says.
    await page.getByLabel("Label text, whole or in part").fill("WB140FHD-A12");
    await page.keyboard.press("Enter");
    await expect(bench.step).toHaveText("WB140FHD-A12");
    await page.getByRole("link", { name: "Match it next" }).click();
    await bench.ready("match");
    await expect(page.getByText("No candidate of this size is on offer.")).toBeVisible();
    await expect(page.getByLabel("Part code")).toHaveValue("WB140FHD-A12");
    await page.getByLabel(/^Price/).fill("71,50");
    await page.getByLabel("Seller").fill("Corner Parts");
    await page.getByRole("button", { name: "Keep this offer" }).click();
    await expect(page.getByRole("button", { name: "WB140FHD-A12" })).toBeVisible();
    for (const box of await page.getByRole("group", { name: "Accept what is not known" }).getByRole("checkbox").all())
      await box.check();
    await bench.letGo();
    await page.keyboard.down("Enter");
    await page.waitForTimeout(1000);
    await page.keyboard.up("Enter");
    await expect(page.getByText("Code on the label that came")).toBeVisible();
    await bench.scan("WB140FHD-A12");
    await bench.key("Space");
    await bench.lookAtArrival();
    await bench.settled();
    // Both labels read alike: what nobody recorded is settled, and nothing else is asked for.
    await expect(page.locator('[data-field="contacts"]')).toHaveAttribute("data-v", "same");
    await bench.letGo();
    await bench.key("4");
    await bench.ready("plan");
    await expect(bench.step).toHaveText("No build for this machine");
    await bench.key("Space");
    await page.waitForURL("**/builds/new**");
    await expect(page.getByLabel("Machine", { exact: true })).toHaveValue("Wendell Brae 14");
    await page.getByRole("button", { name: "Start from the template of family C" }).click();
    await page.getByRole("button", { name: "Save", exact: false }).first().click();
    await page.waitForURL(/builds\/(?!new)/);
    await expect(page.getByText(/Saved as version 1/)).toBeVisible();
    await page.getByRole("link", { name: /^Go on with H-/ }).click();
    await page.waitForURL("**/plan");
    await bench.ready("plan");
    await expect(bench.plate).toContainText("Take this plan");
    await bench.letGo();
    await bench.key("Space");
    await expect(page.getByText("Planned.")).toBeVisible();
    await bench.follow(/^Job closed$/);
    const log = await bench.events(id);
    expect(log.at(-1)?.type).toBe("job.closed");
    expect(log.length).toBeLessThan(150);
    // It is found again: by its number, by half its serial, in the list of closed jobs, and as the machine's life.
    await page.goto(`${shop.url}/closed`);
    await expect(page.getByRole("table", { name: "Closed jobs" })).toContainText("Ferry office");
    await page.getByRole("link", { name: "WB-20417" }).click();
    await expect(page.getByRole("heading", { name: "Wendell Brae 14" })).toBeVisible();
    await expect(page.getByText("WB140FHD-A12").first()).toBeVisible();
  } finally {
    await shop.stop();
  }
});

test("the same by touch alone, on a tablet: every act has a control for a thumb", async ({ browser }, info) => {
  test.setTimeout(240_000);
  const shop = await emptyShop(`touch-${info.testId}-${info.retry}`);
  const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true });
  const page = await context.newPage();
  page.setDefaultTimeout(20_000);
  const bench = new Bench(page, shop.url);
  const tap = async (name: string | RegExp, exact = false) => {
    const b = page.getByRole("button", { name, exact }).first();
    await b.scrollIntoViewIfNeeded();
    expect((await b.boundingBox())!.height, String(name)).toBeGreaterThanOrEqual(44);
    await b.tap();
  };
  const go = async (name: string | RegExp) => page.getByRole("link", { name }).first().tap();
  // What a keyboard on the screen writes.
  const write = async (label: RegExp, text: string) => {
    await page.getByLabel(label).first().tap();
    await page.getByLabel(label).first().fill(text);
  };
  try {
    await page.goto(shop.url);
    await expect(page.locator("html[data-ready]")).toHaveCount(1);
    await tap("Not now");
    await go("Open a job");
    await page.waitForURL("**/new");
    await page.waitForLoadState("networkidle");
    await write(/^Customer/, "Lock keeper");
    await write(/^Machine/, "Carse Tern 15");
    await tap(/^Open H-/);
    await page.waitForURL("**/triage");
    await bench.ready("triage");
    const id = new URL(page.url()).pathname.split("/")[2]!;
    await tap("Cracks in the glass: Yes");
    await tap("It is the panel", true);
    await go(/dentify/);
    await bench.ready("identify");
    await write(/^Label text/, "CT156UHD-B02");
    await bench.plate.tap();
    await expect(bench.step).toHaveText("CT156UHD-B02");
    await go("Match it next");
    await bench.ready("match");
    await write(/^Price/, "129,00");
    await write(/^Seller/, "Bank Street Panels");
    await tap("Keep this offer");
    await expect(page.getByRole("button", { name: "CT156UHD-B02" })).toBeVisible();
    for (const box of await page.getByRole("group", { name: "Accept what is not known" }).getByRole("checkbox").all())
      await box.tap();
    await bench.holdByTouch(bench.plate);
    await write(/^Code on the label/, "CT156UHD-B02");
    await tap("Check in");
    await bench.lookAtArrival("tap");
    await bench.settled();
    await page.locator('nav a[href$="/plan"]').tap();
    await bench.ready("plan");
    await expect(bench.step).toHaveText("No build for this machine");
    await bench.plate.tap();
    await page.waitForURL("**/builds/new**");
    await expect(page.locator("html[data-ready]")).toHaveCount(1);
    await tap("Start from the template of family C");
    await page.getByRole("button", { name: "Save", exact: false }).first().tap();
    await page.waitForURL(/builds\/(?!new)/);
    await expect(page.getByText(/Saved as version 1/)).toBeVisible();
    await go(/^Go on with H-/);
    await page.waitForURL("**/plan");
    await bench.ready("plan");
    await expect(bench.plate).toContainText("Take this plan");
    await bench.plate.tap();
    await expect(page.getByText("Planned.")).toBeVisible();
    await bench.followByTouch(/^Job closed$/);
    const log = await bench.events(id);
    expect(log.at(-1)?.type).toBe("job.closed");
    expect(log.length).toBeLessThan(150);
  } finally {
    await context.close();
    await shop.stop();
  }
});

test("anything is found from the bench and from a job; Enter opens the first; nothing found is said", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  await page.goto(bench.url);
  await expect(page.locator("html[data-ready]")).toHaveCount(1);
  await bench.key("/");
  const box = page.locator("[data-find]");
  await expect(box).toBeFocused();
  await box.fill("kestrl 14");
  await expect(page.locator('[data-hit="H-2417"]')).toContainText("In Open");
  await box.fill("nobody-has-this");
  await expect(page.getByText("No job matches “nobody-has-this”")).toBeVisible();
  await box.fill("2417");
  await expect(page.locator("[data-hit]").first()).toBeVisible();
  await page.keyboard.press("Enter");
  await page.waitForURL(`**/jobs/${id}/open`);
  await bench.ready("open");
  await bench.key("/");
  await page.getByRole("dialog").locator("[data-find]").fill("tools prices");
  await page.locator('[data-hit="Settings"]').click();
  await page.waitForURL("**/settings");
});

test("a job's words are put right, it is put off and taken up, cancelled and opened again; back closes the sheet", async ({
  bench,
  page,
}) => {
  const id = await bench.job("H-2424", "triage");
  const sheet = page.getByRole("dialog");
  await bench.key("j");
  await sheet.getByLabel("How to reach them").fill("extension 12");
  await sheet.getByLabel("Promised for").fill("31 Feb");
  await sheet.getByRole("button", { name: "Keep these words" }).click();
  await expect(sheet.getByText(/"31 Feb" is no day/)).toBeVisible();
  await sheet.getByLabel("Promised for").fill("in 3 days 16:00");
  await sheet.getByRole("button", { name: "Keep these words" }).click();
  await expect(sheet).toHaveCount(0);
  await bench.key("j");
  await sheet.getByLabel("Why it waits, or ends").fill("waits for its charger");
  await sheet.getByRole("button", { name: "Put it off" }).click();
  await bench.settled();
  await page.goto(bench.url);
  await expect(page.getByRole("region", { name: "Waiting for a panel" }).locator('[data-job="H-2424"]')).toContainText(
    "waits for its charger",
  );
  await bench.station(id, "triage");
  await bench.key("j");
  await sheet.getByRole("button", { name: "Take it up again" }).click();
  await expect(sheet).toHaveCount(0);
  await bench.key("j");
  await expect(sheet).toBeVisible();
  await page.goBack();
  await expect(sheet).toHaveCount(0);
  expect(page.url()).toMatch(/\/triage$/);
  await bench.key("j");
  await sheet.getByLabel("Why it waits, or ends").fill("bought another");
  await sheet.getByRole("button", { name: "Cancel the job" }).click();
  await bench.settled();
  await page.goto(`${bench.url}/closed`);
  await page.getByRole("link", { name: "H-2424" }).click();
  await bench.ready("close");
  await bench.key("j");
  await sheet.getByLabel("Why it goes on").fill("wants it back after all");
  await sheet.getByRole("button", { name: "Open it again" }).click();
  await bench.settled();
  const types = (await bench.events(id)).map((e) => e.type).slice(-6);
  expect(types).toEqual(["job.edited", "job.promised", "job.putOff", "job.takenUp", "job.closed", "job.reopened"]);
});

test("who is working is chosen in two taps; what was taken back is put again; every key has its control", async ({
  bench,
  page,
}) => {
  const id = await bench.job("H-2417", "open");
  await page.getByRole("button", { name: /^Recorded as Bench 2/ }).click();
  await page.getByRole("dialog").getByLabel("Somebody else").fill("Ilse");
  await page.getByRole("button", { name: "Works here now" }).click();
  await page.getByRole("button", { name: /^Recorded as Ilse/ }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Bench 2" }).click();
  await page.getByRole("button", { name: /^Recorded as Bench 2/ }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Ilse" }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await bench.key("Space");
  await expect(bench.step).not.toHaveText("Shut the machine down");
  await bench.key("Backspace");
  await expect(bench.step).toHaveText("Shut the machine down");
  await bench.key("?");
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /put again what was taken back/ })
    .click();
  await expect(bench.step).not.toHaveText("Shut the machine down");
  await bench.settled();
  const last = (await bench.events(id)).at(-1) as unknown as { type: string; who: string };
  expect([last.type, last.who]).toEqual(["bench.shutDown", "Ilse"]);
  await bench.key("?");
  for (const b of await page.getByRole("dialog").getByRole("button").all())
    expect((await b.boundingBox())!.height).toBeGreaterThanOrEqual(44);
});

test("a machine that was here before is known by its serial; a page of offers is read with its columns", async ({
  bench,
  page,
}) => {
  await page.goto(`${bench.url}/new`);
  await expect(page.getByLabel("Machine", { exact: true })).toHaveValue("");
  await page.getByLabel("Serial").fill("ks14 0b85 s21");
  await expect(page.getByText("Here before, 1 job.")).toBeVisible();
  await page.getByRole("button", { name: "Take over customer and machine" }).click();
  await expect(page.getByLabel("Machine", { exact: true })).toHaveValue("Ostrel Kestrel 14");
  await expect(page.getByLabel("Customer")).toHaveValue("Reading Room, desk 4");
  await page.goto(`${bench.url}/sellers`);
  await page.getByText("Write down an offer").click();
  await page
    .getByLabel("Or paste a page")
    .fill("Part no;Unit price;Supplier\nGV140FHB-K36;58,40;Tide Parts\nXX999;free;Tide Parts");
  await expect(page.getByRole("list", { name: "Offers read" })).toContainText("58.40 EUR");
  await expect(page.getByRole("list", { name: "Lines not read" })).toContainText('Line 3: XX999: "free" is not an amount');
  await page.getByRole("button", { name: "Keep 1 offer" }).click();
  await expect(page.getByText(/1 offer kept. Tide Parts has no record here yet./)).toBeVisible();
  await expect(page.getByRole("region", { name: "Tide Parts" })).toContainText("GV140FHB-K36");
});

test("the demo explains its screen where it stands, once: read, it is gone for good and the plate works all the while", async ({
  browser,
}, info) => {
  const demo = await startServer(`${SCRATCH}/tour-${info.testId}.sqlite`, { HELVANE_SEED: "year" });
  const context = await browser.newContext();
  const page = await context.newPage();
  try {
    await page.goto(`${demo.url}/`);
    const href = await page.locator('[data-job="H-2417"]').first().getAttribute("href");
    await page.goto(`${demo.url}${href}`);
    const tour = page.getByRole("complementary", { name: "What is what on this screen" });
    await expect(tour).toBeVisible();
    for (const part of ["The plate", "The route", "The drawing", "The tray", "Letters and lines"])
      await expect(tour.getByRole("term").filter({ hasText: part })).toBeVisible();
    // It is no dialog: the plate is on top of nothing and takes its press.
    await expect(page.getByRole("dialog")).toHaveCount(0);
    const title = await page.locator("h1").textContent();
    await page.waitForSelector("html[data-ready]", { state: "attached" });
    await page.keyboard.press("Space");
    await expect(page.locator("h1")).not.toHaveText(title!);
    await tour.getByRole("button", { name: "Read. Not again" }).click();
    await expect(tour).toHaveCount(0);
    await page.reload();
    await expect(page.locator("h1")).toBeVisible();
    await expect(tour).toHaveCount(0);
  } finally {
    await context.close();
    await demo.stop();
  }
});
