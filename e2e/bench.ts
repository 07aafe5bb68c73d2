import { randomBytes } from "node:crypto";
import { copyFileSync, existsSync } from "node:fs";
import { join } from "node:path";
import { test as base, expect, type Locator, type Page } from "@playwright/test";
import { fold, type JobEvent, makeEventId, readClock, type Snapshots } from "@/core/job";
import { progressOf, type Step } from "@/core/teardown";
import type { EventsReply } from "@/wire/jobs";
import { handAct } from "../tests/bench";
import { type Running, SCRATCH, SEEDED, startServer } from "./server";

/** A copy of the seeded database under a name of its own. */
export function seededCopy(name: string): string {
  const db = join(SCRATCH, `${name}.sqlite`);
  for (const tail of ["", "-wal", "-shm"]) if (existsSync(SEEDED + tail)) copyFileSync(SEEDED + tail, db + tail);
  return db;
}

/** Each test gets its own server over its own copy of the demo, so that none depends on another. */
export const test = base.extend<{ server: Running; bench: Bench; serverEnv: Record<string, string> }>({
  serverEnv: [{}, { option: true }],
  server: async ({ serverEnv }, use, info) => {
    const s = await startServer(seededCopy(`w${info.workerIndex}-${info.testId}`), serverEnv);
    await use(s);
    await s.stop();
  },
  bench: async ({ page, server }, use) => {
    const wrong: string[] = [];
    page.on("pageerror", (e) => wrong.push(e.message));
    page.on("console", (m) => {
      if (m.type() === "error" && /Content Security Policy|Hydration|hydrat/i.test(m.text())) wrong.push(m.text());
    });
    await use(new Bench(page, server.url));
    expect(wrong, "errors of the page").toEqual([]);
  },
});
export { expect };

const STATIONS = ["triage", "identify", "match", "plan", "open", "swap", "bond", "prove", "close"];

export class Bench {
  constructor(
    readonly page: Page,
    readonly url: string,
  ) {}

  /** Goes to a demo job's station. */
  async job(number: string, station: string): Promise<string> {
    await this.page.goto(`${this.url}/`);
    const href = await this.page.locator(`[data-job="${number}"]`).getAttribute("href");
    const id = href!.split("/")[2]!;
    await this.station(id, station);
    return id;
  }
  async station(id: string, station: string): Promise<void> {
    await this.page.goto(`${this.url}/jobs/${id}/${station}`);
    await this.ready(station);
  }
  async ready(station: string): Promise<void> {
    await expect(this.page.locator(`[data-station="${station}"] h1`)).toBeVisible();
    await this.page.waitForLoadState("load");
    await expect(this.page.locator("html[data-ready]")).toHaveCount(1);
  }
  get step() {
    return this.page.locator("[data-station] h1");
  }
  get plate() {
    return this.page.locator("[data-plate]").first();
  }
  get refusal() {
    return this.page.locator('[role="alert"][data-gate]').first();
  }

