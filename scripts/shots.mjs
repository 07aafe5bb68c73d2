#!/usr/bin/env node
// `npm run shots`: one picture of each main view at 1280 x 800, from the demo data, at a fixed clock.
import { execFileSync, spawn } from "node:child_process";
import { mkdirSync, rmSync } from "node:fs";
import { build, checkNode, chromium as needChromium, packages, say } from "./prepare.mjs";

checkNode();
await packages();
await needChromium();
await build();
const { chromium } = await import("@playwright/test");
const NOW = "2026-06-10T08:12:00.000Z";
const PORT = process.env.PORT ?? "4291";
const DB = ".e2e/shots.sqlite";
mkdirSync(".e2e", { recursive: true });
mkdirSync("docs/screenshots", { recursive: true });
for (const tail of ["", "-wal", "-shm"]) rmSync(DB + tail, { force: true });
// Copies of the shop before it would speak for one that was lost.
rmSync(".e2e/shots-backups", { recursive: true, force: true });
const server = spawn(process.execPath, ["scripts/serve.mjs"], {
  env: { ...process.env, NODE_ENV: "production", PORT, HELVANE_DB: DB, HELVANE_NOW: NOW, HELVANE_SEED: "year", TZ: "UTC" },
  stdio: "inherit",
});
process.on("exit", () => server.kill());
const url = `http://127.0.0.1:${PORT}`;
for (
  let i = 0;
  i < 200 &&
  !(await fetch(`${url}/api/health`).then(
    (r) => r.ok,
    () => false,
  ));
  i++
)
  await new Promise((r) => setTimeout(r, 100));

const browser = await chromium.launch({
  executablePath: execFileSync("which", ["chromium"], { encoding: "utf8" }).trim(),
  args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"],
});
const only = process.argv.slice(2);
const open = async (theme = "light", viewport = { width: 1280, height: 800 }) => {
  const context = await browser.newContext({ viewport, timezoneId: "UTC", locale: "en-GB" });
  await context.addCookies([
    { name: "helvane-theme", value: theme, url },
    { name: "helvane-tour", value: "read", url },
  ]);
  const page = await context.newPage();
  page.setDefaultTimeout(8000);
  await page.clock.setFixedTime(new Date(NOW));
  return page;
};
const settle = async (page) => {
  await page.waitForLoadState("load");
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(250);
};
const take = async (page, name) => {
  if (only.length && !only.includes(name)) return;
  await settle(page);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  say(`docs/screenshots/${name}.png`);
};
const ids = {};
const page = await open();
await page.goto(url);
for (const n of ["H-2417", "H-2419", "H-2421", "H-2424", "H-2411"])
  ids[n] = (await page.locator(`[data-job="${n}"]`).getAttribute("href")).split("/")[2];
const go = async (p, number, station) => {
  await p.goto(`${url}/jobs/${ids[number]}/${station}`);
  await p.locator("html[data-ready]").waitFor();
};
const press = async (p, key) => {
  await p.keyboard.press(key);
  await p.waitForTimeout(70);
};
/** Follows the plan with the plate until the step's title matches. */
const follow = async (p, number, title) => {
  for (let i = 0; i < 160; i++) {
    if (title.test((await p.locator("[data-station] h1").textContent()) ?? "")) return;
    const now = (
      await p
        .locator('nav [data-s="now"]')
        .getAttribute("href", { timeout: 400 })
        .catch(() => null)
    )
      ?.split("/")
      .at(-1);
    if (now && !p.url().endsWith(`/${now}`)) await go(p, number, now);
    if (title.test((await p.locator("[data-station] h1").textContent()) ?? "")) return;
    await press(p, "Space");
  }
  throw new Error(`never came to ${title}`);
};

