import { expect, test } from "./bench";

const STOCK = "00000000-0000-4000-8000-0000000057c0";

/** The page of the stock, ready for keys. */
async function stock(page: import("@playwright/test").Page, url: string) {
  await page.goto(`${url}/stock`);
  await expect(page.locator("html[data-ready]")).toHaveCount(1);
  await page.waitForLoadState("load");
}
const thing = (page: import("@playwright/test").Page, item: string) => page.locator(`[data-item="${item}"]`);

test("a roll that ends in the middle of a cut list: short is said with its jobs, more used than the books hold is said, and taken back", async ({
  bench,
  page,
}) => {
  await stock(page, bench.url);
  const roll = thing(page, "tape/4x0.5");
  // Two demo jobs will lay 372 mm each, 0.5 m is left.
  await expect(roll).toContainText("0.24 m short");
  await roll.click();
  const side = page.locator('[data-side="item"]');
  await expect(side).toContainText("H-2417 (0.37 m)");
  await bench.key("k");
  await side.getByLabel("Metres").fill("0,2");
  await side.getByRole("button", { name: "Record" }).click();
  await expect(roll).toContainText("0.54 m short");
  await bench.settled();
  await bench.key("u");
  await side.getByLabel("Metres").fill("0.3");
  await side.getByRole("button", { name: "Record" }).click();
  await bench.settled();
  await page.keyboard.press("Escape");
  const beyond = page.getByRole("region", { name: "Beyond the books" });
  await expect(beyond).toContainText("0.10 m of Tape 4 × 0.50 mm used that stock did not hold");
  await bench.key("z");
  await bench.settled();
  await expect(beyond).toHaveCount(0);
  await page.reload();
  await expect(roll).toContainText("0.54 m short");
  const log = await bench.events(STOCK);
  expect(log.map((e) => e.type).slice(-3)).toEqual(["stock.counted", "stock.used", "job.takenBack"]);
});

test("an order for jobs and the shelf is placed as advised, arrives in two parcels by its labels, and the rest is cancelled", async ({
  bench,
  page,
}) => {
  await stock(page, bench.url);
  const buy = page.getByRole("region", { name: "What to buy today" });
  await expect(buy).toContainText("Tape 4 × 0.50 mm");
  await expect(buy).toContainText("H-2417, H-2421");
  const plate = buy.locator("[data-plate]");
  const total = Number(/Order, ([\d.]+)/.exec((await plate.textContent()) ?? "")?.[1]);
  const lines = await buy.locator(".buylines b.mono").allTextContents();
  expect(lines.reduce((n, t) => n + Number(t), 0)).toBeCloseTo(total, 2);
  // A tap spends nothing: it has to be held.
  await plate.click();
  await plate.focus();
  await page.keyboard.down("Enter");
  await expect(buy.getByRole("status")).toContainText("B-2 on record");
  await page.keyboard.up("Enter");
  await bench.settled();
  const way = page.locator('[data-order="B-2"]');
  await expect(way).toContainText("Brightwater Panels");
  // Once it is out it is not asked for again.
  await expect(buy.locator("[data-plate]")).toHaveCount(0);

  const old = page.locator('[data-order="B-1"]');
  await old.getByRole("button", { name: "Came" }).first().click();
  const form = page.getByRole("dialog");
  await form.getByRole("button", { name: "Put it on record" }).click();
  await expect(form).toContainText("its label, or a name of your own");
  await form.getByLabel("Its label").fill("S-M16-3b");
  await form.getByRole("button", { name: "Put it on record" }).click();
  await bench.settled();
  await expect(thing(page, "screw/M1.6x3 csk")).toContainText("23 here");
  await expect(old).toContainText("came");
  await old.getByRole("button", { name: /^Cancel/ }).click();
  await bench.settled();
  await expect(old).toHaveCount(0);
  // The same label again is no second bag.
  await bench.key("a");
  await bench.choose("What came", "part");
  await form.getByLabel("What it is").fill("tab set");
  await form.getByLabel("Its label").fill("S-M16-3b");
  await form.getByRole("button", { name: "Put it on record" }).click();
  await expect(form).toContainText("S-M16-3b is on record already");
});

