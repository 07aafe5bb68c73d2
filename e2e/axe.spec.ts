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
  "/procedures",
  "/panels",
  "/panels/gv140fhb-k36",
  "/panels/new",
  "/panels/import",
  "/settings",
  "/likelihoods",
  "/closed",
  "/stock",
  "/figures",
  "/sellers",
  "/machines/KS14-0B85-S21",
  "/pattern",
  "/pattern/touch",
  "/nowhere",
];

/** One width in `npm test`, for time; all four in `npm run bench -- screens`. */
const WIDTHS = process.env.HELVANE_ALL_WIDTHS ? [390, 1024, 1920, 1280] : [1280];
if (WIDTHS.length > 1) test.setTimeout(1_200_000);

/** What axe finds against WCAG 2.2 A and AA, gathered over the screens looked at. Dim is the same page in other colours. */
async function looker(bench: Bench, theme: "light" | "dim") {
  const { page } = bench;
  await page.context().addCookies([{ name: "helvane-theme", value: theme, url: bench.url }]);
  const found: string[] = [];
  const look = async (name: string) => {
    for (const width of WIDTHS) {
      if (WIDTHS.length > 1) await page.setViewportSize({ width, height: width < 500 ? 844 : 800 });
      await lookOnce(WIDTHS.length > 1 ? `${width} ${name}` : name);
    }
  };
  const lookOnce = async (name: string) => {
    const axe = new AxeBuilder({ page }).options({ resultTypes: ["violations"] });
    const r = await (theme === "dim"
      ? axe.withRules(["color-contrast", "link-in-text-block"])
      : axe.withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"])
    ).analyze();
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

/** A screen of every kind by its address. */
async function desk(bench: Bench, look: (name: string) => Promise<void>, paths: readonly string[]) {
  for (const path of paths) {
    await bench.page.goto(bench.url + path);
    await bench.page.waitForLoadState("load");
    await look(path);
  }
}

async function stations(bench: Bench, look: (name: string) => Promise<void>, number: string) {
  const id = await bench.job(number, "triage");
  for (const station of STATIONS) {
    await bench.station(id, station);
    await look(`${number} ${station}`);
  }
  for (const sheet of ["handover", "pause"]) {
    await bench.page.goto(`${bench.url}/jobs/${id}/${sheet}`);
    await look(`${number} ${sheet}`);
  }
  return id;
}

/** Dialogs, the way through a job, and the stop that takes every station. */
async function onTheWay(bench: Bench, look: (name: string) => Promise<void>, far: boolean) {
  const { page } = bench;
  const id = await bench.job("H-2417", "open");
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
  if (far) {
    await bench.ahead(id, /Start it with the panel/);
    await look("loose test");
    await bench.ahead(id, /Hand over/);
    await look("hand over step");
  }
  await bench.key("c");
  await page.getByRole("button", { name: "Swollen battery" }).click();
  await expect(bench.step).toHaveText("Swollen battery");
  await look("safety stop");
}

test("axe finds no violation on any page of the desk", async ({ bench, page }) => {
  if (WIDTHS.length === 1) test.setTimeout(120_000);
  const { found, look } = await looker(bench, "light");
  await desk(bench, look, PAGES);
  await page.goto(`${bench.url}/builds/ostrel-kestrel-14`);
  await page.waitForLoadState("networkidle");
  await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Bezel" }).click();
  await page.getByText("One of several ways is enough").click();
  await page.getByRole("button", { name: "Free it, or leave it tethered" }).click();
  await page.getByText(/Pry map of the lid/).click();
  await look("build, a part open");
  expect(found).toEqual([]);
});

test("axe finds no violation at any station", async ({ bench, page }) => {
  if (WIDTHS.length === 1) test.setTimeout(150_000);
  const { found, look } = await looker(bench, "light");
  const id = await stations(bench, look, "H-2417");
  await bench.station(id, "triage");
  for (const tab of ["Meter", "Condition", "Price"]) {
    await page.getByRole("tab", { name: tab }).click();
    await page.waitForTimeout(150);
    await look(`triage ${tab}`);
  }
  expect(found).toEqual([]);
});

test("axe finds no violation in dialogs and on the way through a job", async ({ bench }) => {
  if (WIDTHS.length === 1) test.setTimeout(150_000);
  const { found, look } = await looker(bench, "light");
  await onTheWay(bench, look, true);
  expect(found).toEqual([]);
});

test("axe finds every text readable in dim, at the desk, at the stations and in dialogs", async ({ bench }) => {
  if (WIDTHS.length === 1) test.setTimeout(150_000);
  const { found, look } = await looker(bench, "dim");
  await desk(bench, look, ["/", "/builds/new", "/builds/ostrel-kestrel-14", "/panels/gv140fhb-k36", "/settings"]);
  await stations(bench, look, "H-2419");
  await onTheWay(bench, look, false);
  expect(found).toEqual([]);
});
