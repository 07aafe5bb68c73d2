import { spawn } from "node:child_process";
import BetterSqlite from "better-sqlite3";
import { expect, seededCopy, test } from "./bench";
import { startServer } from "./server";

const clockAt = (ms: number, n = 0) => `${String(ms).padStart(15, "0")}-${String(n).padStart(6, "0")}`;
const uuid = (n: number) => `01900000-0000-7000-8000-${n.toString(16).padStart(12, "0")}`;
const note = (jobId: string, n: number, at: number) => ({
  id: uuid(n),
  jobId,
  type: "job.noted",
  v: 1,
  payload: { text: `note ${n}` },
  who: "Bench",
  device: "dev-load",
  clock: clockAt(at, n),
  seen: 0,
});
const send = (url: string, jobId: string, events: unknown[], via = "live") =>
  fetch(`${url}/api/jobs/${jobId}/events`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ via, events }),
  });

async function anyJob(url: string): Promise<string> {
  const html = await (await fetch(url)).text();
  return /\/jobs\/([0-9a-f-]{36})\//.exec(html)![1]!;
}

test("SIGKILL in the middle of a run loses no acknowledged event", async ({ browserName: _ }, info) => {
  const db = seededCopy(`kill-${info.testId}`);
  const first = await startServer(db);
  const health = await (await fetch(`${first.url}/api/health`)).json();
  expect(health).toMatchObject({ journalMode: "wal", synchronous: "FULL", foreignKeys: true });
  const job = await anyJob(first.url);
  const acknowledged: string[] = [];
  const at = Date.now();
  let stopped = false;
  const load = (async () => {
    for (let n = 1; n < 5000 && !stopped; n++) {
      const res = await send(first.url, job, [note(job, n, at)]).catch(() => null);
      if (!res?.ok) return;
      acknowledged.push(uuid(n));
    }
  })();
  await expect.poll(() => acknowledged.length).toBeGreaterThan(60);
  await first.stop("SIGKILL");
  stopped = true;
  await load;
  const second = await startServer(db);
  try {
    const log = await (await fetch(`${second.url}/api/jobs/${job}/events?after=0`)).json();
    const there = new Set(log.events.map((x: { event: { id: string } }) => x.event.id));
    expect(acknowledged.filter((id) => !there.has(id))).toEqual([]);
    expect(there.size).toBeGreaterThanOrEqual(acknowledged.length);
  } finally {
    await second.stop();
  }
});

test("the reply follows the commit: a second reader of the file sees every acknowledged event at once", async ({ server }) => {
  const job = await anyJob(server.url);
  const other = new BetterSqlite(server.db, { readonly: true });
  try {
    const at = Date.now();
    for (let n = 1; n <= 25; n++) {
      const res = await send(server.url, job, [note(job, n, at)]);
      expect(res.ok).toBe(true);
      expect(other.prepare("select count(*) n from events where id = ?").get(uuid(n))).toEqual({ n: 1 });
    }
  } finally {
    other.close();
  }
});

test("a client that got no reply sends the same id again, without a double", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  const before = (await bench.events(id)).length;
  // The reply is lost on its way: the event has arrived, the page does not know.
  let lost = 0;
  await page.route("**/api/jobs/*/events", async (route) => {
    if (route.request().method() !== "POST" || lost > 0) return route.continue();
    lost += 1;
    await route.fetch();
    await route.abort("connectionreset");
  });
  await bench.key("Space");
  await expect(page.getByText(/1 not sent yet/)).toBeVisible();
  await bench.settled();
  expect(lost).toBe(1);
  const after = await bench.events(id);
  expect(after.length).toBe(before + 1);
  expect(after.at(-1)?.type).toBe("bench.shutDown");
});

