import type { JobPageReply } from "@/wire/jobPage";
import { expect, test } from "./bench";

/** CSS pixels to a millimetre. */
const PX = 96 / 25.4;

/** The tape of a job: told figures first, then the pair as measured; chosen, cut at true size, laid, and gone from its roll. */
test("tape is chosen for the gap, measured again, cut at true size, laid, and taken off its roll", async ({ bench, page }) => {
  test.setTimeout(180_000);
  const id = await bench.job("H-2417", "plan");
  if (await bench.plate.isVisible()) {
    await bench.letGo();
    await bench.key("Space");
  }
  await expect(page.getByText("Planned.")).toBeVisible();
  await bench.settled();
  const tape = page.getByRole("region", { name: "Tape for this gap" });
  await expect(tape.locator("[data-verdict]")).toBeVisible();
  // What cannot be is told, and what was typed stays.
  await tape.getByLabel("Pocket measured, mm").fill("abc");
  await expect(tape.getByRole("alert")).toContainText('Pocket: read "abc", expected 0.1 to 20 mm');
  await expect(tape.getByLabel("Pocket measured, mm")).toHaveValue("abc");
  // A gap of 0.56 mm less 0.46 of foam: 0.10 below the rim, sure with a calliper.
  await tape.getByLabel("Pocket measured, mm").fill("3,16");
  await tape.getByLabel("Panel measured, mm").fill("2.60");
  await expect(tape.locator("[data-verdict]")).toHaveAttribute("data-verdict", "fits");
  await expect(tape.locator('[data-plies="0.5"]')).toContainText("0.10 mm below the rim");
  await tape.getByRole("button", { name: /^Use 0.5 mm/ }).click();
  await expect(tape.getByRole("button", { name: /^Use 0.5 mm/ })).toHaveText("In use");
  await expect(tape.locator('[data-roll="R-04-1"]')).toContainText("drawer 2, left");
  // A gap nothing here fills is no choice.
  await tape.getByLabel("Pocket measured, mm").fill("5.4");
  await expect(tape.locator("[data-verdict]")).toHaveAttribute("data-verdict", "none");
  await expect(tape.getByRole("button", { name: /^Use/ }).first()).toBeDisabled();
  await tape.getByLabel("Pocket measured, mm").fill("3.16");
  await bench.settled();
  const chosen = (await bench.events(id)).find((e) => e.type === "plan.tapeChosen")!;
  expect(chosen.payload).toMatchObject({ pliesMm: [0.5], pocketMm: 3.16, panelMm: 2.6 });

  // The sheet as it prints, measured: the bar is 100 mm, every strip its length, to a twentieth of a millimetre.
  const build = (await (await page.request.get(`${bench.url}/api/jobs/${id}/cuts?format=svg`)).text()) ?? "";
  const sheet = await page.context().newPage();
  await sheet.setContent(`<body style="margin:0">${build}</body>`);
  const box = async (sel: string) =>
    await sheet.locator(sel).evaluateAll((all) => all.map((e) => e.getBoundingClientRect().toJSON() as DOMRect));
  const [bar] = await box("[data-bar]");
  expect(Math.abs(bar!.width / PX - 100)).toBeLessThan(0.05);
  const strips = await box("[data-strip]");
  const words = await sheet.locator("text").allTextContents();
  const told = words.flatMap((w) => {
    const m = /^T\d+: .* edge, ([\d.]+) × ([\d.]+) mm(?:, tail ([\d.]+) mm)?/.exec(w);
    return m && !/from [\d.]+ mm on|Goes on below/.test(w) ? [Number(m[2]) + Number(m[3] ?? 0)] : [];
  });
  expect(strips.length).toBeGreaterThan(0);
  expect(told.length).toBe(strips.length);
  for (const [i, s] of strips.entries()) expect(Math.abs(s.width / PX - told[i]!), words.join("\n")).toBeLessThan(0.05);
  await sheet.close();
  const pdf = await (await page.request.get(`${bench.url}/api/jobs/${id}/cuts`)).body();
  expect(pdf.toString("latin1")).toContain("/PrintScaling /None");
  expect((await page.request.get(`${bench.url}/api/jobs/${id}/cuts?paper=a5`)).status()).toBe(400);
  expect((await page.request.get(`${bench.url}/api/jobs/${id}/cuts?format=svg&page=7`)).status()).toBe(404);

  // Laid, what it takes is gone from the roll it was cut from; what else is chosen afterwards is refused.
  const left = async () => {
    const reply = (await (await page.request.get(`${bench.url}/api/jobs/${id}/page`)).json()) as JobPageReply;
    return reply.reference.rolls.find((r) => r.lot === "R-04-1")!.leftMm;
  };
  const before = await left();
  await bench.ahead(id, /^Lay tape T1/);
  await expect(page.getByRole("region", { name: "Tape for this gap" })).toBeVisible();
  await bench.letGo();
  await bench.key("Space");
  await expect(bench.step).toHaveText(/^Lay tape T2/);
  await bench.settled();
  expect(await left()).toBeLessThan(before - told[0]!);
  expect(await left()).toBeGreaterThan(before - told[0]! - 5);
  const late = await bench.actElsewhere(id, "plan.tapeChosen", { widthMm: 4, pliesMm: [0.3] });
  expect(late.reason).toMatch(/laid already/);
});

test("tape past its date is a question: a strip of it is peeled first, and what it said stands in the job", async ({
  bench,
  page,
}) => {
  const STOCK = "00000000-0000-4000-8000-0000000057c0";
  const put = async (type: string, payload: unknown) =>
    expect((await bench.actElsewhere(STOCK, type, payload)).reason).toBeNull();
  await put("stock.scrapped", { item: "tape/4x0.5", count: 500, lot: "R-04-1", why: "dusty" });
  await put("stock.received", { item: "tape/4x0.5", lot: "R-OLD", count: 5000, place: "drawer 2", expires: "2024-01-28" });
  const id = await bench.job("H-2417", "plan");
  if (await bench.plate.isVisible()) {
    await bench.letGo();
    await bench.key("Space");
  }
  await bench.settled();
  const tape = page.getByRole("region", { name: "Tape for this gap" });
  await tape.getByLabel("Pocket measured, mm").fill("3.16");
  await tape.getByLabel("Panel measured, mm").fill("2.60");
  const use = tape.getByRole("button", { name: /^Use 0.5 mm/ });
  await expect(tape.locator('[data-plies="0.5"]')).toContainText("R-OLD is over its date");
  await use.click();
  // Asked, not taken: and asked again it folds away.
  await expect(tape.getByText("Peel a strip of R-OLD first")).toBeVisible();
  await expect(use).toHaveText("Use");
  await use.click();
  await expect(tape.getByText("Peel a strip of R-OLD first")).toHaveCount(0);
  await use.click();
  await tape.getByRole("button", { name: "It held" }).click();
  await expect(use).toHaveText("In use");
  await bench.settled();
  const chosen = (await bench.events(id)).filter((e) => e.type === "plan.tapeChosen").at(-1)!;
  expect(chosen.payload).toMatchObject({ pliesMm: [0.5], peeled: ["R-OLD"] });
});
