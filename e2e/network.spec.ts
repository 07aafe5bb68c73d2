import { expect, test } from "./bench";
import { benchPorts } from "./server";

test("the bench network is off until a passcode opens it; patterns show there without job data", async ({
  bench,
  page,
  browser,
}) => {
  await page.goto(`${bench.url}/settings`);
  await page.waitForLoadState("load");
  const status = await (await page.request.get(`${bench.url}/api/network`)).json();
  expect(status.on).toBe(false);
  await expect(page.getByRole("heading", { name: /network/i })).toBeVisible();
  await page.getByLabel(/passcode/i).fill("short");
  await page.getByRole("button", { name: /open the bench network/i }).click();
  await expect(page.locator('.refusal[role="alert"]')).toContainText(/6 characters/);
  await page.getByLabel(/passcode/i).fill("paper-lantern");
  await page.getByRole("button", { name: /open the bench network/i }).click();
  await expect(page.getByText("The bench network is open.")).toBeVisible();
  const port = (await (await page.request.get(`${bench.url}/api/network`)).json()).addresses;
  expect(Array.isArray(port)).toBe(true);

  const lan = server(bench.url);
  const other = await browser.newContext();
  const tablet = await other.newPage();
  await tablet.goto(`${lan}/pattern`);
  await expect(tablet.locator("canvas")).toBeVisible();
  expect(await tablet.content()).not.toMatch(/H-24\d\d|Reading Room/);
  await tablet.goto(lan);
  await expect(tablet).toHaveURL(/\/unlock$/);
  expect((await tablet.request.get(`${lan}/api/network`)).status()).toBe(401);
  await tablet.getByLabel(/passcode/i).fill("wrong-word");
  await tablet.keyboard.press("Enter");
  await expect(tablet.getByText("That is not the passcode.")).toBeVisible();
  await tablet.getByLabel("Name of this device").fill("Tablet at bench 2");
  await tablet.getByLabel(/passcode/i).fill("paper-lantern");
  await tablet.keyboard.press("Enter");
  await expect(tablet.locator("[data-job]").first()).toBeVisible();
  // Signed out at the bench, it is turned away at its next step; let in again, it goes on.
  await page.reload();
  const list = page.locator('[data-list="devices"]');
  await expect(list).toContainText("Tablet at bench 2");
  await list.getByRole("button", { name: "Sign out" }).click();
  await expect(page.getByText("That device is signed out.")).toBeVisible();
  await tablet.goto(lan);
  await expect(tablet).toHaveURL(/\/unlock$/);
  await tablet.getByLabel(/passcode/i).fill("paper-lantern");
  await tablet.keyboard.press("Enter");
  await expect(tablet.locator("[data-job]").first()).toBeVisible();
  // It leaves by itself.
  await tablet.goto(`${lan}/settings`);
  await expect(tablet.locator('[data-section="keep"]')).toHaveCount(0);
  await tablet.getByRole("button", { name: "Sign this device out" }).click();
  await expect(tablet).toHaveURL(/\/unlock$/);
  expect((await tablet.request.get(`${lan}/api/network`)).status()).toBe(401);
  expect((await tablet.request.post(`${lan}/api/backup`, { data: {} })).status()).toBe(401);
  const { request } = await import("node:http");
  const named = (host: string) =>
    new Promise<number>(
      (done) => void request(`${lan}/pattern`, { headers: { host } }, (r) => done(r.resume().statusCode ?? 0)).end(),
    );
  expect(await named("evil.example")).toBe(421);
  expect(await named(new URL(lan).host)).toBe(200);
  await page.getByRole("button", { name: "Close it" }).click();
  await expect(page.getByText(/bench network is closed/)).toBeVisible();
  expect(
    await fetch(`${lan}/pattern`).then(
      (r) => r.status,
      () => "closed",
    ),
  ).toBe("closed");
  await other.close();
});
const server = (url: string) => url.replace(/:(\d+)$/, (_, p) => `:${benchPorts.get(Number(p))}`);

test("a foreign host, a foreign origin and a form post are refused", async ({ server }) => {
  const { request } = await import("node:http");
  const ask = (headers: Record<string, string>, method = "GET", path = "/") =>
    new Promise<number>((done, fail) => {
      const r = request(server.url + path, { method, headers }, (res) => {
        res.resume();
        done(res.statusCode ?? 0);
      });
      r.on("error", fail);
      r.end(method === "POST" ? "{}" : undefined);
    });
  expect(await ask({ host: "evil.example" })).toBe(421);
  expect(await ask({ "content-type": "application/json", origin: "http://evil.example" }, "POST", "/api/builds")).toBe(403);
  expect(await ask({ "content-type": "application/x-www-form-urlencoded" }, "POST", "/api/builds")).toBe(415);
  expect(await ask({ "content-type": "application/json", "sec-fetch-site": "cross-site" }, "POST", "/api/network")).toBe(403);
});

test("files that never come past the proxy say what they are, too", async ({ server }) => {
  const html = await (await fetch(`${server.url}/pattern`)).text();
  const script = /src="(\/_next\/static\/[^"]+\.js)"/.exec(html)![1]!;
  expect((await fetch(server.url + script)).headers.get("x-content-type-options")).toBe("nosniff");
});

test("patterns come as one self-contained file", async ({ server, page }) => {
  const res = await page.request.get(`${server.url}/pattern.html`);
  const html = await res.text();
  // The name of SVG is no address anybody asks.
  expect(html.replaceAll("http://www.w3.org/2000/svg", "")).not.toMatch(/https?:\/\/|src=|@import|<link/);
  await page.setContent(html);
  await expect(page.locator("canvas")).toBeVisible();
  await page.keyboard.press("ArrowRight");
  await expect(page.locator("main .hint")).toContainText("Red");
});
