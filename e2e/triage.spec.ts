import { type Bench, expect, test } from "./bench";
import { pdfText } from "./pdfText";

/** Shut down, mains out, battery-off mode proven, key held: through the plate, in Open. */
async function isolate(bench: Bench, id: string): Promise<void> {
  await bench.station(id, "open");
  for (const title of [
    "Shut the machine down",
    "Take the mains lead out",
    "Enter battery-off mode and prove it",
    "Hold the power key 5 to 10 s",
  ]) {
    await expect(bench.step).toHaveText(title);
    await bench.key("Space");
  }
  await expect(bench.step).toHaveText("Unclip the bezel");
  await bench.settled();
}

test.describe("with a board whose backlight fuse is open", () => {
  test.use({ serverEnv: { HELVANE_METER_SEED: "1" } });
  test("a dark screen ends in: not the panel, measured with the meter in the right power state", async ({ bench, page }) => {
    const id = await bench.job("H-2424", "triage");
    await bench.choose(/^Backlight/, "led");
    // The advice asks for closed tests first; each is answered on the plate by key.
    await page.getByRole("button", { name: "A torch at an angle shows a faint image: Yes" }).click();
    await page.getByRole("button", { name: "Brightness keys change nothing: Yes" }).click();
    await page.getByRole("button", { name: "The picture changes while the lid moves: No" }).click();
    await bench.settled();
    await page.getByRole("tab", { name: "Meter" }).click();
    await expect(page.getByText("The power state is not recorded.")).toBeVisible();
    await bench.letGo();
    await bench.key("Space");
    await expect(bench.refusal).toContainText("power state is not recorded");

    // Isolated first: the plan names the power points.
    await bench.station(id, "plan");
    await bench.key("Space");
    await expect(page.getByText("Planned.")).toBeVisible();
    await bench.settled();
    await isolate(bench, id);
    await bench.station(id, "triage");
    await page.getByRole("tab", { name: "Meter" }).click();
    // Volts on an isolated board are refused.
    await page.getByRole("button", { name: /Input of the backlight driver/ }).click();
    await expect(page.getByText("DC volts are read on a live board only, and this one is isolated.")).toBeVisible();
    await page.getByRole("button", { name: /Backlight fuse, both ends/ }).click();
    await page.getByRole("button", { name: /Read the meter/ }).click();
    await expect(page.locator(".instrument")).toContainText("OL");
    await expect(page.locator(".instrument")).toContainText("not as a good board");
    await page.getByRole("tab", { name: "Is it the panel?" }).click();
    await expect(bench.step).toContainText("Backlight fuse or driver on the board");
    await expect(page.getByText("It is not the panel")).toBeVisible();
    await bench.letGo();
    await bench.key("Space");
    await expect(page.getByText("Concluded: not the panel.")).toBeVisible();
    await bench.settled();
    const log = await bench.events(id);
    expect(log.find((e) => e.type === "triage.meterRead")?.payload).toMatchObject({
      point: "backlightFuse",
      value: null,
      by: "meter",
    });
    expect(log.at(-1)).toMatchObject({ type: "triage.concluded", payload: { verdict: "notPanel", fault: "boardBacklight" } });
    // The server's meter obeys the same rule, whatever the page asks.
    const volts = await page.request.post(`${bench.url}/api/meter`, {
      data: { jobId: id, point: "driverInput", mode: "dcVolts" },
    });
    expect(volts.status()).toBe(409);
    expect((await volts.json()).problem).toMatch(/live board only/);
  });

  test("a live reading makes the bench live, and a typed one has the same form", async ({ bench, page }) => {
    const id = await bench.job("H-2424", "plan");
    await bench.key("Space");
    await expect(page.getByText("Planned.")).toBeVisible();
    await bench.settled();
    await isolate(bench, id);
    await bench.station(id, "triage");
    await page.getByRole("tab", { name: "Meter" }).click();
    await page.getByLabel("Or typed, ohm").fill("abc");
    await page.getByRole("button", { name: "Take this reading" }).click();
    await expect(bench.refusal).toContainText('"abc" is no number');
    await page.getByLabel("Or typed, ohm").fill("90000");
    await page.getByRole("button", { name: "Take this reading" }).click();
    await expect(bench.refusal).toContainText("cannot be read there: 0 to 2000 ohm");
    await page.getByLabel("Or typed, ohm").fill("0,4");
    await page.getByRole("button", { name: "Take this reading" }).click();
    await expect(page.locator(".instrument")).toContainText("as a good board");
    await bench.letGo();
    await bench.key("x");
    await page.getByRole("button", { name: "Mains in" }).click();
    await expect(page.getByRole("button", { name: /^Power: Live/ })).toBeVisible();
    await expect(page.getByText("this one is live: it can burn the meter and the board")).toBeVisible();
    await page.getByRole("button", { name: /Input of the backlight driver/ }).click();
    await page.getByRole("button", { name: /Read the meter/ }).click();
    await expect(page.locator(".instrument")).toContainText("not as a good board");
    await bench.settled();
    expect((await bench.events(id)).at(-1)).toMatchObject({
      type: "triage.meterRead",
      payload: { mode: "dcVolts", by: "meter" },
    });
    await expect(page.getByRole("button", { name: /^Power: Live/ })).toBeVisible();
  });
});

