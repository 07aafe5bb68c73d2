import { writeFileSync } from "node:fs";
import { judgeTouch, readDotCode, readTouchCode, tilesOf } from "@/core/proof";
import { closeUpPhoto } from "../tests/closeUpPhoto";
import { expect, test } from "./bench";
import { png } from "./png";

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
  await expect(main).toHaveAttribute("data-stage", "draw");
  await draw(page, null);
  await expect(main).toContainText("100 %");
});

test("the file of the stick runs from a folder without any server, and its code says the same", async ({ bench, page }, info) => {
  const html = await (await page.request.get(`${bench.url}/pattern.html?w=309&h=174`)).text();
  const file = info.outputPath("patterns.html");
  writeFileSync(file, html);
  await page.goto(`file://${file}`);
  await page.keyboard.press("t");
  const said = page.locator("main .say");
  await expect(said).toContainText("Draw over the whole glass");
  await drawOn(page, "main", [18, 18]);
  await expect(said).toContainText("97 %");
  await page.getByRole("button", { name: "Hands off: watch for ghost taps" }).click();
  await page.evaluate(() =>
    document
      .querySelector("main")!
      .dispatchEvent(new PointerEvent("pointerdown", { pointerType: "touch", bubbles: true, clientX: 9, clientY: 9 })),
  );
  await expect(said).toContainText("1 taps");
  const seconds = async () => Number(/\d+:(\d\d) watched/.exec((await said.textContent()) ?? "")?.[1] ?? -1);
  await expect.poll(seconds).toBeGreaterThanOrEqual(1);
  await page.reload();
  await expect(said).toContainText("1 taps");
  await page.getByRole("button", { name: "Done: show the code" }).click();
  const code = (await page.locator("[data-code]").textContent())!.trim();
  const read = readTouchCode(code);
  expect(read, code).toMatchObject({ ok: true, result: { coveredPerMille: 974, missed: 22, columns: 1, rows: 0, ghosts: 1 } });
  expect(read.ok && read.result.watchedS).toBeGreaterThanOrEqual(1);
  // Back to the patterns, which go on by tap and key.
  await page.getByRole("button", { name: "Back to the patterns" }).click();
  await page.keyboard.press("ArrowRight");
  await expect(page.locator("main .hint")).toContainText("Red");
});

test("ruled lines, sides and fingers: the best of each counts, the code is longer, and the bench asks again for a slip", async ({
  bench,
  page,
}) => {
  await page.goto(`${bench.url}/pattern/touch?w=309&h=174`);
  await expect(page.locator("main")).toHaveAttribute("data-stage", "draw");
  await draw(page, null);
  await page.getByRole("button", { name: "Next: ruled lines" }).click();
  const main = page.locator("main");
  await expect(main).toContainText("open: diagonal down");
  /** Along a line in mm, with a wobble across it; a sample each 10 ms of the page's clock. */
  const along = (id: number, from: [number, number], to: [number, number], wobble: number) =>
    page.evaluate(
      ([id, from, to, wobble]) => {
        const el = document.querySelector("main")!;
        const n = 60;
        for (let i = 0; i <= n; i++) {
          const f = i / n;
          const off = wobble * Math.sin(f * 62 * Math.PI);
          const x = ((from[0] + f * (to[0] - from[0])) / 309) * el.clientWidth;
          const y = ((from[1] + f * (to[1] - from[1]) + off) / 174) * el.clientHeight;
          const kind = i === 0 ? "pointerdown" : i === n ? "pointerup" : "pointermove";
          const e = new PointerEvent(kind, {
            pointerType: "touch",
            pointerId: id,
            buttons: 1,
            bubbles: true,
            clientX: x,
            clientY: y,
          });
          Object.defineProperty(e, "timeStamp", { value: 1000 + id * 5000 + i * 10 });
          el.dispatchEvent(e);
        }
      },
      [id, from, to, wobble] as const,
    );
  await along(1, [10, 10], [299, 10], 4);
  await expect(main).toContainText(/top edge 3\.\d mm|top edge 4\.\d mm/);
  // Drawn once more, better: that one counts.
  await along(2, [10, 10], [299, 10], 1);
  await expect(main).toContainText(/top edge (0\.9|1\.0) mm/);
  await along(3, [10, 10], [299, 164], 2);
  await along(4, [2, 90], [80, 90], 0);
  await expect(main.getByRole("listitem").filter({ hasText: /^in from left$/ })).toBeVisible();
  await page.getByRole("button", { name: "Next: fingers" }).click();
  await page.evaluate(() =>
    document.querySelector("main")!.dispatchEvent(
      new PointerEvent("pointerdown", {
        pointerType: "touch",
        pointerId: 9,
        buttons: 1,
        bubbles: true,
        clientX: 200,
        clientY: 200,
      }),
    ),
  );
  await expect(main).toContainText(/1 of \d held together/);
  await page.getByRole("button", { name: "Done: show the code" }).click();
  const read = readTouchCode((await page.locator("[data-code]").textContent())!.trim());
  if (!read.ok) throw new Error(read.problem);
  expect(read.result).toMatchObject({
    coveredPerMille: 1000,
    lines: { fingers: 1, sides: [true, false, false, false], slow: false },
  });
  expect(read.result.lines!.edgeMm).toBeCloseTo(1, 0);
  expect(read.result.lines!.insideMm).toBeGreaterThan(1.5);
  const judged = judgeTouch(read.result);
  expect(judged.verdict).toBe("unclear");
  expect(judged.again.join()).toMatch(/again, slowly, along a ruler.*Nothing came in from right, top, bottom/);
});

