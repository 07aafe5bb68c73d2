import { expect, test } from "./bench";

test("dates are told on the bench from orders, hours and work; other hours move them; hours that cannot be are refused in words", async ({
  bench,
  page,
}) => {
  await page.goto(bench.url);
  const box = page.getByRole("region", { name: "Promises" });
  // H-2421 is ordered and promised before it can be there.
  await expect(box.getByRole("listitem").filter({ hasText: "H-2421" })).toContainText(
    /(Act today|Watch): promised .*, late \d+ times in 100\. Could keep \w{3} \d+ \w{3}\./,
  );
  const said = async () => (await box.getByRole("listitem").filter({ hasText: "H-2421" }).textContent()) ?? "";
  const before = await said();
  await page.goto(`${bench.url}/settings`);
  const form = page.locator("form").filter({ has: page.getByRole("heading", { name: "When the shop works" }) });
  await form.getByLabel("Monday").fill("nine to five");
  await form.getByRole("button", { name: "Save the hours" }).click();
  await expect(form).toContainText('Monday: "nine to five" cannot be read');
  // Open one day a week, the carrier with it: everything comes later.
  for (const d of ["Monday", "Tuesday", "Wednesday", "Friday", "Saturday", "Sunday"]) await form.getByLabel(d).fill("");
  await form.getByLabel("Thursday").fill("9-12:30, 13:15-17");
  await form.getByLabel("The carrier's days").fill("Thu");
  await form.getByRole("button", { name: "Save the hours" }).click();
  await expect(form).toContainText("Kept.");
  await page.goto(bench.url);
  await expect.poll(said).toMatch(/Could keep Thu /);
  expect(await said()).not.toBe(before);
});

test("the date that can be kept is promised with one tap", async ({ bench, page }) => {
  const id = await bench.job("H-2421", "match");
  await bench.letGo();
  await bench.key("j");
  const hint = page.getByText(/four times in five by/);
  await expect(hint).toBeVisible();
  await page.getByRole("button", { name: "Promise that" }).click();
  await page.getByRole("button", { name: "Keep these words" }).click();
  await bench.settled();
  const last = (await bench.events(id)).at(-1)!;
  expect(last.type).toBe("job.promised");
  expect(Date.parse(String(last.payload.promiseAt))).toBeGreaterThan(Date.now() - 86_400_000);
  // It is kept four times in five now: no more than watched.
  await page.goto(bench.url);
  const box = page.getByRole("region", { name: "Promises" });
  await expect(box.getByText(/From orders/)).toBeVisible();
  await expect(box.getByRole("listitem").filter({ hasText: "H-2421" }).filter({ hasText: "Act today" })).toHaveCount(0);
});
