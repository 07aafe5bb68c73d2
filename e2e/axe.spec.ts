import AxeBuilder from "@axe-core/playwright";
import { type Bench, expect, test } from "./bench";

const STATIONS = ["triage", "identify", "match", "plan", "open", "swap", "bond", "prove", "close"];
const PAGES = [
  "/",
  "/new",
  "/builds",
  "/builds/new",
  "/builds/ostrel-kestrel-14",
  "/builds/ostrel-kestrel-14/rehearse",
  "/panels",
  "/panels/gv140fhb-k36",
  "/panels/new",
  "/panels/import",
  "/settings",
  "/likelihoods",
  "/pattern",
  "/nowhere",
];

/** What axe finds against WCAG 2.2 A and AA, gathered over the screens looked at. */
async function looker(bench: Bench, theme: string) {
  const { page } = bench;
  await page.context().addCookies([{ name: "helvane-theme", value: theme, url: bench.url }]);
  const found: string[] = [];
  const look = async (name: string) => {
    const r = await new AxeBuilder({ page })
      .options({ resultTypes: ["violations"] })
      .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"])
      .analyze();
    for (const v of r.violations)
      found.push(
        `${name}: ${v.id} (${v.help}) at ${v.nodes
          .map((n) => n.target.join(" "))
          .slice(0, 3)
          .join(" | ")}`,
      );
  };
  return { found, look };
}

/** Every screen in both themes, in tests of their own so that they run beside each other. */
for (const theme of ["light", "dim"] as const) {
  test(`axe finds no violation on any page of the desk, ${theme}`, async ({ bench, page }) => {
    test.setTimeout(120_000);
    const { found, look } = await looker(bench, theme);
    // In dim the same parts in other colours: one page of each make.
    const pages =
      theme === "light" ? PAGES : ["/", "/builds/new", "/builds/ostrel-kestrel-14", "/panels/gv140fhb-k36", "/settings"];
    for (const path of pages) {
      await page.goto(bench.url + path);
      await page.waitForLoadState("load");
      await look(path);
    }
    expect(found).toEqual([]);
  });

  test(`axe finds no violation at any station, ${theme}`, async ({ bench, page }) => {
    test.setTimeout(150_000);
    const { found, look } = await looker(bench, theme);
    const number = theme === "light" ? "H-2417" : "H-2419";
    const id = await bench.job(number, "triage");
    for (const station of STATIONS) {
      await bench.station(id, station);
      await look(`${number} ${station}`);
      if (station !== "triage" || theme === "dim") continue;
      for (const tab of ["Meter", "Condition", "Price"]) {
        await page.getByRole("tab", { name: tab }).click();
        await page.waitForTimeout(150);
        await look(`${number} triage ${tab}`);
      }
    }
    await page.goto(`${bench.url}/jobs/${id}/handover`);
    await look("hand-over");
    await page.goto(`${bench.url}/jobs/${id}/pause`);
    await look("pause card");
    expect(found).toEqual([]);
  });

  test(`axe finds no violation in dialogs and on the way through a job, ${theme}`, async ({ bench, page }) => {
    test.setTimeout(150_000);
    const { found, look } = await looker(bench, theme);
    await bench.job("H-2417", "open");
    for (const key of ["x", "c", "w", "?"]) {
      await bench.key(key);
      await expect(page.getByRole("dialog")).toBeVisible();
      await look(`dialog ${key}`);
      await page.keyboard.press("Escape");
      await expect(page.getByRole("dialog")).toHaveCount(0);
    }
    await page.getByRole("button", { name: "Found something" }).click();
    await look("found something");
    await page.keyboard.press("Escape");
    await bench.letGo();
    await bench.follow(/Start it with the panel|Prove it open/);
    await look("loose test");
    if (theme === "light") {
      await bench.follow(/Hand over/);
      await look("hand over step");
    }
    await bench.key("c");
    await page.getByRole("button", { name: "Swollen battery" }).click();
    await expect(bench.step).toHaveText("Swollen battery");
    await look("safety stop");
    expect(found).toEqual([]);
  });
}
