import { expect, test } from "./bench";

const HEAD = "code,source,diagonal_in,outline_width_mm,outline_height_mm,contacts,pitch_mm,family";
const row = (i: number): string =>
  i === 20
    ? "GV140FHB-K31,S,14,315.8,195.8,40,0.5,eDP"
    : i % 500 === 7
      ? `ZQ140F${i}-B,D,14,31x,195.8,30,0.5,eDP`
      : i % 500 === 8
        ? `ZQ140F${i}-B,D,14,315.8,195.8,30,0.5,HDMI`
        : `ZQ140F${String(i).padStart(5, "0")}-A,D,14,315.8,195.8,30,0.5,eDP`;

test("a table of 10,000 rows with errors in it: tried first, told row by row, taken over, and the bench works on", async ({
  bench,
  page,
}) => {
  test.setTimeout(120_000);
  const id = await bench.newJob("Ostrel Kestrel 14");
  await page.goto(`${bench.url}/panels/import`);
  await page.getByLabel("File").setInputFiles({
    name: "stock.csv",
    mimeType: "text/csv",
    buffer: Buffer.from([HEAD, ...Array.from({ length: 10_000 }, (_, i) => row(i))].join("\r\n")),
  });
  await page.getByRole("button", { name: /Read it as a trial/ }).click();
  await expect(page.getByText(/Reading: \d+ rows so far/)).toBeVisible();
  const noted = await bench.actElsewhere(id, "job.noted", { text: "while a table is read" });
  expect(noted.status).toBe(200);
  await expect(page.getByText("10000 rows read. Nothing is changed yet.")).toBeVisible({ timeout: 60_000 });
  await page.getByRole("button", { name: "Wrong 40" }).click();
  const first = page.getByRole("list", { name: "Rows" }).locator("li").first();
  await expect(first).toContainText("row 9");
  await expect(first).toContainText('outline_width_mm: "31x" is not a number');
  await page.getByRole("button", { name: "Against the record 1" }).click();
  await expect(first).toContainText("contacts; both are kept");
  // A reload loses nothing of the dry run.
  await page.reload();
  await expect(page.getByText("10000 rows read. Nothing is changed yet.")).toBeVisible();
  await page.getByRole("button", { name: /Take over 9960 rows/ }).click();
  await page.getByRole("button", { name: "Take them over" }).click();
  await expect(page.getByText(/Taken over: 9960 panels written/)).toBeVisible();

  await page.goto(`${bench.url}/panels`);
  await page.getByLabel("Find by code, spare-part number or machine").fill("ZQ14OFO1234-A");
  await expect(page.getByRole("list", { name: "Found" }).getByRole("link", { name: "ZQ140F01234-A" })).toBeVisible();
  await page.goto(`${bench.url}/panels/gv140fhb-k31`);
  const disputed = page.getByRole("group", { name: "Sources disagree" });
  await expect(disputed).toContainText("Contacts");
  await expect(page.getByLabel("Contacts", { exact: true })).toHaveValue("30");
  await disputed.getByRole("button", { name: /Keep 30/ }).click();
  await expect(disputed).toHaveCount(0);
  await page.getByRole("button", { name: /Save the panel/ }).click();
  await expect(page.getByText("Saved as version 3.")).toBeVisible();
});

test("the editor names what is wrong, keeps what was typed, and never writes over a newer version", async ({ bench, page }) => {
  await page.goto(`${bench.url}/panels/gv140fhb-k36`);
  await page.waitForLoadState("networkidle");
  await page.getByLabel("Outline, mm, height").fill("19x");
  await expect(page.getByText('"19x" is not a number')).toBeVisible();
  await page.getByRole("button", { name: /Save the panel/ }).click();
  await expect(page.getByRole("alert").getByText("Not saved: mend what is marked.")).toBeVisible();
  await page.reload();
  await expect(page.getByLabel("Outline, mm, height")).toHaveValue("19x");
  await page.getByLabel("Outline, mm, height").fill("194.6");
  // Somebody else saves meanwhile.
  const url = `${bench.url}/api/panels/gv140fhb-k36`;
  const { panel, version } = await (await page.request.get(url)).json();
  const other = { ...panel, thicknessMm: { value: 2.7, source: "M" } };
  expect((await page.request.put(url, { data: { panel: other, version } })).status()).toBe(200);
  await page.getByRole("button", { name: /Save the panel/ }).click();
  const stale = page.getByRole("alert").filter({ hasText: "was changed meanwhile" });
  await expect(stale).toContainText("Thickness, mm: now 2.7 (measured)");
  await expect(page.getByLabel("Outline, mm, height")).toHaveValue("194.6");
  await stale.locator("li", { hasText: "Thickness" }).getByRole("button", { name: "take theirs" }).click();
  await stale.getByRole("button", { name: /Seen: go on from version 2/ }).click();
  await page.getByRole("button", { name: /Save the panel/ }).click();
  await expect(page.getByText("Saved as version 3.")).toBeVisible();
  const now = (await (await page.request.get(url)).json()).panel;
  expect(now.thicknessMm.value).toBe(2.7);
  expect(now.outline.value.heightMm).toBe(194.6);
});

test("a new panel is added from what was measured, everything else unknown", async ({ bench, page }) => {
  await page.goto(`${bench.url}/panels/new`);
  await page.waitForLoadState("networkidle");
  await page.getByLabel("Part code").fill("QH140FHZ-T77");
  await page.getByLabel("Outline, mm, width").fill("312.4");
  await page.getByLabel("Outline, mm, height").fill("190.1");
  await page.getByLabel("Contacts", { exact: true }).fill("30");
  await page.getByRole("button", { name: /Add the panel/ }).click();
  await page.waitForURL("**/panels/qh140fhz-t77");
  // Its own page has taken the place of the form, and says what was done.
  await expect(page.getByRole("button", { name: /Save the panel/ })).toBeVisible();
  await expect(page.getByRole("status").filter({ hasText: "Saved as version 1." })).toBeVisible();
  const { panel } = await (await page.request.get(`${bench.url}/api/panels/qh140fhz-t77`)).json();
  expect(panel.contacts).toEqual({ value: 30, source: "M" });
  expect(panel.family.value).toBeNull();
});
