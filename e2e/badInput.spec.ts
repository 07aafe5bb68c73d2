import { writeFileSync } from "node:fs";
import { strToU8, unzipSync, zipSync } from "fflate";
import { expect, test } from "./bench";
import { SCRATCH } from "./server";

test("a build file that is empty, broken or absurd is refused with what and where, and the text stays", async ({
  bench,
  page,
}) => {
  await page.goto(`${bench.url}/builds`);
  const box = page.getByLabel(/Or paste it here/);
  const read = page.getByRole("button", { name: "Read the build" });
  const alert = page.locator('.refusal[role="alert"]');
  const tries: [string, RegExp][] = [
    ["", /the file is empty/],
    ["{ not json", /not readable as JSON/],
    ['{"format":"helvane.panel","version":1}', /expected "helvane.build"/],
    ['{"format":"helvane.build","version":9}', /read 9, this Helvane reads versions 1, 2 and 3/],
    ['{"format":"helvane.build","version":1,"id":"x","lid":{"widthMm":-4}}', /lid.widthMm/],
  ];
  for (const [text, says] of tries) {
    await box.fill(text);
    await read.click();
    await expect(alert).toContainText(says);
    await expect(alert).toContainText("Nothing was saved");
    await expect(box).toHaveValue(text);
  }
  // Absurd: right shape, blocking that runs in a circle.
  const good = JSON.parse(await (await import("node:fs/promises")).readFile("data/demo/builds/tollund-cairn-11-cb.json", "utf8"));
  good.parts.find((p: { id: string }) => p.id === "bezel").blockedBy = ["panel"];
  await box.fill(JSON.stringify(good));
  await read.click();
  await expect(alert).toContainText(/runs in a circle/);
  const machines = await page.locator(".rows li").allTextContents();
  expect(machines.some((m) => m.includes("version 2"))).toBe(false);
});

test("an unknown label text says what each line is, and stays", async ({ bench, page }) => {
  await bench.job("H-2424", "identify");
  await page.getByLabel("Label text, whole or in part").fill("S/N 7Q20417753\n2024-07-31\nMade with care");
  await page.locator("[data-plate]").click();
  await expect(bench.refusal).toContainText("No line reads as a panel code");
  await expect(bench.refusal).toContainText('"S/N 7Q20417753" is the serial');
  await expect(page.getByLabel("Label text, whole or in part")).toHaveValue(/Made with care/);
});

test("a broken import names the file in it and what is wrong; nothing is saved", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  const good = unzipSync(new Uint8Array(await (await page.request.get(`${bench.url}/api/jobs/${id}/export`)).body()));
  const snap = Object.keys(good).find((n) => n.startsWith("snapshots/"))!;
  const log = JSON.parse(new TextDecoder().decode(good["log.json"]!));
  const cases: [string, Uint8Array, RegExp][] = [
    ["text.zip", strToU8("not a zip at all"), /not readable as a zip/],
    ["empty.zip", zipSync({}), /manifest.json.*missing/],
    ["format.zip", zipSync({ ...good, "manifest.json": strToU8('{"format":"other"}') }), /expected "helvane.job"/],
    ["changed.zip", zipSync({ ...good, [snap]: strToU8('{"kind":"panel","data":{"id":"x"}}') }), /does not match its name/],
    ["missing.zip", zipSync(Object.fromEntries(Object.entries(good).filter(([n]) => n !== snap))), /relies on snapshot/],
    [
      "event.zip",
      zipSync({ ...good, "log.json": strToU8(JSON.stringify([{ ...log[0], type: "open.magic" }])) }),
      /event type "open.magic" is not one this Helvane knows/,
    ],
    ["stray.zip", zipSync({ ...good, "../../etc/passwd": strToU8("x") }), /does not belong in an exported job/],
  ];
  await page.goto(`${bench.url}/settings`);
  for (const [name, bytes, says] of cases) {
    await page.getByLabel("Exported job (zip)").setInputFiles({ name, mimeType: "application/zip", buffer: Buffer.from(bytes) });
    await page.getByRole("button", { name: "Import" }).click();
    await expect(page.locator(`.refusal[role="alert"]`)).toContainText(says, { timeout: 30_000 });
  }
  await page.goto(bench.url);
  await expect(page.locator("[data-job]")).toHaveCount(7);
});

test("an event of an unknown type, a newer version, a wrong payload: 400, named, nothing stored", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  const before = await bench.events(id);
  const base = {
    id: "01900000-0000-7000-8000-000000000abc",
    jobId: id,
    v: 1,
    who: "B",
    device: "dev-bad",
    clock: `${String(Date.now()).padStart(15, "0")}-000000`,
    seen: 0,
  };
  const post = async (event: unknown) => {
    const res = await page.request.post(`${bench.url}/api/jobs/${id}/events`, { data: { via: "live", events: [event] } });
    return { status: res.status(), text: JSON.stringify(await res.json()) };
  };
  const tries: [unknown, RegExp][] = [
    [{ ...base, type: "open.magic", payload: {} }, /open\.magic.*not one this Helvane knows/],
    [{ ...base, type: "open.screwOut", v: 7, payload: { screw: "b1" } }, /version 7; this Helvane reads up to 1/],
    [{ ...base, type: "open.screwOut", payload: { screw: "" } }, /open\.screwOut, field .*screw/],
    [{ ...base, type: "open.screwOut", payload: { screw: "b1", step: 3 } }, /step/],
    [{ ...base, type: "open.screwOut", payload: { screw: "b1" }, clock: "yesterday" }, /hybrid clock/],
    ["nonsense", /event/],
  ];
  for (const [event, says] of tries) {
    const r = await post(event);
    expect(r.status).toBe(400);
    expect(r.text).toMatch(says);
  }
  expect(await bench.events(id)).toEqual(before);
});

test("a 50 MB upload is refused early, by every door, in words", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  const big = Buffer.alloc(50_000_000, 1);
  const file = `${SCRATCH}/huge.jpg`;
  writeFileSync(file, big);
  await bench.key("w");
  await page.getByLabel("What was seen or done").fill("A large one");
  await page.getByLabel("Photo").setInputFiles(file);
  await page.getByRole("button", { name: "Record the note" }).click();
  await expect(page.locator('.refusal[role="alert"]')).toContainText("huge.jpg is 50 MB");
  await expect(page.getByLabel("What was seen or done")).toHaveValue("A large one");
  await page.keyboard.press("Escape");
  for (const [path, type] of [
    ["/api/blobs", "image/jpeg"],
    ["/api/import", "application/zip"],
    ["/api/builds", "application/json"],
    [`/api/jobs/${id}/events`, "application/json"],
  ] as const) {
    const res = await fetch(bench.url + path, { method: "POST", headers: { "content-type": type }, body: big }).catch(() => null);
    expect(res?.status, path).toBe(413);
    expect(await res!.text()).toMatch(/larger than \d+ MB.*Nothing was saved/);
  }
});

test("what is no picture is refused as a photo, and the note is kept", async ({ bench, page }) => {
  await bench.job("H-2417", "open");
  await bench.key("w");
  await page.getByLabel("What was seen or done").fill("Looks odd");
  await page.getByLabel("Photo").setInputFiles({ name: "notes.jpg", mimeType: "image/jpeg", buffer: Buffer.from("hello") });
  await page.getByRole("button", { name: "Record the note" }).click();
  await expect(page.locator('.refusal[role="alert"]')).toContainText("notes.jpg is not a picture");
  await expect(page.getByLabel("What was seen or done")).toHaveValue("Looks odd");
});