await take(page, "bench");
await page.goto(`${url}/stock`);
await page.locator("html[data-ready]").waitFor();
await take(page, "stock");
await page.goto(`${url}/figures`);
await page.locator(".recharts-surface").first().waitFor();
await take(page, "figures");
await go(page, "H-2424", "triage");
await page.getByRole("button", { name: "A torch at an angle shows a faint image: Yes" }).click();
await page.getByRole("combobox", { name: /^Backlight/ }).click();
await page.locator('[role="option"][data-value="led"]').click();
await page.locator(".col").evaluate((c) => c.scrollTo(0, 0));
await take(page, "triage");
await page.getByRole("tab", { name: "Price" }).click();
await take(page, "quote");
await go(page, "H-2419", "identify");
await page.getByLabel("Label text, whole or in part").fill("TQ116WHA-RO2\nS/N 7Q20417753\n2024 W31");
await take(page, "identify");
await page.goto(`${url}/new`);
await page.getByLabel("Customer").fill("Reading Room, desk 2");
await page.getByLabel("Machine", { exact: true }).fill("Ostrel Kestrel 14");
await page.keyboard.press("Enter");
await page.waitForURL("**/triage");
await page.locator("html[data-ready]").waitFor();
await page.getByRole("button", { name: "Cracks in the glass: Yes" }).click();
await page.getByRole("button", { name: "It is the panel", exact: true }).click();
await page.getByText("Concluded: it is the panel.").waitFor();
ids.fresh = new URL(page.url()).pathname.split("/")[2];
await page.waitForTimeout(400);
await go(page, "fresh", "identify");
await page.getByLabel("Label text, whole or in part").fill("GV140FHB-K31");
await page.locator("[data-plate]").click();
await page.getByText("In the catalogue.", { exact: false }).first().waitFor();
await page.waitForTimeout(400);
await go(page, "fresh", "match");
await page.getByRole("button", { name: "GV140FHB-K36" }).click();
await page.evaluate(() => document.activeElement?.blur());
await take(page, "match");
await go(page, "H-2417", "plan");
await take(page, "plan");
await follow(page, "H-2417", /Take out 6 base screws/);
for (let i = 0; i < 3; i++) await press(page, "Space");
await take(page, "open");
const phone = await open("light", { width: 390, height: 844 });
await go(phone, "H-2417", "open");
await take(phone, "phone-open");
await follow(page, "H-2417", /Pull the left tab/);
await go(page, "H-2417", "bond");
await follow(page, "H-2417", /Take off display plug/);
await press(page, "x");
await page.getByRole("button", { name: "Mains in" }).click();
await press(page, "Space");
await press(page, "Backspace");
await follow(page, "H-2417", /Put on display plug/);
await take(page, "swap");
await follow(page, "H-2417", /Start it with the panel/);
await follow(page, "H-2417", /Pull liner T2/);
await take(page, "bond");
await follow(page, "H-2417", /Prove it open/);
for (let i = 0; i < 2; i++) await press(page, "Space");
await page.getByLabel("Kind").click();
await page.locator('[role="option"][data-value="dark"]').click();
await page.getByRole("button", { name: "Add" }).click();
await page.evaluate(() => document.activeElement?.blur());
const dim = await open("dim");
await go(dim, "H-2417", "prove");
await take(dim, "prove-dim");
await follow(page, "H-2417", /Put back 6 base screws/);
await press(page, "2");
await take(page, "close");
await follow(page, "H-2417", /Job closed/);
await page.goto(`${url}/jobs/${ids["H-2417"]}/handover`);
await take(page, "hand-over");
await page.goto(`${url}/builds/marrick-holm-15`);
await page.waitForLoadState("networkidle");
await page.getByRole("group", { name: "Parts" }).getByRole("button", { name: "Palm rest" }).click();
await take(page, "build");
await page.goto(`${url}/builds/pellow-lune-13/rehearse`);
await page.waitForLoadState("networkidle");
await page.getByRole("button").filter({ hasNotText: "Shut the machine down" }).first().click();
await take(page, "rehearse");
await page.goto(`${url}/panels/gv140fhb-k36`);
await page.waitForLoadState("networkidle");
await take(page, "panel");
await page.goto(`${url}/panels`);
await page.waitForLoadState("networkidle");
await take(page, "panels");
await browser.close();
process.exit(0);
