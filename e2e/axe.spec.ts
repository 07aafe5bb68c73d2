import AxeBuilder from "@axe-core/playwright";
import { expect, test } from "./bench";

const STATIONS = ["triage", "identify", "match", "plan", "open", "swap", "bond", "prove", "close"];

/** Every screen against WCAG 2.2 A and AA. */
for (const theme of ["light", "dim"] as const)
  test(`axe finds no violation on any screen, ${theme}`, async ({ bench, page }) => {
    test.setTimeout(180_000);
    await page.context().addCookies([{ name: "helvane-theme", value: theme, url: bench.url }]);
    const found: string[] = [];
    const look = async (name: string) => {
      const r = await new AxeBuilder({ page }).withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]).analyze();
      for (const v of r.violations)
        found.push(
          `${name}: ${v.id} (${v.help}) at ${v.nodes
            .map((n) => n.target.join(" "))
            .slice(0, 3)
            .join(" | ")}`,
        );
    };
    for (const path of ["/", "/new", "/builds", "/settings", "/likelihoods", "/pattern", "/nowhere"]) {
      await page.goto(bench.url + path);
      await page.waitForLoadState("load");
      await look(path);
    }
    const jobs = theme === "light" ? ["H-2417", "H-2411", "H-2424"] : ["H-2417", "H-2419"];
    for (const number of jobs) {
      const id = await bench.job(number, "triage");
      for (const station of STATIONS) {
        await bench.station(id, station);
        await look(`${number} ${station}`);
        if (station !== "triage" || number === "H-2411") continue;
        for (const tab of ["Meter", "Condition", "Price"]) {
          await page.getByRole("tab", { name: tab }).click();
          await page.waitForTimeout(150);
          await look(`${number} triage ${tab}`);
        }
      }
      if (number !== "H-2417") continue;
      await page.goto(`${bench.url}/jobs/${id}/handover`);
      await look("hand-over");
      await bench.station(id, "open");
      for (const key of ["x", "c", "w", "?"]) {
        await bench.key(key);
        await expect(page.getByRole("dialog")).toBeVisible();
        await look(`dialog ${key}`);
        await page.keyboard.press("Escape");
        await expect(page.getByRole("dialog")).toHaveCount(0);
      }
      await bench.follow(/Start it with the panel|Prove it open/);
      await look("loose test");
      await bench.follow(/Prove it open/);
      await look("prove");
      await bench.follow(/Hand over/);
      await look("hand over step");
      await bench.key("c");
      await page.getByRole("button", { name: "Swollen battery" }).click();
      await expect(bench.step).toHaveText("Swollen battery");
      await look("safety stop");
    }
    expect(found).toEqual([]);
  });
