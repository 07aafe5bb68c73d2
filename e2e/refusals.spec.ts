import { expect, test } from "./bench";

test("a connector before isolation is refused, and says what is still to do", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  await bench.ahead(id, /Take off display plug/);
  await bench.key("x");
  await page.getByRole("button", { name: "Mains in" }).click();
  await bench.settled();
  const before = (await bench.events(id)).length;
  await page.getByRole("button", { name: "Out of order: Take off display plug" }).click();
  await expect(bench.refusal).toContainText("Not isolated. Still to do: take the mains out");
  await expect(page.getByRole("button", { name: /^Power: Live/ })).toBeVisible();
  expect((await bench.events(id)).length).toBe(before);
});

test("a liner is refused before the loose test, and again when a cable was re-seated after it", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  await bench.ahead(id, /Mains in for the loose test/);
  await page.goto(`${bench.url}/jobs/${id}/bond`);
  await bench.ready("bond");
  await expect(page.getByText("Liners: No loose test yet")).toBeVisible();
  // Out of order on purpose: tape may be laid, a liner may not come off.
  const forced = await bench.actElsewhere(id, "bond.linerPulled", { piece: "tape-left-1" });
  expect(forced.status).toBe(409);
  expect(forced.reason).toMatch(/No loose test yet/);

  await page.goto(`${bench.url}/jobs/${id}/swap`);
  await bench.ready("swap");
  await bench.follow(/Pull liner T1/);
  // The cable is re-seated, off and on again.
  expect((await bench.actElsewhere(id, "swap.cableDisconnected", { connector: "display-plug" })).status).toBe(200);
  expect((await bench.actElsewhere(id, "swap.cableConnected", { connector: "display-plug", home: true })).status).toBe(200);
  await page.goto(`${bench.url}/jobs/${id}/bond`);
  await bench.ready("bond");
  await expect(page.getByText("Liners: Display plug was touched after the loose test. Test again.")).toBeVisible();
  await page.getByRole("button", { name: "Out of order: Pull liner T1" }).first().click();
  await expect(bench.refusal).toContainText("Display plug was touched after the loose test. Test again.");
  expect((await bench.events(id)).some((e) => e.type === "bond.linerPulled")).toBe(false);
});

test("opening the battery plug to isolate again leaves the loose test valid", async ({ bench }) => {
  const id = await bench.job("H-2417", "open");
  await bench.ahead(id, /Prove it open/);
  const log = await bench.events(id);
  const test = log.findIndex((e) => e.type === "swap.looseTested");
  expect(log.slice(test).some((e) => e.type === "bond.linerPulled")).toBe(true);
});

test("closing with a screw out is refused, naming it", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  await bench.ahead(id, /Put back 6 base screws/);
  await page.getByRole("button", { name: /Leftover|Not back/ }).waitFor();
  await page.goto(`${bench.url}/jobs/${id}/prove`);
  await bench.ready("prove");
  // Handing over out of order, straight from Prove, is refused by the gate.
  expect((await bench.actElsewhere(id, "close.handedOver", { to: "Desk" })).reason).toMatch(/6 screws still out: base screws/);
  await page.goto(`${bench.url}/jobs/${id}/close`);
  await bench.ready("close");
  await bench.key("Enter");
  await expect(bench.refusal).toContainText("6 screws to go");
  await bench.key("9");
  await expect(page.getByText("9 is too many: 6 screws to go")).toBeVisible();
});

test("a stop cannot be ordered, and an unknown interface can be ordered only by name and never connected unseen", async ({
  bench,
  page,
}) => {
  const id = await bench.job("H-2419", "match");
  await page.getByRole("button", { name: "ZE116XTC-N30" }).click();
  await expect(page.getByText(/Does not fit: interface LVDS, not eDP/)).toBeVisible();
  await expect(page.locator("[data-plate]")).toHaveCount(0);
  await expect(page.getByText("This one must not be ordered.")).toBeVisible();
  await bench.letGo();
  await page.keyboard.down("Enter");
  await page.waitForTimeout(1000);
  await page.keyboard.up("Enter");
  await expect(bench.refusal).toContainText("must not be ordered");
  expect((await bench.events(id)).some((e) => e.type === "match.ordered")).toBe(false);
});

