import { type Bench, expect, test } from "./bench";

/** By the plate's key to the last screws, and those one by one, until nothing is open. */
async function closeUp(bench: Bench): Promise<void> {
  await bench.follow(/^Put back .*base screws/);
  const closing = bench.page.locator('[data-aim="close"]');
  for (let i = 0; i < 20 && (await closing.count()); i++) {
    const before = await bench.page.locator("html").getAttribute("data-last");
    await bench.key("Space");
    await expect(bench.page.locator("html")).not.toHaveAttribute("data-last", before ?? "none");
  }
  await expect(closing).toHaveCount(0);
  await bench.settled();
}

/** Opened only for the label, closed until the part is here, and opened again when it came. */
test("opened to read the label, closed again with the old one in, and opened once more", async ({ bench, page }) => {
  test.setTimeout(180_000);
  const id = await bench.newJob("Ostrel Kestrel 14");
  await bench.station(id, "identify");
  await page.getByRole("button", { name: "Open, read the label first: follow" }).click();
  await page.waitForURL("**/open");
  await bench.ready("open");
  const aim = page.locator("[data-aim]");
  await expect(aim).toContainText("Opened only to read the label of the panel");
  await bench.settled();
  await bench.ahead(id, /^Lean the panel forward/);
  // The work is in Identify now: the plate leads there.
  await bench.key("g");
  await bench.key("2");
  await page.waitForURL("**/identify");
  await bench.ready("identify");
  await expect(aim).toContainText("It leans forward on its leads");
  await page.getByLabel("Label text, whole or in part").fill("GV140FHB-K31");
  await page.keyboard.press("Enter");
  await expect(bench.step).toHaveText("GV140FHB-K31");
  await expect(aim).toContainText("The machine lies open.");
  await expect(aim.getByRole("link", { name: "pause card" })).toBeVisible();
  await aim.getByRole("button", { name: "Close it again" }).click();
  await aim.getByLabel("Why it is closed again").fill("the part comes on Friday");
  await aim.getByRole("button", { name: "Close it again" }).click();
  await page.waitForURL("**/open");
  await expect(aim).toContainText("Closed again with the old panel in. the part comes on Friday.");
  await bench.settled();
  const before = (await bench.events(id)).length;
  await closeUp(bench);
  const after = (await bench.events(id)).slice(before).map((e) => e.type);
  expect(after).toContain("close.partBack");
  expect(after.at(-1)).toMatch(/^swap\.cableConnected$|^close\./);
  // Home again, nothing open, and the plan begins anew.
  await expect(page.locator("[data-aim]")).toHaveCount(0);
  await bench.station(id, "open");
  await expect(page.getByText("Tray empty")).toBeVisible();
});

test("a step that cannot be done leads back to a closed machine with the old panel in it", async ({ bench, page }) => {
  test.setTimeout(180_000);
  const id = await bench.newJob("Ostrel Kestrel 14");
  await bench.station(id, "plan");
  await expect(bench.plate).toContainText("Take this plan");
  await bench.letGo();
  await bench.key("Space");
  await expect(page.getByText("Planned.")).toBeVisible();
  await bench.settled();
  await bench.ahead(id, /^Put on display plug|^Clean|^Move/i);
  await page.getByRole("button", { name: "Cannot do this" }).click();
  await page.getByLabel("Why it is closed again").fill("the panel that came is cracked");
  await page.getByRole("button", { name: "Close it again" }).click();
  await expect(page.locator("[data-aim]")).toContainText("Closed again with the old panel in.");
  await bench.settled();
  await closeUp(bench);
  const log = (await bench.events(id)).map((e) => e.type);
  expect(log).toContain("swap.oldBack");
  expect(log.lastIndexOf("close.partBack")).toBeGreaterThan(log.indexOf("swap.oldBack"));
});
