import { expect, test } from "./bench";

test("a machine nobody knows: looks, family, template, a screw and a part put in, saved, and its job is planned", async ({
  bench,
  page,
}) => {
  test.setTimeout(60_000);
  await page.goto(`${bench.url}/builds/new`);
  await page.waitForLoadState("networkidle");
  await page.getByLabel("Machine").fill("Nonesuch Moor 15");
  await page.getByRole("button", { name: /Several doors and a drive bay underneath\? Yes/ }).click();
  await page.getByRole("button", { name: /A cover strip above the keys or at the hinges\? Yes/ }).click();
  await expect(page.getByRole("region", { name: "Families" }).locator("li").first()).toContainText("Deep teardown");
  await page.getByRole("button", { name: "Start from the template of family H" }).click();
  await expect(page.getByRole("heading", { name: "Nonesuch Moor 15" })).toBeVisible();
  const plan = page.getByRole("region", { name: "Plan", exact: true });
  await expect(plan).toContainText("34 steps out");

  // A part of its own, a screw in it, and the palm rest comes after it: the plan changes at once.
  await page.getByLabel("New part on the base").fill("Card reader");
  await page.getByRole("button", { name: "Add part" }).click();
  await page.getByRole("button", { name: "Add screws" }).click();
  const drawing = page.getByRole("application");
  const box = (await drawing.boundingBox())!;
  await page.mouse.click(box.x + 200, box.y + 200);
  await page.getByRole("button", { name: "Select and move" }).click();
  await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Palm rest" }).click();
  await page.getByRole("checkbox", { name: "Card reader" }).check();
  await expect(plan).toContainText("36 steps out");
  await expect(plan).toContainText("Take out card reader");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(plan).toContainText("34 steps out");
  await page.getByRole("checkbox", { name: "Card reader" }).check();
  // By keyboard: what is selected moves by a millimetre.
  await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Card reader" }).click();
  const at = async () => Number(await drawing.locator('[data-thing="card-reader"] rect').first().getAttribute("x"));
  const before = await at();
  await drawing.focus();
  await page.keyboard.press("ArrowRight");
  expect(await at()).toBe(before + 1);
  await page.getByRole("button", { name: /Add this machine/ }).click();
  await page.waitForURL("**/builds/nonesuch-moor-15");

  const id = await bench.newJob("Nonesuch Moor 15");
  await bench.station(id, "plan");
  await expect(bench.step).toContainText("36 steps out");
});

test("an edit that cannot be is told where, and is not saved", async ({ bench, page }) => {
  await page.goto(`${bench.url}/builds/ostrel-kestrel-14`);
  await page.waitForLoadState("networkidle");
  await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Hinge strip" }).click();
  await page.getByRole("checkbox", { name: "Bezel" }).check();
  await expect(page.getByRole("region", { name: "Plan", exact: true })).toContainText("blocking runs in a circle");
  await page.getByRole("button", { name: /Save the build/ }).click();
  await expect(page.getByRole("alert").filter({ hasText: "Nothing was saved" })).toContainText("circle");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("region", { name: "Plan", exact: true })).toContainText("steps out");
});

test("the rehearsal: a wrong pick is answered with what would have happened, and is kept; the right ones lead out", async ({
  bench,
  page,
}) => {
  await page.goto(`${bench.url}/builds/tollund-cairn-11-cb/rehearse`);
  await page.waitForLoadState("networkidle");
  const picks = page.getByRole("list", { name: "Pick the next step" });
  await expect(picks.getByRole("button", { name: "Shut the machine down" })).toBeVisible();
  await picks.getByRole("button").filter({ hasNotText: "Shut the machine down" }).first().click();
  await expect(page.getByRole("alert").filter({ hasText: "not now" })).toBeVisible();
  await expect(page.getByRole("region", { name: "Weak points" })).toContainText("once");
  await picks.getByRole("button", { name: "Shut the machine down" }).click();
  await expect(page.getByRole("region", { name: "Done so far" })).toContainText("Shut the machine down");
  for (let i = 0; i < 60 && (await picks.count()); i++) {
    const before = await page.getByRole("region", { name: "Done so far" }).locator("li").count();
    for (const b of await picks.getByRole("button").all()) {
      await b.click();
      if ((await page.getByRole("region", { name: "Done so far" }).locator("li").count()) > before) break;
    }
  }
  await expect(page.getByRole("heading", { name: "The panel is out" })).toBeVisible();
  await page.reload();
  await expect(page.getByText(/best run \d+ %/)).toBeVisible();
});