test("one order for three jobs: chosen in their Match, bought together, put into each, scanned in as two parcels, the third cancelled", async ({
  bench,
  page,
}) => {
  const first = await bench.job("H-2419", "match");
  const told = await bench.events(first);
  // Two more of the same customer's machines stand as far as this one.
  const more: string[] = [];
  for (let k = 0; k < 2; k++) {
    const id = await bench.newJob("Tollund Cairn 11 CB");
    for (const e of told.filter((x) => x.type.startsWith("identify.")))
      expect((await bench.actElsewhere(id, e.type, e.payload)).status).toBe(200);
    more.push(id);
  }
  for (const id of [first, ...more]) {
    await page.goto(`${bench.url}/jobs/${id}/match`);
    await bench.ready("match");
    await page.getByText("TQ116WHA-R03").first().click();
    await page.getByRole("button", { name: "Choose it, and order it with others" }).click();
    await expect(page.getByText("Order it here, or with what other jobs need in")).toBeVisible();
    await bench.settled();
  }
  await stock(page, bench.url);
  const buy = page.getByRole("region", { name: "What to buy today" });
  await expect(buy).toContainText("TQ116WHA-R03");
  await buy.locator("[data-plate]").focus();
  await page.keyboard.down("Enter");
  await expect(buy.getByRole("status")).toContainText("on record: call or write it");
  await page.keyboard.up("Enter");
  await bench.settled();
  // Each job waits for its own line now.
  const ordered = async (id: string) => (await bench.events(id, { now: true })).filter((e) => e.type === "match.ordered");
  for (const id of [first, ...more]) await expect.poll(async () => (await ordered(id)).length).toBe(1);
  const lines = await Promise.all([first, ...more].map(async (id) => (await ordered(id))[0]!.payload.line as string));
  expect(new Set(lines).size).toBe(3);
  const way = page.locator("[data-order]").filter({ hasText: "for H-2419" });
  await expect(way).toContainText("for H-2419");
  await expect(way).not.toContainText("not in the job yet");
  // What comes for those jobs is nobody else's: only the shelf's own is on its way to the shelf.
  await expect(thing(page, "panel/TQ116WHA-R03")).toContainText("1 coming");

  // First parcel: the label is another panel's. It is refused with what it reads, and nothing is lost.
  await bench.scan("TQ116WHA-R03");
  const sheet = page.getByRole("dialog");
  const code = sheet.getByLabel("Code on the label that came");
  await expect(code).toHaveValue("TQ116WHA-R03");
  await code.fill("ZE116XTC-N30");
  await sheet.getByRole("button", { name: /^Put it into/ }).click();
  await expect(sheet.getByRole("alert")).toContainText("The label reads ZE116XTC-N30; ordered was TQ116WHA-R03");
  await expect(sheet.getByRole("button", { name: "Onto the shelf, for nobody" })).toBeVisible();
  await code.fill("TQ116WHA-R03");
  await sheet.getByRole("button", { name: /^Put it into/ }).click();
  await expect(page.getByRole("status").filter({ hasText: "TQ116WHA-R03 came. Look it over in its Match" })).toBeVisible();
  // Second parcel: the next scan goes to the next job.
  await expect(page.locator("[data-order]").getByText(", came")).toHaveCount(1);
  await bench.scan("TQ116WHA-R03");
  await sheet.getByRole("button", { name: /^Put it into/ }).click();
  await expect(page.locator("[data-order]").getByText(", came")).toHaveCount(2);
  const arrived = async () => {
    const all = await Promise.all([first, ...more].map((id) => bench.events(id, { now: true })));
    return all.map((l) => l.some((e) => e.type === "match.arrived"));
  };
  expect((await arrived()).filter(Boolean)).toHaveLength(2);
  // The third is cancelled: in the order, and in the job.
  const left = [first, ...more][(await arrived()).indexOf(false)]!;
  await way.getByRole("button", { name: /^Cancel TQ116WHA-R03 .* for H-/ }).click();
  await expect.poll(async () => (await bench.events(left, { now: true })).some((e) => e.type === "match.returned")).toBe(true);
  await bench.settled();
});

