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