test("a machine under cover ends in: use the warranty", async ({ bench, page }) => {
  const id = await bench.job("H-2424", "triage");
  await bench.choose(/^Cover/, "yes");
  await expect(page.getByText("Opening may end it. Use the cover, or write down why not.")).toBeVisible();
  await bench.settled();
  // The stop holds the hands until the cover is used or waived with a reason.
  await bench.station(id, "plan");
  await bench.key("Space");
  await expect(page.getByText("Planned.")).toBeVisible();
  await bench.settled();
  await bench.station(id, "triage");
  await page.getByRole("tab", { name: "Price" }).click();
  await page.getByRole("radio", { name: /Warranty or accident cover/ }).click();
  await page.locator("[data-plate]").click();
  await expect(page.getByRole("link", { name: "Estimate, PDF" })).toBeVisible();
  await page.getByRole("tab", { name: "Is it the panel?" }).click();
  await page.getByRole("button", { name: "Use the warranty or cover" }).click();
  await page.getByRole("button", { name: "Close the job with this verdict" }).click();
  await bench.settled();
  const log = await bench.events(id);
  expect(log.at(-1)).toMatchObject({ type: "job.closed", payload: { outcome: "cover" } });
});

test("cracked glass goes on to Identify; marks on the drawing are evidence", async ({ bench, page }) => {
  await bench.newJob("Ostrel Kestrel 14", { panel: false });
  await expect(bench.step).toHaveText("What do you see?");
  await bench.choose(/^What happened/, "drop");
  await page.getByRole("button", { name: "Tap on the drawing" }).click();
  await page.locator(".pane svg").click({ position: { x: 300, y: 200 } });
  await expect(bench.step).toContainText("Panel cell");
  await expect(page.getByText("from the drawing; moved the lead")).toBeVisible();
  await page.getByRole("button", { name: "Ink-like blots: Yes" }).click();
  // However plain the glass is: that the rest works is proven before anything is ordered.
  await expect(page.getByText("The external screen shows the same fault?")).toBeVisible();
  await expect(page.getByText("Before anything is ordered: it proves that the rest works")).toBeVisible();
  await bench.letGo();
  await bench.key("n");
  await expect(page.getByText("It is the panel: go on")).toBeVisible();
  await bench.key("Space");
  await expect(page.getByText("Concluded: it is the panel.")).toBeVisible();
  await page.getByRole("link", { name: "Identify it next" }).click();
  await page.waitForURL("**/identify");
});

test("liquid: nothing wakes the machine until it is recorded as opened, cleaned and dry", async ({ bench, page }) => {
  await bench.job("H-2424", "triage");
  await bench.choose(/^What happened/, "liquid");
  const box = page.getByRole("form", { name: "Liquid in the machine" });
  await expect(box).toContainText("press no key. Mains out and pack off first");
  await page.getByRole("button", { name: "A torch at an angle shows a faint image: Yes" }).click();
  await expect(bench.refusal).toContainText("Nothing wakes or feeds it");
  // It stands on every station, and its record is asked for only once the mains are out.
  await page
    .getByRole("link", { name: /Identify/ })
    .first()
    .click();
  await bench.ready("identify");
  await expect(box).toBeVisible();
  await box.getByRole("button", { name: "Mains are out" }).click();
  await box.getByRole("textbox").fill("rinsed with pure water, two days in the dry cupboard");
  await box.getByRole("button", { name: "Record it as cleared" }).click();
  await expect(box).toHaveCount(0);
  await bench.settled();
});