test("a drawer that disagrees is counted by its label; cut off, the count is kept here and goes over by itself", async ({
  bench,
  page,
  context,
}) => {
  await stock(page, bench.url);
  await bench.scan("S-M2-5");
  const side = page.locator('[data-side="item"]');
  await expect(side).toContainText("M2 × 5 pan");
  await context.setOffline(true);
  await side.getByLabel("Pieces").fill("1.5");
  await side.getByRole("button", { name: "Record" }).click();
  await expect(side.getByRole("alert")).toContainText("A whole number of pieces.");
  await side.getByLabel("Pieces").fill("9");
  await side.getByLabel(/What explains it/).fill("three rolled away");
  await side.getByRole("button", { name: "Record" }).click();
  await expect(thing(page, "screw/M2x5 pan")).toContainText("9 here");
  await expect(page.getByRole("status").filter({ hasText: "1 act kept here" })).toBeVisible();
  await context.setOffline(false);
  await bench.settled();
  await page.reload();
  await expect(page.locator("html[data-ready]")).toHaveCount(1);
  await page.waitForLoadState("load");
  await expect(thing(page, "screw/M2x5 pan")).toContainText("9 here");
  // What is not known by its label comes in by it.
  await bench.scan("NEW-LABEL-7");
  await expect(page.getByRole("dialog").getByLabel("Its label")).toHaveValue("NEW-LABEL-7");
});

test("a free panel of the own shelf is offered beside the sellers, and one of unknown state to nobody", async ({
  bench,
  page,
}) => {
  await stock(page, bench.url);
  for (const [lot, state] of [
    ["P-900", "unknown"],
    ["P-901", "new"],
  ] as const) {
    await bench.key("a");
    const form = page.getByRole("dialog");
    await form.getByLabel("Panel code").fill("GV140FHB-K31");
    await form.getByLabel("Its label").fill(lot);
    await bench.choose("State", state);
    await form.getByLabel("Price of one").fill("40");
    await form.getByRole("button", { name: "Put it on record" }).click();
    await bench.settled();
    const id = await bench.job("H-2421", "match");
    const reply = await page.request.get(`${bench.url}/api/jobs/${id}/page?station=match`);
    const { reference } = (await reply.json()) as { reference: { offers: { seller: string; panel: string; stock?: number }[] } };
    const own = reference.offers.filter((o) => o.seller === "Own shelf" && o.panel === "gv140fhb-k31");
    expect(
      own.map((o) => o.stock ?? 0),
      `${lot}, ${state}`,
    ).toEqual(state === "unknown" ? [] : [1]);
    await stock(page, bench.url);
  }
});

test("a panel of the own shelf whose film is off is offered as used", async ({ bench, page }) => {
  // The demo keeps one of this code, its film off, at the seller's own price.
  const id = await bench.job("H-2419", "match");
  const reply = await page.request.get(`${bench.url}/api/jobs/${id}/page?station=match`);
  const { reference } = (await reply.json()) as { reference: { offers: { seller: string; panel: string; condition: string }[] } };
  expect(reference.offers.filter((o) => o.seller === "Own shelf" && o.panel === "gv140fhb-k36").map((o) => o.condition)).toEqual([
    "used",
  ]);
});

