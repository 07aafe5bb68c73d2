import { expect, test } from "./bench";

test("a maker's procedure is written down step by step, mended where it says what is wrong, kept, and there after a reload", async ({
  bench,
  page,
}) => {
  await page.goto(`${bench.url}/procedures`);
  const fresh = page.getByRole("form", { name: "A new procedure" });
  const own = page.getByRole("region", { name: "Procedure wendell-lid-sensor" });
  // The page may still be waking: what is typed before is typed again.
  await expect(async () => {
    await fresh.getByLabel("Maker").fill("Wendell");
    await fresh.getByLabel("What it is for").fill("lid sensor");
    await fresh.getByRole("button", { name: "Write a new one" }).click({ timeout: 1000 });
    await expect(own.getByRole("listitem").first()).toBeVisible({ timeout: 1000 });
  }).toPass();
  const next = own.getByRole("form", { name: "Another step" });
  for (const act of ["Shut the lid", "Open the lid"]) {
    await next.getByLabel("Then").fill(act);
    await page.keyboard.press("Enter");
  }
  const steps = own.locator("[data-step]");
  await expect(steps).toHaveCount(3);
  await own.getByRole("button", { name: "Step 3 has its time" }).click();
  const third = steps.nth(2);
  await third.getByLabel("At least, s").fill("20");
  await third.getByLabel("At most, s").fill("12");
  await third.getByLabel("At most, s").blur();
  // A window that ends before it begins is said where it is, and is not kept.
  await expect(own.getByRole("status")).toContainText(/at most 12 s is less than at least 20 s/);
  await expect(own.getByRole("button", { name: "Keep it" })).toBeDisabled();
  await third.getByLabel("At most, s").fill("30");
  await third.getByLabel("At most, s").blur();
  await own.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByText("Kept. Jobs that have begun one keep theirs.")).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: /^Wendell: lid sensor/ }).click();
  await expect(page.locator('[data-step="open-the-lid"]').getByLabel("At most, s")).toHaveValue("30");
  // It is there for a job as well, in the plain format, from the server.
  const all = await page.request.put(`${bench.url}/api/procedures`, {
    data: { text: '{"format":"helvane.procedure"}', version: 0 },
  });
  expect(all.status()).toBe(400);
  const again = await page.request.put(`${bench.url}/api/procedures`, {
    data: {
      text: JSON.stringify({
        format: "helvane.procedure",
        version: 1,
        id: "wendell-lid-sensor",
        maker: "Wendell",
        source: "note",
        steps: [{ id: "on", act: "On" }],
      }),
      version: 0,
    },
  });
  expect(again.status()).toBe(409);
});
