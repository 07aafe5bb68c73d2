import { writeFileSync } from "node:fs";
import { readTouchCode } from "@/core/proof";
import { expect, test } from "./bench";

/** A finger over the glass: one sample a cell, but for a band across that gives nothing. */
const draw = (page: import("@playwright/test").Page, dead: [number, number] | null) => drawOn(page, "main", dead);
async function drawOn(page: import("@playwright/test").Page, on: string, dead: [number, number] | null): Promise<void> {
  await page.evaluate(
    ([band, on]) => {
      const el = document.querySelector(on)!;
      const [nx, ny] = [39, 22];
      const r = el.getBoundingClientRect();
      for (let j = 0; j < ny; j++)
        for (let i = 0; i < nx; i++) {
          if (band && i >= band[0] && i <= band[1]) continue;
          el.dispatchEvent(
            new PointerEvent(i === 0 ? "pointerdown" : "pointermove", {
              pointerType: "touch",
              pointerId: 7,
              buttons: 1,
              bubbles: true,
              clientX: r.left + ((i + 0.5) / nx) * r.width,
              clientY: r.top + ((j + 0.5) / ny) * r.height,
            }),
          );
        }
    },
    [dead, on] as const,
  );
}

test("a dead stripe and a ghost watch come back from the machine over a short code", async ({ bench, page }) => {
  await page.goto(`${bench.url}/pattern/touch?w=309&h=174`);
  const main = page.locator("main");
  await expect(main).toHaveAttribute("data-stage", "draw");
  await draw(page, [18, 18]);
  await expect(main).toContainText("97 %");
  await expect(main).toContainText("22 cells missing");
  await page.getByRole("button", { name: "Hands off: watch for ghost taps" }).click();
  await expect(main).toContainText(/more, if nothing comes/);
  await page.evaluate(() =>
    document
      .querySelector("main")!
      .dispatchEvent(new PointerEvent("pointerdown", { pointerType: "touch", bubbles: true, clientX: 9, clientY: 9 })),
  );
  await expect(main).toContainText("1 taps");
  // Loaded again in the middle of the watch: what was drawn, watched and tapped is there, and it goes on.
  const watched = async () => {
    const m = /(\d+):(\d\d)/.exec((await main.textContent()) ?? "")!;
    return Number(m[1]) * 60 + Number(m[2]);
  };
  await expect.poll(watched).toBeGreaterThanOrEqual(2);
  const before = await watched();
  await page.reload();
  await expect(main).toHaveAttribute("data-stage", "watch");
  await expect(main).toContainText("1 taps");
  await expect.poll(watched).toBeGreaterThan(before);
  await page.getByRole("button", { name: "Done: show the code" }).click();
  const code = (await page.locator("[data-code]").textContent())!.trim();
  expect(code).toMatch(/^[0-9A-Z]{4}-[0-9A-Z]{4}-[0-9A-Z]{4}-.$/);

  const read = readTouchCode(code);
  expect(read.ok && { ...read.result, watchedS: 0 }).toEqual({
    coveredPerMille: 974,
    missed: 22,
    columns: 1,
    rows: 0,
    watchedS: 0,
    ghosts: 1,
  });
  await page.getByRole("button", { name: "Begin anew" }).click();
  await expect(main).toContainText("0 %");

  // Nobody says how large it is: a usual glass, and the whole of it answers.
  await page.goto(`${bench.url}/pattern/touch`);
  await draw(page, null);
  await expect(main).toContainText("100 %");
});

test("the file of the stick runs from a folder without any server, and its code says the same", async ({ bench, page }, info) => {
  const html = await (await page.request.get(`${bench.url}/pattern.html?w=309&h=174`)).text();
  const file = info.outputPath("patterns.html");
  writeFileSync(file, html);
  await page.goto(`file://${file}`);
  await page.keyboard.press("t");
  const said = page.locator("section");
  await expect(said).toContainText("Draw over the whole glass");
  await drawOn(page, "body", [18, 18]);
  await expect(said).toContainText("97 %");
  await page.getByRole("button", { name: "Hands off: watch for ghost taps" }).click();
  await page.evaluate(() =>
    document.body.dispatchEvent(new PointerEvent("pointerdown", { pointerType: "touch", bubbles: true, clientX: 9, clientY: 9 })),
  );
  await expect(said).toContainText("1 taps");
  const seconds = async () => Number(/ (\d+) s watched/.exec((await said.textContent()) ?? "")?.[1] ?? -1);
  await expect.poll(seconds).toBeGreaterThanOrEqual(1);
  await page.reload();
  await expect(said).toContainText("1 taps");
  await page.getByRole("button", { name: "Done: show the code" }).click();
  const code = (await said.locator("b").textContent())!.trim();
  const read = readTouchCode(code);
  expect(read, code).toMatchObject({ ok: true, result: { coveredPerMille: 974, missed: 22, columns: 1, rows: 0, ghosts: 1 } });
  expect(read.ok && read.result.watchedS).toBeGreaterThanOrEqual(1);
  // Back to the patterns, which go on by tap and key.
  await page.getByRole("button", { name: "Back to the patterns" }).click();
  await page.keyboard.press("ArrowRight");
  await expect(page.locator("body > p")).toContainText("Black");
});
