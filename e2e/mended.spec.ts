import { expect, test } from "./bench";

test("a cracked frame is glued on the way: what loads it waits and is told how long, the rest goes on", async ({
  bench,
  page,
}) => {
  test.setTimeout(120_000);
  const id = await bench.newJob("Ostrel Kestrel 14");
  await bench.station(id, "plan");
  await expect(bench.plate).toContainText("Take this plan");
  await bench.letGo();
  await bench.key("Space");
  await expect(page.getByText("Planned.")).toBeVisible();
  await bench.settled();
  await bench.ahead(id, /^Take out the panel|^Lift|panel/i);
  await page.getByRole("button", { name: "Mended something" }).click();
  const sheet = page.getByRole("dialog", { name: "Mended on the way" });
  await sheet.getByLabel("Cures for, min").fill("soon");
  await expect(sheet.getByRole("alert")).toContainText('Cures for: read "soon", expected whole minutes from 0 to 4320.');
  await expect(sheet.getByRole("button", { name: "Record it" })).toBeDisabled();
  await sheet.getByLabel("Cures for, min").fill("45");
  await sheet.getByLabel("How: glue, clamp").fill("two-part glue, two clamps");
  await sheet.getByRole("button", { name: "Record it" }).click();
  await bench.settled();
  const told = (await bench.events(id)).at(-1)!;
  expect(told).toMatchObject({ type: "open.mended", payload: { what: "boss", cureMin: 45, how: "two-part glue, two clamps" } });
  // The wait is a step of the plan, and has its time before it may be done.
  await bench.station(id, "plan");
  await expect(page.getByRole("region", { name: "Way back" })).toContainText(/See that the screw boss of .* holds/);
  const act = `mend-${told.id.replace(/[^0-9a-f]/g, "").slice(-12)}`;
  const early = await bench.actElsewhere(id, "swap.backActDone", { act });
  expect(early.reason).toMatch(/It cures for 45 min: 4\d min left/);
  await page.goto(`${bench.url}/jobs/${id}/pause`);
  await expect(page.locator("main")).toContainText("clamp on for 45 min");
});

test("forgotten behind the stuck panel: chosen, led to act by act, lifted, and the plan goes on from there", async ({
  bench,
  page,
}) => {
  test.setTimeout(180_000);
  const id = await bench.job("H-2417", "bond");
  await bench.ahead(id, /^Clip the bezel on/);
  await page.getByRole("button", { name: "Forgotten behind it" }).click();
  const sheet = page.getByRole("dialog");
  await sheet.getByRole("button", { name: "left on" }).click();
  await expect(sheet).toContainText(/Back film: left on\. About .* there and back, and \d\.\d\d m of tape laid anew/);
  await expect(sheet.getByRole("list", { name: "Its strips" })).toContainText(/Draw its tail, flat and slowly/);
  await expect(sheet).toContainText(/Up at the top, about 90°, on its bottom edge, and held/);
  for (let i = 0; i < 40 && (await sheet.count()); i++) {
    const before = await sheet.getByRole("list", { name: "What comes away first" }).textContent();
    await sheet.getByRole("button", { name: "Done" }).click();
    await expect(async () => {
      const list = sheet.getByRole("list", { name: "What comes away first" });
      expect((await sheet.count()) === 0 || (await list.textContent()) !== before).toBe(true);
    }).toPass();
  }
  await expect(sheet).toHaveCount(0);
  await bench.settled();
  const log = await bench.events(id);
  expect(log.at(-1)).toMatchObject({ type: "swap.panelLifted", payload: { forgot: { what: "film", id: "back" } } });
  // The plan is on it again: it is seated anew, its film asked for before.
  await expect(page.getByText("Lifted: the plan goes on from here, back film first")).toBeVisible();
});
