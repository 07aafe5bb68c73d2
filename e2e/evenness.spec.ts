import { photoOf, type Shot, type TruePanel } from "../tests/panelPhoto";
import { expect, test } from "./bench";
import { png } from "./png";

const still: Omit<Shot, "seed"> = {
  width: 1200,
  height: 900,
  at: [15, -10, 560],
  aim: [0, 0],
  focalPx: 1150,
  lens: [-0.3, -0.08],
};

test("evenness from photos: the same aim twice is refused, then two aims are measured and recorded with their range", async ({
  bench,
  page,
}) => {
  test.setTimeout(180_000);
  const id = await bench.job("H-2417", "prove");
  await bench.ahead(id, /^Prove it open/);
  const box = page.getByRole("region", { name: "Evenness by photo" });
  await expect(box).toBeVisible();
  // The panel of the demo job: 309 mm wide.
  const panel: TruePanel = {
    widthMm: 309.4,
    heightMm: 174,
    slope: [0.02, 0],
    falls: [0.03, 0.02],
    sources: [{ x: 40, depth: 0.25 }],
  };
  const photo = (s: Shot) => ({ name: `p${s.seed}.png`, mimeType: "image/png", buffer: png(photoOf(panel, s)) });
  // The two of the lit screen; those of the black one lie folded behind them.
  const files = box.locator('input[type="file"]:visible');
  const left = photo({ ...still, aim: [62, 48], seed: 1 });
  await files.nth(0).setInputFiles(left);
  // Its corners are found; one is moved by key and by hand under the loupe, and put back where it was.
  const corner = box.getByRole("button", { name: /^Corner top left/ });
  const at = async () => (await corner.getAttribute("aria-label"))!.match(/\d+/g)!.slice(0, 2).map(Number);
  await expect(corner).toBeVisible({ timeout: 30_000 });
  const found = await at();
  await corner.focus();
  await expect(box.locator("[data-loupe]")).toBeVisible();
  for (const k of ["ArrowRight", "ArrowRight", "ArrowDown"]) await page.keyboard.press(k);
  expect(await at()).toEqual([found[0]! + 2, found[1]! + 1]);
  const b = (await corner.boundingBox())!;
  await page.mouse.move(b.x + b.width / 2, b.y + b.height / 2);
  await page.mouse.down();
  await page.mouse.move(b.x + b.width / 2 + 30, b.y + b.height / 2 + 12, { steps: 3 });
  await page.mouse.up();
  expect((await at())[0]).toBeGreaterThan(found[0]! + 40);
  await corner.focus();
  const off = [(await at())[0]! - found[0]!, (await at())[1]! - found[1]!] as const;
  for (const [n, plus, minus] of [
    [off[0], "ArrowRight", "ArrowLeft"],
    [off[1], "ArrowDown", "ArrowUp"],
  ] as const) {
    for (let i = 0; i < Math.floor(Math.abs(n) / 10); i++) await page.keyboard.press(`Shift+${n > 0 ? minus : plus}`);
    for (let i = 0; i < Math.abs(n) % 10; i++) await page.keyboard.press(n > 0 ? minus : plus);
  }
  expect(await at()).toEqual(found);
  await files.nth(1).setInputFiles({ ...left, name: "again.png" });
  await box.getByRole("button", { name: "Measure" }).click();
  await expect(box.getByRole("alert")).toContainText(/Aim further apart/, { timeout: 60_000 });
  await files.nth(1).setInputFiles(photo({ ...still, aim: [-58, -46], seed: 2 }));
  await box.getByRole("button", { name: "Measure" }).click();
  await expect(box.getByRole("list", { name: "Figures" })).toContainText(/9 points, least over most/, { timeout: 60_000 });
  await expect(box).toContainText("Not even enough");
  await expect(box.getByRole("list", { name: "Figures" })).toContainText(/dip in the light at the bottom edge/);
  await expect(box.getByRole("button", { name: "Record: even enough" })).toBeDisabled();
  await box.getByRole("button", { name: "Record: not even" }).click();
  await bench.settled();
  const last = (await bench.events(id)).at(-1)!;
  expect(last).toMatchObject({ type: "prove.checkDone", payload: { check: "evennessPhoto", result: "fail" } });
  expect(String(last.payload.note)).toMatch(/5 points \d+ ± \d+ %, 9 points \d+ ± \d+ %; dip in the light/);
});

test("no phone at hand: the simulated one takes both aims and the strip, and its truth is told after the verdict", async ({
  bench,
  page,
}) => {
  test.setTimeout(180_000);
  const id = await bench.job("H-2417", "prove");
  await bench.ahead(id, /^Prove it open/);
  const box = page.getByRole("region", { name: "Evenness by photo" });
  await expect(box).toBeVisible();
  await box.getByRole("button", { name: "Take all three with the simulated phone" }).click();
  await expect(box.getByRole("button", { name: /^Corner top left/ })).toHaveCount(2, { timeout: 60_000 });
  await box.getByRole("button", { name: "Measure", exact: true }).click();
  const figures = box.getByRole("list", { name: "Figures" });
  await expect(figures).toBeVisible({ timeout: 60_000 });
  await expect(box).toContainText(/Tone curve from the step strip/);
  const [, ratio, two] = /9 points, least over most\s*(\d+\.\d) ± (\d+\.\d) %/.exec((await figures.textContent())!)!;
  const truth = Number(/truly has (\d+\.\d) %/.exec((await box.textContent())!)![1]);
  expect(Math.abs(Number(ratio) - truth)).toBeLessThan(Math.max(1, 1.5 * Number(two)));
  // A photo of one's own instead: nobody knows its truth.
  await box
    .locator('input[type="file"]:visible')
    .first()
    .setInputFiles({ name: "none.png", mimeType: "image/png", buffer: Buffer.from("no") });
  await expect(box.getByText(/truly has/)).toHaveCount(0);
});
