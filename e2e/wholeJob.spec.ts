import { readFileSync } from "node:fs";
import { strFromU8, unzipSync } from "fflate";
import { Bench, expect, test } from "./bench";
import { pdfText } from "./pdfText";

test("family C, all nine stations by keyboard, ending with a printed hand-over and a closed job", async ({ bench, page }) => {
  test.setTimeout(150_000);
  await page.goto(`${bench.url}/`);
  await page.waitForLoadState("networkidle");
  await bench.key("a");
  await page.waitForURL("**/new");
  await page.waitForLoadState("networkidle");
  await page.keyboard.type("Žofie Kovářová, Łódź Branch");
  await page.getByLabel("Machine").fill("Ostrel Kestrel 14");
  await page.getByLabel("Serial").fill("KS14-0B85-S21");
  await page.keyboard.press("Enter");
  await page.waitForURL("**/triage");
  await bench.ready("triage");
  const id = new URL(page.url()).pathname.split("/")[2]!;

  await page.getByRole("button", { name: "Cracks in the glass: Yes" }).press("Enter");
  await expect(bench.step).toContainText("Panel cell");
  await page.getByRole("button", { name: "It is the panel", exact: true }).press("Enter");
  await expect(page.getByText("Concluded: it is the panel.")).toBeVisible();
  await bench.settled();

  await page.evaluate(() => (document.activeElement as HTMLElement)?.blur());
  await bench.key("2");
  await page.waitForURL("**/identify");
  await bench.ready("identify");
  await bench.scan("GV140FHB-K31");
  await expect(page.getByLabel("Label text, whole or in part")).toHaveValue("GV140FHB-K31");
  await bench.key("Space");
  await expect(bench.step).toHaveText("GV140FHB-K31");
  await bench.settled();

  await bench.key("3");
  await page.waitForURL("**/match");
  await bench.ready("match");
  await page.getByRole("button", { name: "GV140FHB-K36" }).press("Enter");
  await expect(page.locator('[data-field="contactSide"]')).toHaveAttribute("data-v", "unknown");
  await page.getByRole("checkbox", { name: /Contacts face/ }).press("Space");
  await page.evaluate(() => (document.activeElement as HTMLElement)?.blur());
  await page.keyboard.down("Enter");
  await page.waitForTimeout(1000);
  await page.keyboard.up("Enter");
  await expect(page.getByText("Code on the label that came")).toBeVisible();
  await bench.settled();
  await bench.scan("GV140FHB-K36");
  await bench.key("Space");
  await expect(page.getByText("Checked in, label read GV140FHB-K36")).toBeVisible();
  await bench.lookAtArrival();
  await page.getByRole("button", { name: "Contacts face: agrees" }).press("Enter");
  await expect(page.locator('[data-field="contactSide"]')).toHaveAttribute("data-v", "same");
  await bench.settled();
  await page.evaluate(() => (document.activeElement as HTMLElement)?.blur());
  await bench.key("4");
  await page.waitForURL("**/plan");
  await bench.ready("plan");
  await expect(bench.plate).toContainText("Take this plan");
  await bench.key("Space");
  await expect(page.getByText("Planned.")).toBeVisible();
  await bench.settled();

  await bench.follow(/^Job closed$/);
  await bench.settled();
  const log = await bench.events(id);
  expect(log.at(-1)?.type).toBe("job.closed");
  expect(log.filter((e) => e.type === "open.screwOut")).toHaveLength(7);
  expect(log.filter((e) => e.type === "close.screwBack")).toHaveLength(7);
  expect(log.filter((e) => e.type === "bond.linerPulled")).toHaveLength(3);

  const pdf = await (await page.request.get(`${bench.url}/api/jobs/${id}/handover`)).body();
  expect(pdf.subarray(0, 5).toString()).toBe("%PDF-");
  expect(pdf.toString("latin1").match(/\/Type \/Page\b/g)).toHaveLength(1);
  expect(pdf.toString("latin1")).toContain("/FontFile");
  expect(pdfText(pdf)).toContain("GV140FHB-K36");
  expect(pdfText(pdf)).toContain("Žofie Kovářová, Łódź Branch");
  await page.goto(`${bench.url}/jobs/${id}/handover`);
  await expect(page.getByRole("heading", { name: /Hand-over H-/ })).toBeVisible();
  await expect(page.getByText("7 out, 7 back")).toBeVisible();
  const zip = unzipSync(await (await page.request.get(`${bench.url}/api/jobs/${id}/export`)).body());
  expect(JSON.parse(strFromU8(zip["log.json"]!))).toHaveLength(log.length);
});