test("condition at intake, with a photo, stands on the hand-over sheet beside what was found", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "triage");
  await page.getByRole("tab", { name: "Condition" }).click();
  await bench.choose(/^What/, "missingFoot");
  await bench.choose(/^Where/, "base");
  await page.getByLabel("In words").fill("front left foot gone");
  await page.getByLabel("Photo").setInputFiles("e2e/fixtures/withPosition.jpg");
  await page.getByRole("button", { name: "Record it" }).click();
  await expect(page.getByLabel("Condition recorded")).toContainText("front left foot gone");
  await page.getByLabel("In the customer's own words").fill("Slid off the reading desk");
  await page.getByLabel("Agreed by").fill("Desk 4");
  await bench.choose(/^How the test logs in/, "guest");
  await page.getByRole("button", { name: "Agreed" }).click();
  await expect(page.getByText("Agreed by Desk 4; log in: guest mode.")).toBeVisible();
  await bench.settled();
  await page.goto(`${bench.url}/jobs/${id}/handover`);
  await expect(page.getByText("base, 20, 20 mm: front left foot gone (photo)")).toBeVisible();
  await expect(page.getByText("Slid off the reading desk")).toBeVisible();
});

test("the choice becomes an estimate of one page, and a price that moves asks again", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "triage");
  await page.getByRole("tab", { name: "Price" }).click();
  await page.getByLabel("Agreed by, when they did").fill("Žofie Kovářová");
  await page.getByRole("radio", { name: /Panel, new/ }).click();
  const plate = await page.locator("[data-plate] b").textContent();
  await page.locator("[data-plate]").click();
  await bench.settled();
  const pdf = await (await page.request.get(`${bench.url}/api/jobs/${id}/estimate`)).body();
  expect(pdf.toString("latin1").match(/\/Type \/Page\b/g)).toHaveLength(1);
  const text = pdfText(pdf);
  const price = /([\d.]+ EUR)/.exec(plate!)![1]!;
  for (const s of [
    "Estimate H-2417",
    price,
    "This estimate holds until",
    "four times in five by",
    "Tax20 %",
    "Žofie Kovářová",
    "What it stands on",
    "Labour from the plan",
  ])
    expect(text).toContain(s);
  const chosen = (await bench.events(id)).at(-1)!;
  expect(chosen.type).toBe("quote.chosen");
  expect(Number.isInteger(chosen.payload.expectedMinor)).toBe(true);
  // The bench hour doubles: the price given no longer holds.
  await page.goto(`${bench.url}/settings`);
  await page.waitForLoadState("load");
  await page.getByLabel("Bench hour").fill("120");
  await page.getByRole("button", { name: "Save the prices" }).click();
  await expect(page.getByText(/Saved, version 2/)).toBeVisible();
  await bench.station(id, "triage");
  await page.getByRole("tab", { name: "Price" }).click();
  await expect(page.getByText("Ask the customer again")).toBeVisible();
});

test("the fault model is edited, refused when wrong, exported, and put back as shipped", async ({ bench, page }) => {
  await page.goto(`${bench.url}/likelihoods`);
  await page.waitForLoadState("load");
  await page.getByLabel("Panel cell").first().fill("99");
  await page.getByRole("button", { name: "Save the changes" }).click();
  await expect(page.getByText(/Saved\. Version 2/)).toBeVisible();
  const exported = await (await page.request.get(`${bench.url}/api/triage`)).json();
  expect(exported.faults[0].prior).toBe(99);
  exported.groups[0].joint.panelBacklight["111"] = 0.99;
  await page
    .getByLabel("Fault model (JSON)")
    .setInputFiles({ name: "model.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(exported)) });
  await page.getByRole("button", { name: "Read it" }).click();
  await expect(page.locator('.refusal[role="alert"]')).toContainText(/groups\.0\.joint\.panelBacklight: the chances add up to/);
  await page.getByRole("button", { name: "Back to shipped" }).click();
  await expect(page.getByText(/Back to the shipped model\. Version 3/)).toBeVisible();
  expect((await (await page.request.get(`${bench.url}/api/triage`)).json()).faults[0].prior).toBe(34);
});
