import { type Bench, expect, test } from "./bench";

/** A job opened for this machine, found to be the panel, in Identify. */
async function newJob(bench: Bench, machine: string): Promise<string> {
  const id = await bench.newJob(machine);
  await bench.station(id, "identify");
  return id;
}

test("a misread label leads to the panel, with what was misread in words", async ({ bench, page }) => {
  const id = await newJob(bench, "Ostrel Kestrel 14");
  await page.getByLabel("Label text, whole or in part").fill("Gv14O FHB k3I\nS/N 7Q20417753\n2024 W31");
  await expect(page.locator("[data-plate]")).toContainText("Take GV140FHB-K31");
  await expect(page.locator("[data-plate]")).toContainText("read O, catalogue has 0, read I, catalogue has 1");
  await page.locator("[data-plate]").click();
  await expect(bench.step).toHaveText("GV140FHB-K31");
  await bench.settled();
  expect((await bench.events(id)).at(-1)).toMatchObject({
    type: "identify.panelRead",
    payload: { way: "label", code: "GV140FHB-K31", source: "L" },
  });
  expect((await bench.events(id)).at(-1)!.payload.panelHash).toMatch(/^[0-9a-f]{64}$/);
});

test("a whole label on one line, and a two-dimensional code, give the code and never the serial", async ({ bench, page }) => {
  await bench.newJob("Ostrel Kestrel 14", { panel: false });
  await page
    .getByRole("link", { name: /Identify/ })
    .first()
    .click();
  const field = page.getByRole("textbox", { name: /Label text/ });
  await field.fill("MODEL GV140FHB-K31 V1 S/N 7Q20417753 DATE 2431");
  await expect(page.getByText("Take GV140FHB-K31")).toBeVisible();
  await field.fill("[)>*06*1PGV140FHB-K36*S7Q20417753*");
  await expect(page.getByText("Take GV140FHB-K36")).toBeVisible();
  await expect(page.getByRole("list", { name: "What each line is" })).toContainText("S marks the serial number");
  await bench.letGo();
  await page.getByText("Take GV140FHB-K36").click();
  await expect(bench.step).toHaveText("GV140FHB-K36");
  await bench.settled();
});

test("a code with its end cut off shows the family as equals, and takes none by luck", async ({ bench, page }) => {
  await newJob(bench, "Ostrel Kestrel 14");
  await page.getByLabel("Label text, whole or in part").fill("GV140FHB-K3");
  const near = page.getByLabel("Nearest in the catalogue");
  await expect(near).toContainText("GV140FHB-K31");
  await expect(near).toContainText("GV140FHB-K36");
  await page.locator("[data-plate]").click();
  await expect(bench.refusal).toContainText("equally near");
  await page.getByRole("button", { name: "Take GV140FHB-K36" }).click();
  await expect(bench.step).toHaveText("GV140FHB-K36");
});

test("the serial chosen by mistake is answered in words", async ({ bench, page }) => {
  const id = await newJob(bench, "Ostrel Kestrel 14");
  const before = (await bench.events(id)).length;
  await page.getByLabel("Label text, whole or in part").fill("GV140FHB-K31\nS/N 7Q20417753");
  await page.getByRole("button", { name: "S/N 7Q20417753 is the code" }).click();
  await expect(bench.refusal).toContainText(
    '"S/N 7Q20417753" is the serial. Marked as a serial number: it names this one piece, not the part.',
  );
  expect((await bench.events(id)).length).toBe(before);
});

test("an EDID dump leads to the panel; the machine's port serves one; a broken one names its byte", async ({ bench, page }) => {
  const id = await newJob(bench, "Ostrel Kestrel 14");
  await page.getByRole("button", { name: "Read the machine's EDID" }).click();
  const read = page.getByLabel("EDID read");
  await expect(read).toContainText("1920 × 1080 at 59.93 Hz, 138.50 MHz");
  const hex = (await (await page.request.post(`${bench.url}/api/edid`, { data: { jobId: id } })).json()).hex as string;
  const rows = hex.match(/.{32}/g)!;
  await page
    .getByLabel("Or a dump, pasted")
    .fill(`eDP-1 connected\n\tEDID:\n${rows.map((r) => `\t\t${r}`).join("\n")}\n\tscaling mode: Full`);
  await page.getByRole("button", { name: "Read the dump" }).click();
  const broken = Buffer.from(hex, "hex");
  broken[40]! ^= 0x20;
  await page.getByLabel("EDID file").setInputFiles({ name: "panel.bin", mimeType: "application/octet-stream", buffer: broken });
  await expect(read).toContainText(/Byte 127: expected checksum 0x[0-9a-f]{2}, found 0x/);
  await page.getByLabel("Or a dump, pasted").fill("no hex here");
  await page.getByRole("button", { name: "Read the dump" }).click();
  await expect(page.getByText("No line reads as hex bytes.")).toBeVisible();
  await page
    .getByLabel("EDID file")
    .setInputFiles({ name: "panel.bin", mimeType: "application/octet-stream", buffer: Buffer.from(hex, "hex") });
  const button = page.getByRole("button", { name: /^Take GV140FHB-K31G? by EDID$/ }).first();
  const code = /Take (\S+) by/.exec((await button.getAttribute("aria-label"))!)![1]!;
  await button.click();
  await expect(bench.step).toHaveText(code);
  await bench.settled();
  expect((await bench.events(id)).at(-1)).toMatchObject({ payload: { way: "edid", source: "E", code } });
});

test.describe("with a port that is silent", () => {
  test.use({ serverEnv: { HELVANE_EDID_FAIL: "silent" } });
  test("no EDID is evidence, and says so", async ({ bench, page }) => {
    await newJob(bench, "Ostrel Kestrel 14");
    await page.getByRole("button", { name: "Read the machine's EDID" }).click();
    await expect(page.getByText("No EDID answers. That is evidence for cable or board: say so in Triage.")).toBeVisible();
  });
});

test("only a model, and no panel of it known: open first is followed, as far as its label", async ({ bench, page }) => {
  await newJob(bench, "Isbrand Pivot 14 Touch");
  await bench.choose(/^Starts on an external screen/, "no");
  const first = page.locator("[data-way]").first();
  await expect(first).toHaveAttribute("data-way", "label");
  await expect(first).toContainText("Costs least here");
  await expect(page.getByText("Chance that an order by model is wrong: 60 %")).toBeVisible();
  await page.getByRole("button", { name: "Open, read the label first: follow" }).click();
  await page.waitForURL("**/open");
  await bench.ready("open");
  await expect(page.locator('[data-aim="label"]')).toContainText("Opened only to read the label of the front unit");
});