test("family B, the whole job by touch on a 1024 x 768 tablet", async ({ browser, server }) => {
  test.setTimeout(150_000);
  const context = await browser.newContext({ viewport: { width: 1024, height: 768 }, hasTouch: true });
  const page = await context.newPage();
  const wrong: string[] = [];
  page.on("pageerror", (e) => wrong.push(e.message));
  const tap = async (name: string | RegExp, exact = false) => page.getByRole("button", { name, exact }).first().tap();
  await page.goto(`${server.url}/`);
  const href = await page.locator('[data-job="H-2419"]').getAttribute("href");
  const id = href!.split("/")[2]!;
  await page.locator('[data-job="H-2419"]').tap();
  await page.waitForURL("**/match");
  await expect(page.locator("html[data-ready]")).toHaveCount(1);
  await tap("TQ116WHA-R02");
  await expect(page.getByRole("button", { name: "TQ116WHA-R02" }).first()).toHaveAttribute("aria-pressed", "true");
  const order = page.locator("[data-plate]").first();
  const box = (await order.boundingBox())!;
  await page.mouse.move(box.x + 40, box.y + 20);
  await page.mouse.down();
  await page.waitForTimeout(1000);
  await page.mouse.up();
  await page.getByLabel("Code on the label that came").fill("TQ116WHA-R02");
  await tap("Check in");
  await expect(page.getByText("Checked in")).toBeVisible();
  await new Bench(page, server.url).lookAtArrival("tap");
  await page.locator('nav a[href$="/plan"]').tap();
  await page.waitForURL("**/plan");
  await page.locator("[data-plate]").first().tap();
  await expect(page.getByText("Planned.")).toBeVisible();

  await new Bench(page, server.url).followByTouch(/^Job closed$/);
  await expect(page.locator("[data-station] h1")).toHaveText("Job closed");
  await expect(page.locator("html[data-unsent='0']")).toHaveCount(1);
  const events = (
    (await (await page.request.get(`${server.url}/api/jobs/${id}/events?after=0`)).json()) as {
      events: { event: { type: string } }[];
    }
  ).events.map((x) => x.event.type);
  expect(events.at(-1)).toBe("job.closed");
  expect(events.filter((t) => t === "bench.batteryOff").length).toBeGreaterThanOrEqual(3);
  expect(wrong).toEqual([]);
  await context.close();
});

test("export and import into an empty database lose nothing: log, snapshots, photos without their position", async ({
  bench,
  page,
}, info) => {
  const id = await bench.job("H-2417", "open");
  const photo = readFileSync("e2e/fixtures/withPosition.jpg");
  expect(photo.includes(Buffer.from("GPSPROBE"))).toBe(true);
  await bench.key("w");
  await page.getByLabel("What was seen or done").fill("Scratch on the hinge side");
  await page.getByLabel("Photo").setInputFiles({ name: "hinge.jpg", mimeType: "image/jpeg", buffer: photo });
  await page.getByRole("button", { name: "Record the note" }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await bench.settled();
  const zip = await (await page.request.get(`${bench.url}/api/jobs/${id}/export`)).body();
  const files = unzipSync(zip);
  const blob = Object.keys(files).find((n) => n.startsWith("blobs/"))!;
  expect(Buffer.from(files[blob]!).includes(Buffer.from("GPSPROBE"))).toBe(false);

  const { startServer, SCRATCH } = await import("./server");
  const empty = await startServer(`${SCRATCH}/empty-${info.testId}.sqlite`, { HELVANE_SEED: "none" });
  try {
    await page.goto(`${empty.url}/settings`);
    await page.waitForLoadState("networkidle");
    await page.getByLabel("Exported job (zip)").setInputFiles({ name: "job.zip", mimeType: "application/zip", buffer: zip });
    await page.getByRole("button", { name: "Import" }).click();
    await expect(page.getByText(/Imported: \d+ events new/)).toBeVisible();
    const again = unzipSync(await (await page.request.get(`${empty.url}/api/jobs/${id}/export`)).body());
    expect(Object.keys(again).sort()).toEqual(Object.keys(files).sort());
    for (const name of Object.keys(files))
      if (name !== "manifest.json") expect(Buffer.from(again[name]!).equals(Buffer.from(files[name]!)), name).toBe(true);
    await page.goto(`${empty.url}/jobs/${id}/open`);
    await expect(page.locator("[data-station] h1")).toHaveText("Shut the machine down");
  } finally {
    await empty.stop();
  }
});
