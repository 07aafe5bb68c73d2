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

test("a way to keep a promise is taken with one tap: a place in the queue, and back; evenings stand in the settings", async ({
  bench,
  page,
}) => {
  await page.goto(bench.url);
  const box = page.getByRole("region", { name: "Promises" });
  const row = box.getByRole("listitem").filter({ has: page.locator("[data-rescues=H-2421]") });
  await row.locator("summary").click();
  const evening = row.locator("[data-rescue=evening]");
  await evening.getByRole("button", { name: "Take it" }).click();
  await expect(evening.getByRole("status")).toContainText("The next three bench days go until nine");
  const id = await bench.job("H-2417", "plan");
  await bench.actElsewhere(id, "job.tookFirst", { first: true });
  await page.goto(bench.url);
  await expect(box.getByText("H-2417")).toBeVisible();
  await box.getByRole("button", { name: "In its turn again" }).click();
  await expect.poll(async () => (await bench.events(id)).at(-1)!.payload).toEqual({ first: false });
  await expect(box.getByRole("button", { name: "In its turn again" })).toHaveCount(0);
  await page.goto(`${bench.url}/settings`);
  const form = page.locator("form").filter({ has: page.getByRole("heading", { name: "When the shop works" }) });
  await expect(form.getByLabel(/Longer evenings/)).toHaveValue(/^(\d{4}-\d\d-\d\d 21:00(, )?){3}$/);
  await form.getByLabel(/Longer evenings/).fill("some day");
  await form.getByRole("button", { name: "Save the hours" }).click();
  await expect(form).toContainText('Longer evenings: "some day" cannot be read');
  await form.getByLabel(/Longer evenings/).fill("");
  await form.getByRole("button", { name: "Save the hours" }).click();
  await expect(form).toContainText("Kept.");
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

test("a new job is told what can be promised before it is opened, from its panel, its plan and the work ahead, and one tap takes it", async ({
  bench,
  page,
}) => {
  await page.goto(`${bench.url}/new`);
  const hint = page.getByRole("status").filter({ hasText: "Done likely" });
  await page.getByLabel("Machine", { exact: true }).fill("Ostrel Kestrel 14");
  await expect(hint).toContainText(/four times in five by/);
  await expect(hint).toContainText(/its plan: \d+ min by hand/);
  const said = (await hint.getByRole("button").textContent())!.replace("Promise ", "");
  await hint.getByRole("button").click();
  await expect(page.getByText(new RegExp(`${said.slice(0, 10)}`)).last()).toBeVisible();
  expect((await page.getByLabel("Promised for").inputValue()).length).toBeGreaterThan(5);
  // A model nobody has recorded is told too, and says what it goes by.
  await page.getByLabel("Machine", { exact: true }).fill("Wendell Nowhere 15");
  await expect(hint).toContainText(/no plan yet/);
});

test("called and promised anew: one tap on the bench writes it into the job, and it can be taken back there", async ({
  bench,
  page,
}) => {
  await page.goto(bench.url);
  const row = page.getByRole("region", { name: "Promises" }).getByRole("listitem").filter({ hasText: "H-2421" });
  await row.locator("summary").click();
  const id = (await row.getByRole("link").first().getAttribute("href"))!.split("/")[2]!;
  await row
    .locator('[data-rescue="call"]')
    .getByRole("button", { name: /^Called: promised/ })
    .click();
  await expect.poll(async () => (await bench.events(id)).at(-1)!.type).toBe("job.promised");
  await expect(row.filter({ hasText: "Act today" })).toHaveCount(0);
});

test("a shop that promises nine times in ten says so, and never sooner than four in five", async ({ bench, page }) => {
  const hint = page.locator(".newpromise");
  const said = async () => {
    await page.goto(`${bench.url}/new`);
    await expect(async () => {
      await page.getByLabel("Machine", { exact: true }).fill("Ostrel Kestrel 14");
      await expect(hint).toBeVisible({ timeout: 3000 });
    }).toPass();
    return (await hint.locator("b").textContent())!;
  };
  const four = await said();
  await expect(hint).toContainText("four times in five by");
  await page.goto(`${bench.url}/settings`);
  const form = page.locator("form").filter({ has: page.getByRole("heading", { name: "When the shop works" }) });
  await expect(async () => {
    await bench.choose("What is promised holds", "0.9");
    await form.getByRole("button", { name: "Save the hours" }).click();
    await expect(form).toContainText("Kept.", { timeout: 3000 });
  }).toPass();
  const nine = await said();
  await expect(hint).toContainText("nine times in ten by");
  const at = (words: string) =>
    Date.parse(`${words.replace(/^\w+ /, "")} UTC`.replace(/ (\d\d:)/, ` ${new Date().getFullYear()} $1`));
  // Over New Year the later one has the lower date: no year is written.
  const later = at(nine) - at(four);
  expect(later >= 0 || later < -300 * 86_400_000).toBe(true);
});

test("what waiting costs is asked of the shop; a machine to lend, and another panel, become ways to keep a promise", async ({
  bench,
  page,
}) => {
  const id = await bench.job("H-2421", "match");
  const order = (await bench.events(id)).find((e) => e.type === "match.ordered")!;
  await bench.actElsewhere(id, "match.returned", { reason: "neverCame", note: "", kept: [] });
  await bench.actElsewhere(id, "match.ordered", { ...order.payload, dueDays: 9, days: { p50: 9, p80: 12, orders: 0 } });
  await page.goto(`${bench.url}/settings`);
  const late = page.getByLabel("A day later than promised costs");
  await expect(async () => {
    await late.fill("soon");
    await page.getByRole("button", { name: "Save these costs" }).click();
    await expect(page.getByText('A day later than promised costs: read "soon", expected 0 to 10000.')).toBeVisible({
      timeout: 2000,
    });
  }).toPass();
  await expect(late).toHaveValue("soon");
  await late.fill("20");
  await page.getByRole("button", { name: "Save these costs" }).click();
  await expect(page.getByText("Kept. What to buy and the ways to keep a promise follow.")).toBeVisible();
  await page.getByLabel("Machines to lend").fill("1");
  await page.getByRole("button", { name: "Save the hours" }).click();
  await expect(page.getByText("Kept. Dates on the bench follow.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("A day later than promised costs")).toHaveValue("20.00");
  await page.goto(bench.url);
  const ways = page.locator('[data-rescues="H-2421"]');
  await ways.locator("summary").click();
  await expect(ways.locator('[data-rescue="loan"]')).toContainText("Lend a machine, and promise anew");
  // The other panel keeps its capitals, and says where there is something to ask first.
  await expect(ways.locator('[data-rescue="otherPanel"]')).toContainText(/GV140FHB-K\d\d\S* from [A-Z]/);
  await expect(ways.locator('[data-rescue="otherPanel"] a')).toHaveAttribute("href", new RegExp(`/jobs/${id}/match`));
});
