import type { Page } from "@playwright/test";
import { expect, test } from "./bench";

/** Holds every script of the page back until told: a slow tablet, seen by a quick hand. */
async function asleep(page: Page): Promise<() => void> {
  let wake = () => {};
  const awake = new Promise<void>((done) => {
    wake = done;
  });
  await page.route(/\/_next\/static\/.*\.js/, async (r) => {
    await awake;
    await r.continue();
  });
  return wake;
}

test("what is typed before the page is awake is not lost: a figure, words, a tick", async ({ bench, page }) => {
  const wake = await asleep(page);
  await page.goto(`${bench.url}/likelihoods`, { waitUntil: "commit" });
  await page.getByLabel("Panel cell").first().fill("98");
  wake();
  await page.getByRole("button", { name: "Save the changes" }).click();
  await expect(page.getByText(/Saved\. Version 2/)).toBeVisible();
  expect((await (await page.request.get(`${bench.url}/api/triage`)).json()).faults[0].prior).toBe(98);
});

test("a search begun before the page is awake goes on when it is", async ({ bench, page }) => {
  const wake = await asleep(page);
  await page.goto(`${bench.url}/panels`, { waitUntil: "commit" });
  const find = page.getByRole("searchbox").first();
  await find.pressSequentially("zzzz");
  wake();
  await expect(page.getByText(/Nothing near "zzzz"/)).toBeVisible();
  await expect(find).toHaveValue("zzzz");
});

test("an offer written down before the page is awake keeps every field, and is taken", async ({ bench, page }) => {
  const wake = await asleep(page);
  await page.goto(`${bench.url}/sellers`, { waitUntil: "commit" });
  const offer = page.locator("details.byhand");
  await offer.evaluate((d) => {
    (d as HTMLDetailsElement).open = true;
  });
  await offer.getByLabel("Part code").fill("ZK140XYZ-A01");
  await offer.getByLabel(/^Price/).fill("61,40");
  await offer.getByLabel("Seller").fill("Market stall");
  wake();
  await offer.getByRole("button", { name: "Keep this offer" }).click();
  await expect(page.getByText(/1 offer kept/)).toBeVisible();
  await page.reload();
  await expect(page.locator("main")).toContainText("ZK140XYZ-A01");
  await expect(page.locator("main")).toContainText("61.40");
});
