import { expect, test } from "./bench";

/** A finger over the glass: one sample a cell, but for a band across that gives nothing. */
async function draw(page: import("@playwright/test").Page, dead: [number, number] | null): Promise<void> {
  await page.evaluate((band) => {
    const el = document.querySelector("main")!;
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
  }, dead);
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
  await page.getByRole("button", { name: "Done: show the code" }).click();
  const code = (await page.locator("[data-code]").textContent())!.trim();
  expect(code).toMatch(/^[0-9A-Z]{4}-[0-9A-Z]{4}-[0-9A-Z]{4}-.$/);

  // Nobody says how large it is: a usual glass, and the whole of it answers.
  await page.goto(`${bench.url}/pattern/touch`);
  await draw(page, null);
  await expect(main).toContainText("100 %");
});