test("a wrong panel goes back: the promise moves, says why, and the ways to keep it are priced, the cheapest first", async ({
  bench,
  page,
}) => {
  const id = await bench.job("H-2421", "match");
  const events = await bench.events(id);
  const order = events.find((e) => e.type === "match.ordered")!;
  await bench.actElsewhere(id, "match.arrivalChecked", { item: "code", result: "wrong", note: "another code" });
  await bench.actElsewhere(id, "match.returned", { reason: "wrongPart", note: "", kept: [] });
  await bench.actElsewhere(id, "match.ordered", { ...order.payload, seller: "Norrow Parts", dueDays: 9 });
  await page.goto(bench.url);
  const item = page.getByRole("region", { name: "Promises" }).getByRole("listitem").filter({ hasText: "H-2421" });
  await expect(item).toContainText("Act today");
  await expect(item).toContainText("a panel went back");
  await expect(item).toContainText("the panel of Norrow Parts is on its way");
  const ways = item.locator('[data-rescues="H-2421"]');
  await ways.locator("summary").click();
  const costs = await ways.locator("[data-rescue] .mono").allTextContents();
  expect(costs.length).toBeGreaterThan(2);
  const sorted = [...costs].map(Number).sort((a, b) => a - b);
  expect(costs.map(Number)).toEqual(sorted);
  await ways.getByRole("link", { name: /^Call, and promise anew/ }).click();
  await expect(page.getByRole("button", { name: "Promise that" })).toBeVisible();
});