test("a panel whose interface nobody has stated is not connected until it was looked at", async ({ bench, page }) => {
  const id = await bench.newJob("Ostrel Kestrel 14");
  await bench.station(id, "identify");
  await page.getByLabel("Label text, whole or in part").fill("GV140FHB-K31");
  await page.locator("[data-plate]").click();
  await expect(bench.step).toHaveText("GV140FHB-K31");
  await bench.settled();
  await bench.station(id, "match");
  await page.getByRole("button", { name: "PD140FHB-U02" }).click();
  await expect(page.locator('[data-field="family"]')).toHaveAttribute("data-v", "unknown");
  await expect(page.getByText(/Do not connect yet: interface/)).toBeVisible();
  const order = page.locator("[data-plate]");
  const hold = async () => {
    await order.scrollIntoViewIfNeeded();
    const box = (await order.boundingBox())!;
    await page.mouse.move(box.x + 30, box.y + 20);
    await page.mouse.down();
    await page.waitForTimeout(1000);
    await page.mouse.up();
  };
  await hold();
  await expect(bench.refusal).toContainText("Accept each by name");
  for (const c of await page.getByRole("checkbox").all()) await c.check();
  await hold();
  await page.getByLabel("Code on the label that came").fill("PD140FHB-U02");
  await page.getByRole("button", { name: /Check in/ }).click();
  await expect(page.getByText("Checked in, label read")).toBeVisible();
  await bench.lookAtArrival();
  await bench.settled();
  // A supply voltage is not settled by eye, nor by an unnamed paper.
  await page.getByRole("button", { name: "Logic supply, V: agrees" }).click();
  await expect(bench.refusal).toContainText("Name the datasheet");
  await bench.station(id, "plan");
  await page.locator("[data-plate]").click();
  await expect(page.getByText("Planned.")).toBeVisible();
  await bench.settled();
  await bench.ahead(id, /Put on display plug/);
  await bench.key("Space");
  await expect(bench.refusal).toContainText("Do not connect PD140FHB-U02");
  await expect(bench.refusal).toContainText("interface");
  expect((await bench.events(id)).some((e) => e.type === "swap.cableConnected")).toBe(false);
});

test("a part code scanned on every station changes nothing it should not", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "triage");
  const before = await bench.events(id);
  for (const station of ["triage", "identify", "match", "plan", "open", "swap", "bond", "prove", "close"]) {
    await bench.station(id, station);
    await bench.letGo();
    await bench.scan("7Q2X4GV140FHB-K36");
    await expect(page).toHaveURL(new RegExp(`/${station}$`));
    if (station === "identify") await expect(page.getByLabel("Label text, whole or in part")).toHaveValue("7Q2X4GV140FHB-K36");
    else await expect(page.getByText("Scanned 7Q2X4GV140FHB-K36: nothing asked for it")).toBeVisible();
  }
  expect(await bench.events(id)).toEqual(before);
});

test("a swollen battery takes every station until it is recorded as made safe", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  await bench.key("c");
  await page.getByRole("button", { name: "Swollen battery" }).click();
  await bench.settled();
  for (const station of ["match", "open", "close"]) {
    await bench.station(id, station);
    await expect(bench.step).toHaveText("Swollen battery");
    await expect(page.getByText("This stop cannot be waived, only made safe.")).toBeVisible();
    await bench.letGo();
    for (const key of ["Space", "Enter"]) await bench.key(key);
  }
  await bench.key("Backspace");
  await expect(bench.step).toHaveText("Swollen battery");
  await page.getByLabel("By whom").fill("Fire warden");
  await page.getByLabel("How", { exact: true }).fill("In the fire-safe box outside");
  await page.getByRole("button", { name: "Made safe" }).click();
  await expect(bench.step).not.toHaveText("Swollen battery");
  expect((await bench.events(id)).at(-1)?.type).toBe("job.madeSafe");
});