test("dots marked on the machine come back as a code, and are taken over at the bench with their kinds", async ({
  bench,
  page,
}, info) => {
  test.setTimeout(120_000);
  await page.goto(`${bench.url}/pattern/touch?w=309&h=174&dots`);
  const main = page.locator("main");
  await expect(main).toHaveAttribute("data-pattern", "black");
  const at = async (x: number, y: number) => {
    const box = (await main.boundingBox())!;
    await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
  };
  // A stuck blue sub-pixel: on black, red and green. A second mark is taken away by a tap on its ring.
  await at(0.25, 0.3);
  await at(0.6, 0.2);
  await expect(main).toContainText("2 marked on all screens");
  await at(0.6, 0.2);
  await expect(main).toContainText("1 marked on all screens");
  await page.keyboard.press("Space");
  await expect(main).toHaveAttribute("data-pattern", "red");
  await at(0.25, 0.3);
  await page.getByRole("button", { name: "Next screen" }).click();
  await at(0.25, 0.3);
  await page.reload();
  await expect(main).toContainText("3 marked on all screens");
  await page.getByRole("button", { name: "Done: show the code" }).click();
  const code = (await page.locator("[data-code]").textContent())!.trim();
  expect(readDotCode(code)).toMatchObject({ ok: true, dots: [{ class: "subPixel", cluster: 0 }] });
  // Loaded again it says the same: places are shares of the screen, drawn or not.
  await page.reload();
  await expect(page.locator("[data-code]")).toHaveText(code);

  const id = await bench.job("H-2417", "prove");
  await bench.ahead(id, /^Prove it open/);
  const faults = page.getByRole("region", { name: "Pixel faults" });
  await faults.getByLabel("Code of the dots").fill(`${code.slice(0, -1)}${code.endsWith("7") ? "8" : "7"}`);
  await expect(faults).toContainText("Its check character does not agree");
  await faults.getByLabel("Code of the dots").fill(code.toLowerCase());
  await expect(faults.getByRole("status")).toContainText(/sub-pixel fault at \d+(\.\d)?, \d+(\.\d)? mm/);
  await faults.getByRole("button", { name: "Take 1 dot" }).click();
  await expect(faults.getByRole("listitem").filter({ hasText: "sub-pixel fault" })).toContainText("1");

  // A close-up of the first sixth: what stands out is suggested, and counts only once somebody says so.
  const tile = tilesOf(1920, 1080)[0]!;
  const { photo } = closeUpPhoto({
    tile,
    screen: [1, 1, 1],
    stuck: [{ x: 201, y: 302, lit: false, subs: ["R", "G", "B"] }],
    pxPerPx: 3.2,
    seed: 4,
    fine: 6,
    straight: true,
  });
  const file = info.outputPath("close-up.png");
  writeFileSync(file, png(photo));
  await faults.getByText("Close-ups suggest dots, a sixth at a time").click();
  const close = faults.getByRole("group", { name: "Close-up", exact: true });
  await close.getByLabel("Close-up").setInputFiles(file);
  await close.getByRole("button", { name: "Look for dots" }).click();
  await expect(close.getByRole("status").last()).toContainText(/1 to look at, 3\.\d photo pixels/, { timeout: 60_000 });
  await close.getByRole("button", { name: "Seen: count it" }).click();
  await expect(
    faults
      .getByRole("listitem")
      .filter({ hasText: /^.*dark dot/ })
      .last(),
  ).toContainText("1");
  const last = (await bench.events(id)).at(-1)!;
  expect(last).toMatchObject({ type: "prove.faultTapped", payload: { class: "dark" } });
});