  /** A key with focus on nothing, as at the bench. */
  async key(k: string): Promise<void> {
    await this.page.keyboard.press(k);
    // A hand is slower than a scanner.
    await this.page.waitForTimeout(60);
  }
  /** Chooses a value from a list that opens, by the list's name. */
  async choose(name: string | RegExp, value: string): Promise<void> {
    const list = this.page.getByRole("combobox", { name });
    await list.click();
    await this.page.locator(`[role="option"][data-value="${value}"]`).click();
    await expect(list).toHaveAttribute("data-value", value);
  }
  /** What a bar-code scanner does: characters at once, then Enter. */
  async scan(text: string): Promise<void> {
    await this.page.evaluate((t) => {
      const at = document.activeElement ?? document.body;
      // Made at once, so that their times are a scanner's however busy the machine is while they are dealt with.
      const events = [...t, "Enter"].flatMap((key) =>
        ["keydown", "keyup"].map((type) => new KeyboardEvent(type, { key, bubbles: true, cancelable: true })),
      );
      for (const e of events) at.dispatchEvent(e);
    }, text);
    await this.page.waitForTimeout(80);
  }
  /** What the server has of a job, once this page has nothing left to send; `now` asks at once. */
  async events(id: string, { now = false } = {}): Promise<{ type: string; id: string; payload: Record<string, unknown> }[]> {
    if (!now && (await this.page.locator("html[data-unsent]").count())) await this.settled();
    const get = () => this.page.request.get(`${this.url}/api/jobs/${id}/events?after=0`);
    // A connection kept open that the server closed just then: nothing was asked yet.
    const res = await get().catch((e) => (/ECONNRESET/.test(String(e)) ? get() : Promise.reject(e)));
    return ((await res.json()) as { events: { event: never }[] }).events.map((x) => x.event);
  }
  /** Answers every open item of the arrival check as good, or as none where nothing is promised. */
  async lookAtArrival(act: "click" | "tap" = "click"): Promise<void> {
    // A whole lid is asked other things than a panel alone.
    for (const good of await this.page.getByRole("button", { name: /: good$/ }).all())
      await (act === "tap" ? good.tap() : good.press("Enter"));
    await expect(this.page.getByRole("heading", { name: /Arrival check: good/ })).toBeVisible();
  }
  /**
   * Brings a job to a step as another bench would have, act by act through the server's gates, and opens it there. For tests
   * that are about what comes then; the way there is walked by key and by touch elsewhere.
   */
  async ahead(id: string, until: RegExp): Promise<void> {
    const reply = (await (await this.page.request.get(`${this.url}/api/jobs/${id}/events?after=0`)).json()) as EventsReply;
    const log = reply.events.map((x) => x.event as JobEvent);
    const snapshots = reply.snapshots as Snapshots;
    let at = Math.max(...log.map((e) => readClock(e.clock)!.ms));
    const made: JobEvent[] = [];
    let now: Step | null = null;
    for (let i = 0; i < 200; i++) {
      const view = { state: fold([...log, ...made], snapshots), snapshots };
      now = progressOf(view)?.now ?? null;
      if (!now || until.test(now.title)) break;
      at += 1;
      made.push({
        ...handAct(view, now),
        id: makeEventId(at, randomBytes(10)),
        jobId: id,
        v: 1,
        who: "Bench 1",
        device: "dev-ahead",
        clock: `${String(at).padStart(15, "0")}-000000`,
        seen: reply.cursor,
      } as JobEvent);
    }
    if (!now || !until.test(now.title)) throw new Error(`never came to ${until}`);
    const res = await this.page.request.post(`${this.url}/api/jobs/${id}/events`, { data: { via: "live", events: made } });
    expect((await res.json()).refused, "refused on the way").toBeNull();
    await this.station(id, now.station);
    await expect(this.step).toHaveText(until);
  }
  /** The key that does the step in hand: a look has one of its own. */
  private async keyOfStep(): Promise<void> {
    // The act before may be recorded and its step not drawn yet: two frames, and the title is the one in hand.
    await this.page.evaluate(() => new Promise((r) => requestAnimationFrame(() => requestAnimationFrame(r))));
    await this.key((await this.step.textContent())?.startsWith("Look at the ") ? "y" : "Space");
  }
  /** Presses the plate's key at this station until the step's title matches; the job's other stations may wait. */
  async press(until: RegExp): Promise<void> {
    for (let i = 0; i < 60 && !until.test((await this.step.textContent()) ?? ""); i++) {
      const before = await this.page.locator("html").getAttribute("data-last");
      await this.keyOfStep();
      await expect(this.page.locator("html")).not.toHaveAttribute("data-last", before ?? "none");
    }
    await expect(this.step).toHaveText(until);
    await this.settled();
  }
  /** Follows the plan by keyboard, every act through the plate's key, until the step's title matches. */
  async follow(until: RegExp): Promise<void> {
    const { page } = this;
    for (let i = 0; i < 140; i++) {
      const onStation = new URL(page.url()).pathname.split("/").at(-1)!;
      const now = await page
        .locator('nav [data-s="now"]')
        .getAttribute("href", { timeout: 500 })
        .catch(() => null);
      const wanted = now?.split("/").at(-1);
      if (wanted && wanted !== onStation) {
        await this.key("g");
        await this.key(String(STATIONS.indexOf(wanted) + 1));
        await page.waitForURL(`**/${wanted}`);
        await this.ready(wanted);
        continue;
      }
      if (until.test((await this.step.textContent()) ?? "")) return await this.settled();
      const before = await page.locator("html").getAttribute("data-last");
      await this.keyOfStep();
      await expect(page.locator("html"))
        .not.toHaveAttribute("data-last", before ?? "none", { timeout: 5000 })
        .catch(async () => {
          // The work may have moved on to another station while the key was on its way.
          const next = await page
            .locator('nav [data-s="now"]')
            .getAttribute("href", { timeout: 500 })
            .catch(() => null);
          if (next && !next.endsWith(`/${onStation}`)) return;
          throw new Error(
            `stuck at ${onStation}: ${await this.step.textContent()}; ${await this.refusal.textContent({ timeout: 200 }).catch(() => "no refusal")}`,
          );
        });
    }
    throw new Error(`never came to ${until}`);
  }
  /** Follows the plan by taps alone on a screen 768 px high, until the step's title matches. */
  async followByTouch(until: RegExp): Promise<void> {
    const { page } = this;
    for (let i = 0; i < 140; i++) {
      await expect(page.locator("html[data-ready]")).toHaveCount(1);
      if (until.test((await this.step.textContent()) ?? "")) return await this.settled();
      const here = new URL(page.url()).pathname.split("/").at(-1)!;
      const now = page.locator('nav [data-s="now"]');
      const wanted = (await now.getAttribute("href", { timeout: 2000 }).catch(() => null))?.split("/").at(-1);
      if (wanted && wanted !== here) {
        await now.tap();
        await page.waitForURL(`**/${wanted}`);
        await this.ready(wanted);
        continue;
      }
      const at = (await this.plate.boundingBox())!;
      // Plate and drawing stand side by side, both on screen, and the plate is large enough for a thumb.
      expect(at.height).toBeGreaterThanOrEqual(44);
      expect(at.y + at.height).toBeLessThanOrEqual(768);
      expect((await page.locator(".pane svg").first().boundingBox())!.y).toBeGreaterThanOrEqual(0);
      const before = await page.locator("html").getAttribute("data-last");
      await this.plate.tap();
      await expect(page.locator("html")).not.toHaveAttribute("data-last", before ?? "none");
    }
    throw new Error(`never came to ${until}`);
  }
  /** Holds a thumb on something for as long as money asks. */
  async holdByTouch(what: Locator): Promise<void> {
    const at = (await what.boundingBox())!;
    const touch = { pointerType: "touch", isPrimary: true, bubbles: true, clientX: at.x + 40, clientY: at.y + 20 };
    await what.dispatchEvent("pointerdown", touch);
    await this.page.waitForTimeout(1000);
    // Held long enough, it has gone already.
    await what.dispatchEvent("pointerup", touch, { timeout: 500 }).catch(() => {});
  }
  /** Opens a job through the form; with `panel`, goes on until it is found to be the panel. Ends in Triage. */
  async newJob(machine: string, { panel = true } = {}): Promise<string> {
    const { page } = this;
    await page.goto(`${this.url}/new`);
    await page.getByLabel("Customer").fill("Reading Room");
    await page.getByLabel("Machine").fill(machine);
    await page.keyboard.press("Enter");
    await page.waitForURL("**/triage");
    await this.ready("triage");
    if (panel) {
      await page.getByRole("button", { name: "Cracks in the glass: Yes" }).click();
      await page.getByRole("button", { name: "It is the panel", exact: true }).click();
      await this.settled();
    }
    return new URL(page.url()).pathname.split("/")[2]!;
  }
  /** Records an act as another device would, having seen everything so far; returns the server's answer. */
  async actElsewhere(id: string, type: string, payload: unknown): Promise<{ status: number; reason: string | null }> {
    // What this page is still sending would make the other device's act a late one, which is kept instead of refused.
    if (await this.page.locator("html[data-unsent]").count()) await this.settled();
    const list = await (await this.page.request.get(`${this.url}/api/jobs/${id}/events?after=0`)).json();
    const last = Math.max(...list.events.map((x: { event: { clock: string } }) => Number(x.event.clock.slice(0, 15))));
    this.acts += 1;
    const event = {
      id: `01900000-0000-7000-8000-0000000b${String(this.acts).padStart(4, "0")}`,
      jobId: id,
      type,
      v: 1,
      payload,
      who: "Bench 1",
      device: "dev-elsewhere",
      clock: `${String(last + 1).padStart(15, "0")}-000000`,
      seen: list.cursor,
    };
    const res = await this.page.request.post(`${this.url}/api/jobs/${id}/events`, { data: { via: "live", events: [event] } });
    return { status: res.status(), reason: (await res.json()).refused?.reason ?? null };
  }
  private acts = 0;
  /** Focus on nothing, as after a look away. */
  async letGo(): Promise<void> {
    await this.page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  }
  /** Waits until everything recorded here has been acknowledged. */
  async settled(): Promise<void> {
    await expect(this.page.locator("html[data-unsent='0']")).toHaveCount(1);
  }
}