test("what was recorded offline survives a reload and arrives in order", async ({ bench, page, context }) => {
  const id = await bench.job("H-2417", "open");
  const before = (await bench.events(id)).length;
  let down = true;
  await page.route("**/api/jobs/*/events", (route) =>
    down && route.request().method() === "POST" ? route.abort("internetdisconnected") : route.continue(),
  );
  await bench.key("Space");
  await bench.key("Space");
  await expect(page.getByText(/2 not sent yet/)).toBeVisible();
  expect((await bench.events(id, { now: true })).length).toBe(before);
  await page.reload();
  await bench.ready("open");
  await expect(page.getByText(/2 not sent yet/)).toBeVisible();
  down = false;
  await bench.settled();
  const types = (await bench.events(id)).slice(before).map((e) => e.type);
  expect(types).toEqual(["bench.shutDown", "bench.mainsOut"]);
  await context.clearCookies();
});

test("a late act has happened: it is kept, shown as a breach, and holds the gates until resolved", async ({ bench, page }) => {
  const id = await bench.job("H-2417", "open");
  await bench.ahead(id, /Take off battery plug/);
  await bench.settled();
  // A second device, offline since before, took the display plug off while pack voltage was on.
  const list = await (await page.request.get(`${bench.url}/api/jobs/${id}/events?after=0`)).json();
  const last = Math.max(...list.events.map((x: { event: { clock: string } }) => Number(x.event.clock.slice(0, 15))));
  const res = await send(
    bench.url,
    id,
    [{ ...note(id, 77, last + 1), type: "swap.cableDisconnected", payload: { connector: "display-plug" }, seen: 1 }],
    "outbox",
  );
  const reply = await res.json();
  expect(reply.accepted[0]).toMatchObject({ late: true });
  await expect(page.getByText("Breach: done while its gate was shut")).toBeVisible();
  await page.getByLabel("How it was put right").fill("Board looked at, no mark, no smell");
  await page.getByRole("button", { name: "Resolve" }).click();
  await expect(page.getByText("Breach: done while its gate was shut")).toHaveCount(0);
  await bench.settled();
  expect((await bench.events(id)).at(-1)?.type).toBe("job.breachResolved");
});

test("every page shows what is stored now, not what was built", async ({ bench, page, server }) => {
  const id = await bench.job("H-2417", "open");
  const paths = ["/", `/jobs/${id}/open`, `/jobs/${id}/handover`, "/builds", "/new", "/settings"];
  const raw = new BetterSqlite(server.db);
  raw
    .prepare(
      "update reference set json = replace(json, 'Ostrel Kestrel 14', 'Ostrel Kestrel 14x') where kind in ('machine','build')",
    )
    .run();
  raw
    .prepare(
      "update events set payload = replace(payload, 'Reading Room, desk 4', 'Reading Room, desk 9') where type = 'job.opened'",
    )
    .run();
  raw.prepare("delete from job_list").run();
  raw.close();
  const texts: Record<string, RegExp> = {
    "/": /desk 9/,
    [`/jobs/${id}/open`]: /desk 9/,
    [`/jobs/${id}/handover`]: /desk 9/,
    "/builds": /Kestrel 14x/,
    "/new": /Kestrel 14x/,
  };
  for (const path of paths) {
    await page.goto(bench.url + path);
    if (texts[path]) expect(await page.content(), path).toMatch(texts[path]!);
  }
  // Dropping the cache of cards changes nothing but time.
  const first = await (await fetch(bench.url)).text();
  const again = await (await fetch(bench.url)).text();
  const cards = (t: string) => [...t.matchAll(/data-job="(H-\d+)"/g)].map((m) => m[1]);
  expect(cards(again)).toEqual(cards(first));
});

test("npm run demo says plainly what to do when the port is taken", async ({ server }) => {
  const port = new URL(server.url).port;
  const said = await new Promise<{ code: number | null; text: string }>((done) => {
    const child = spawn(process.execPath, ["scripts/start.mjs", "--demo"], { env: { ...process.env, PORT: port } });
    let text = "";
    child.stdout.on("data", (d) => {
      text += d;
    });
    child.stderr.on("data", (d) => {
      text += d;
    });
    child.on("close", (code) => done({ code, text }));
  });
  expect(said.code).toBe(1);
  expect(said.text).toContain(`Port ${port} is taken`);
  expect(said.text).toContain(`PORT=${Number(port) + 10} npm run demo`);
});
