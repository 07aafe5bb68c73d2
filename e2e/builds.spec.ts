import { expect, test } from "./bench";

test("a machine nobody knows: looks, family, template, a screw and a part put in, saved, and its job is planned", async ({
  bench,
  page,
}) => {
  test.setTimeout(120_000);
  await page.goto(`${bench.url}/builds/new`);
  await page.waitForLoadState("networkidle");
  await page.getByLabel("Machine").fill("Nonesuch Moor 15");
  await page.getByRole("button", { name: /Several doors and a drive bay underneath\? Yes/ }).click();
  await page.getByRole("button", { name: /A cover strip above the keys or at the hinges\? Yes/ }).click();
  await expect(page.getByRole("region", { name: "Families" }).locator("li").first()).toContainText("Deep teardown");
  await page.getByRole("button", { name: "Start from the template of family H" }).click();
  await expect(page.getByRole("heading", { name: "Nonesuch Moor 15" })).toBeVisible();
  const plan = page.getByRole("region", { name: "Plan", exact: true });
  await expect(plan).toContainText("38 steps out");

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
  await expect(plan).toContainText("40 steps out");
  await expect(plan).toContainText("Take out card reader");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(plan).toContainText("38 steps out");
  await page.getByRole("checkbox", { name: "Card reader" }).check();
  // What nobody measured is left open by the template, and known once somebody says so.
  await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Bezel" }).click();
  await expect(plan).toContainText("Look at the bezel first: not known yet");
  await page.getByRole("button", { name: "Known now, as drawn" }).click();
  await expect(plan).toContainText("39 steps out");
  await page.getByRole("button", { name: "Not known: leave it open" }).click();
  await page.getByLabel("Left open: looked at before it is undone").fill("A screw under the badge?");
  await page.keyboard.press("Tab");
  await expect(plan).toContainText("A screw under the badge?");
  await expect(plan).toContainText("40 steps out");
  // By keyboard: what is selected moves by a millimetre.
  await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Card reader" }).click();
  const at = async () => Number(await drawing.locator('[data-thing="card-reader"]').first().getAttribute("x"));
  const before = await at();
  await drawing.focus();
  await page.keyboard.press("ArrowRight");
  expect(await at()).toBe(before + 1);

  // A strip by keyboard alone: the part it holds is selected, Enter lays it there, arrows take it to its place.
  await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Panel", exact: true }).click();
  await page.getByRole("button", { name: "Add tape" }).click();
  await drawing.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("group", { name: "Selected" }).getByLabel("Thick, mm")).toHaveValue("0.2");
  await expect(plan).toContainText(/41 steps out/);
  await expect(plan).toContainText(/Free the (left|right|top|bottom) strip/);
  await page.keyboard.press("ArrowUp");
  await page.getByLabel("Thick, mm").fill("9");
  await page.getByLabel("Tail, mm").focus();
  await expect(page.getByText("0.05 to 3")).toBeVisible();
  await page.getByLabel("Thick, mm").fill("0.35");
  await page.getByLabel("Tail, mm").focus();
  await page.getByRole("group", { name: "Selected" }).getByRole("button", { name: "take away" }).click();
  await expect(plan).toContainText("40 steps out");

  // Where one of two ways is enough, the plan takes the cheaper one.
  await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Card reader" }).click();
  await page.getByText("One of several ways is enough").click();
  await page.getByRole("button", { name: "Free it, or leave it tethered" }).click();
  await page
    .getByRole("group", { name: /Way 1: away first/ })
    .getByRole("checkbox", { name: "Memory cover" })
    .check();
  await expect(plan).toContainText("Lift the memory cover");
  await page.getByRole("group", { name: "Selected" }).getByLabel("Minutes").last().fill("0.1");
  await page.keyboard.press("Tab");
  await expect(plan).toContainText("Leave the lead on, laid safe");
  await expect(plan).not.toContainText("Lift the memory cover");
  for (let i = 0; i < 3; i++) await page.getByRole("button", { name: "Undo" }).click();
  await expect(plan).toContainText("40 steps out");

  // How an edge may be entered.
  await page.getByText(/Pry map of the lid/).click();
  await bench.choose("Top edge", "no");
  await page
    .getByRole("group")
    .filter({ has: page.getByLabel("Top edge") })
    .getByLabel("Behind it")
    .first()
    .fill("Camera lead");
  await page.keyboard.press("Tab");

  // A photo at its place, named with what is selected.
  await page.getByRole("button", { name: "Base", exact: true }).click();
  await page.getByRole("button", { name: "Add photos" }).click();
  await page.mouse.click(box.x + 260, box.y + 220);
  const here = page.getByRole("group", { name: "Photo here" });
  await here.getByLabel(/What it shows at/).fill("Clip behind the reader");
  await here.getByRole("button", { name: "Add photo" }).click();
  await expect(here).toContainText("Choose a picture first");
  await here.locator('input[type="file"]').setInputFiles("e2e/fixtures/withPosition.jpg");
  await here.getByRole("button", { name: "Add photo" }).click();
  await expect(page.getByRole("group", { name: "Selected" }).getByRole("img", { name: "Clip behind the reader" })).toBeVisible();
  await page.getByRole("button", { name: /Add this machine/ }).click();
  await page.waitForURL("**/builds/nonesuch-moor-15");

  const id = await bench.newJob("Nonesuch Moor 15");
  await bench.station(id, "plan");
  await expect(bench.step).toContainText("40 steps out");
  // What the build keeps of a place is shown at its step.
  await page.locator("[data-plate]").click();
  await expect(page.getByText("Planned.")).toBeVisible();
  await bench.station(id, "open");
  await bench.press(/^Take out card reader/);
  await expect(page.getByRole("list", { name: "Photos of this place" })).toContainText("Clip behind the reader");
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

  // What is drawn and not saved outlives the page.
  await page.getByRole("button", { name: "Base", exact: true }).click();
  await page.getByLabel("New part on the base").fill("Card reader");
  await page.getByRole("button", { name: "Add part" }).click();
  await page.reload();
  await page.getByRole("button", { name: "Take it up" }).click();
  await expect(page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Card reader" })).toBeVisible();
  await page.getByRole("button", { name: /Save the build/ }).click();
  await expect(page.getByText(/Saved as version 2/)).toBeVisible();
  await page.reload();
  await expect(page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Card reader" })).toBeVisible();
  await expect(page.getByRole("button", { name: "Take it up" })).toHaveCount(0);

  // A job that was planned before hears of it, and goes over to it while the machine is whole.
  await bench.job("H-2417", "plan");
  await expect(bench.step).toContainText("15 steps out");
  await expect(page.getByText("The build of this machine was changed since.")).toBeVisible();
  await page.getByRole("button", { name: "Plan it anew" }).click();
  await expect(page.getByText("The build of this machine was changed since.")).toHaveCount(0);
  await bench.settled();
  await expect(bench.step).toContainText("15 steps out");
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

test("what lies over a plug is told by pointing at it on the drawing; what cannot be is said", async ({ bench, page }) => {
  await page.goto(`${bench.url}/builds/ostrel-kestrel-14`);
  const drawing = page.getByRole("region", { name: "Drawing" });
  await drawing.getByRole("button", { name: "Lid", exact: true }).click();
  await drawing.getByRole("button", { name: "What lies over it" }).click();
  const part = drawing.locator('[data-kind="part"][data-thing="bezel"]').first();
  await part.click({ position: { x: 3, y: 80 } });
  await expect(page.getByText("Select first what lies underneath, then point at what lies over it.")).toBeVisible();
  await drawing.getByRole("button", { name: "Select and move" }).click();
  await drawing.locator('[data-kind="connector"]').first().click();
  const under = page.getByRole("group", { name: "Lies under" });
  const before = await under.getByRole("checkbox", { name: /bezel/i }).getAttribute("aria-checked");
  await drawing.getByRole("button", { name: "What lies over it" }).click();
  await part.click({ position: { x: 3, y: 80 } });
  await expect(page.getByText(/^Bezel lies over it( no longer)?\.$/)).toBeVisible();
  await expect(under.getByRole("checkbox", { name: /bezel/i })).not.toHaveAttribute("aria-checked", before!);
});