test("the figures: what is too little to say is said so, tables are CSV, the calendar is off until wanted and its old address dies", async ({
  bench,
  page,
}) => {
  await page.goto(`${bench.url}/figures`);
  await expect(page.getByRole("heading", { name: "How long do jobs take?" })).toBeVisible();
  await expect(page.getByText(/too few to say how long they take/)).toBeVisible();
  const csv = await (await page.request.get(`${bench.url}/api/figures?of=stock`)).text();
  expect(csv.split("\r\n")[0]).toBe("lot,item,left,unit,place,state,tested,good_until,price_minor,came_in,counted");
  expect(csv).toContain("R-04-1,tape/4x0.5,500,mm");
  // Every move of that tape, in and out, comes to what lies there.
  const moves = (await (await page.request.get(`${bench.url}/api/figures?of=moves`)).text()).split("\r\n");
  expect(moves[0]).toBe("at,what,item,count,unit,lot,job,place,price_minor");
  const rows = (text: string[]) => text.map((l) => l.split(","));
  const of = (what: RegExp) =>
    rows(moves)
      .filter((c) => c[2] === "screw/M2x3 wafer" && what.test(c[1]!))
      .reduce((n, c) => n + Number(c[3]), 0);
  const lies = rows(csv.split("\r\n"))
    .filter((c) => c[1] === "screw/M2x3 wafer")
    .reduce((n, c) => n + Number(c[2]), 0);
  expect(of(/received/)).toBeGreaterThan(0);
  expect(of(/received|salvaged/) - of(/used|scrapped/)).toBe(lies);
  expect((await page.request.get(`${bench.url}/api/figures?of=customers`)).status()).toBe(400);
  await page.getByRole("button", { name: "Turn it on" }).click();
  const at = page.locator("[data-calendar]");
  await expect(at).toBeVisible();
  const address = `${bench.url}${await at.getAttribute("data-calendar")}`;
  const feed = await page.request.get(address);
  expect(feed.headers()["content-type"]).toContain("text/calendar");
  const body = await feed.text();
  for (const line of body.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  expect(body).not.toMatch(/[^\r]\n/);
  const unfolded = body.replace(/\r\n[ \t]/g, "");
  const uids = [...unfolded.matchAll(/^UID:(.*)$/gm)].map((m) => m[1]);
  expect(uids.length).toBeGreaterThan(1);
  expect(new Set(uids).size).toBe(uids.length);
  expect(unfolded).toContain("H-2421 promised");
  // What a seller stands for ends on a day of its own.
  expect(unfolded).toMatch(/SUMMARY:H-24\d\d: guarantee of the panel ends/);
  // No customer in a calendar.
  expect(unfolded).not.toContain("Reading Room");
  await page.getByRole("button", { name: "Give it a new address" }).click();
  await expect(at).not.toHaveAttribute("data-calendar", new URL(address).pathname);
  expect((await page.request.get(address)).status()).toBe(404);
  await page.getByRole("button", { name: "Turn it off" }).click();
  await expect(at).toHaveCount(0);
});

test("a seller asked after an order answers short, wrong, late or not at all: said against what was ordered, kept only when told", async ({
  bench,
  page,
}) => {
  const tell = (failure: string) => page.request.put(`${bench.url}/api/feed`, { data: { failure } });
  await stock(page, bench.url);
  const old = page.locator('[data-order="B-1"]');
  const ask = async () => {
    await old.getByRole("button", { name: /^Ask / }).click();
  };
  await tell("outage");
  await ask();
  await expect(old.getByRole("alert")).toContainText(/does not answer\. The order stands as it was\./);
  await tell("wrong");
  await ask();
  await expect(old.getByRole("status")).toContainText(/goes out for .*: not what was ordered\. Ask before it is packed\./);
  await tell("short");
  await ask();
  await expect(old.getByRole("status")).toContainText(/go out now, \d+ later\.|Nothing of .* goes out now\./);
  await tell("late");
  await ask();
  await expect(old.getByRole("status")).toContainText(/days later than he said\./);
  const ruler = old.getByRole("img", { name: /^B-1: likely/ });
  const before = await ruler.getAttribute("aria-label");
  await old.getByRole("button", { name: "Keep it with that" }).click();
  await bench.settled();
  await expect(old.getByRole("status")).toHaveCount(0);
  await expect(ruler).not.toHaveAttribute("aria-label", before!);
  // Read again by somebody else: what he said stands in the log, with the days.
  await page.reload();
  await expect(ruler).not.toHaveAttribute("aria-label", before!);
  await tell("none");
  await ask();
  await expect(old.getByRole("status")).toContainText(/here in \d+ days?\./);
  await old.getByRole("button", { name: "Keep it", exact: true }).click();
  await bench.settled();
  await expect(old.locator("p").first()).toContainText(/confirmed|shipped/);
});

test("an old panel gives what it still gives only once somebody said it was never wet; a lid what its build names, each against its minutes", async ({
  bench,
  page,
}) => {
  const put = async (type: string, payload: unknown) =>
    expect((await bench.actElsewhere(STOCK, type, payload)).reason).toBeNull();
  await put("stock.received", { item: "donor/lid, Kestrel 14", lot: "D-LID", count: 1, place: "box of lids 2", state: "used" });
  await stock(page, bench.url);
  await thing(page, "donor/panel TQ116WHA-R02").click();
  const gives = page.locator("[data-donor]");
  await expect(gives).toContainText("Never its glass or its cell");
  await expect(gives.getByRole("button", { name: "Taken off" })).toHaveCount(0);
  await gives.getByRole("button", { name: "Wet, or not known" }).click();
  await expect(gives).toContainText("Nothing of it is taken");
  await expect(gives.getByRole("button", { name: "Taken off" })).toHaveCount(0);
  await gives.getByRole("button", { name: "No, dry" }).click();
  const tabs = gives.locator('[data-part="part/tab set, TQ116WHA-R02"]');
  // Ten minutes at 42.00 cost 7.00, a new set 3.00: only when it lies open anyway.
  await expect(tabs).toContainText("Not worth it");
  await expect(tabs).toContainText("against 7.00 EUR for 10 min");
  await gives.getByText("It lies open on the bench anyway").click();
  await expect(tabs).toContainText("Worth it");
  await tabs.getByRole("button", { name: "Taken off" }).click();
  await expect(tabs).toContainText("Taken.");
  await bench.settled();
  await expect(thing(page, "part/tab set, TQ116WHA-R02")).toContainText("1 here");

  await page.keyboard.press("Escape");
  await thing(page, "donor/lid, Kestrel 14").click();
  await gives.getByRole("button", { name: "No, dry" }).click();
  await expect(gives.locator('[data-part="part/bezel, Ostrel Kestrel 14"]')).toBeVisible();
  // The base and the pack are no part of a lid.
  await expect(gives.locator('[data-part*="base cover"]')).toHaveCount(0);
  await expect(gives.locator('[data-part*="battery"]')).toHaveCount(0);
});
