import { randomBytes } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import { type JobEvent, makeClock, makeEventId, parseEvent, type Snapshot, type Snapshots, STOCK_LOG } from "@/core/job";
import { DEFAULT_HOURS, type ShopHours } from "@/core/promise";
import { NOTHING_KNOWN, type Outcome, posterior, TriageTable } from "@/core/triage";
import type { Connection } from "./connection";
import { walkPlan } from "./demoWalk";
import { contentHash, saveReference } from "./referenceStore";
import { type ReferenceKind, readRow, TABLES } from "./registry";

const DemoEvents = z.array(
  z.strictObject({ minutesAgo: z.number().min(0), type: z.string(), payload: z.record(z.string(), z.unknown()) }),
);
const DemoJob = z.strictObject({
  format: z.literal("helvane.demoJob"),
  version: z.literal(1),
  events: DemoEvents,
  /** Then the plan is followed up to a step, evenly over this time. */
  walk: z.strictObject({ until: z.string(), fromMinutesAgo: z.number(), toMinutesAgo: z.number() }).optional(),
  // biome-ignore lint/suspicious/noThenProperty: a word of the file, never awaited
  then: DemoEvents.optional(),
});

/** What the demo's jobs rely on, as its files have it, by content hash. */
export function demoSnapshots(dir: string): Snapshots {
  const kept: Record<string, Snapshot> = {};
  for (const kind of Object.keys(TABLES) as ReferenceKind[]) {
    if (!TABLES[kind].snapshot) continue;
    for (const { raw } of shippedRows(dir, kind)) {
      const r = readRow(kind, raw);
      if (r.ok) kept[contentHash(r.row)] = { kind, data: r.row } as Snapshot;
    }
  }
  return kept;
}

const read = (dir: string, file: string): unknown => JSON.parse(readFileSync(join(dir, file), "utf8"));

/** The rows a kind ships with, as its files have them, each with its file. */
function shippedRows(dir: string, kind: ReferenceKind): { file: string; raw: unknown }[] {
  const { shipped } = TABLES[kind];
  if (!shipped) return [];
  if ("folder" in shipped)
    return readdirSync(join(dir, shipped.folder))
      .sort()
      .map((name) => ({ file: `${shipped.folder}/${name}`, raw: read(dir, `${shipped.folder}/${name}`) }));
  const raw = read(dir, shipped.file);
  if (!("list" in shipped)) return [{ file: shipped.file, raw }];
  return (raw as Record<string, unknown[]>)[shipped.list]!.map((row) => ({ file: shipped.file, raw: row }));
}

/** Every row that ships, read and checked: by kind where a kind has one row, else by kind and id. */
function* shippedTables(dir: string, wanted: (file: string, kind: ReferenceKind) => boolean) {
  for (const kind of Object.keys(TABLES) as ReferenceKind[])
    for (const { file, raw } of shippedRows(dir, kind)) {
      if (!wanted(file, kind)) continue;
      const r = readRow(kind, raw);
      if (!r.ok) throw new Error(`${file}: ${r.problem}`);
      const id = (TABLES[kind].id as (row: unknown) => string)(r.row);
      yield { kind, id, row: r.row, name: id === "shipped" ? kind : `${kind}:${id}`, hash: contentHash(r.row) };
    }
}

/**
 * Loads the reference data every kind ships with, from the open-format files.
 * @param wanted which of the files; all of them unless somebody says less
 * @returns content hashes, by kind where a kind has one row, else by kind and id
 */
export async function loadReference(
  c: Connection,
  dir: string,
  nowIso: string,
  wanted: (file: string, kind: ReferenceKind) => boolean = () => true,
): Promise<Map<string, string>> {
  const hashes = new Map<string, string>();
  // In one transaction: each row by itself would wait for the disk.
  await c.db.transaction().execute(async (trx) => {
    for (const r of shippedTables(dir, wanted)) {
      await saveReference(trx, r.kind, r.id, r.row, null, nowIso);
      hashes.set(r.name, r.hash);
    }
  });
  return hashes;
}

/** Content hashes of what ships, as `loadReference` tells them, without a shop. */
export const demoHashes = (dir: string): Map<string, string> =>
  new Map([...shippedTables(dir, () => true)].map((r) => [r.name, r.hash]));

/** The demo jobs as events: dates relative to `nowMs`, references by content hash. */
export function demoEvents(dir: string, hashes: ReadonlyMap<string, string>, nowMs: number): JobEvent[][] {
  const triage = TriageTable.parse(read(dir, "reference/triage.json"));
  let snapshots: Snapshots | null = null;
  return readdirSync(join(dir, "demo/jobs"))
    .sort()
    .map((file) => {
      const job = DemoJob.parse(read(dir, `demo/jobs/${file}`));
      const jobId = makeEventId(nowMs, randomBytes(10));
      let counter = 0;
      const given = new Map<string, Outcome>();
      const event = (e: z.infer<typeof DemoEvents>[number]): JobEvent => {
        const at = nowMs - Math.round(e.minutesAgo * 60_000);
        const payload: Record<string, unknown> = {};
        for (const [k, v] of Object.entries(e.payload)) {
          const ahead = typeof v === "string" ? /^in (\d+) hours$/.exec(v) : null;
          payload[k] =
            k.endsWith("Hash") && typeof v === "string"
              ? (hashes.get(v) ?? v)
              : ahead
                ? wholeHour(nowMs + Number(ahead[1]) * 3_600_000)
                : v;
        }
        if (typeof e.payload.finding === "string") given.set(e.payload.finding, e.payload.outcome as Outcome);
        if (payload.probability === "computed")
          payload.probability =
            posterior(triage, NOTHING_KNOWN, Object.fromEntries(given)).ranking.find((r) => r.fault === e.payload.fault)?.p ?? 0;
        const parsed = parseEvent({ ...envelope(at), type: e.type, v: 1, payload });
        if (!parsed.ok) throw new Error(`${file}: ${parsed.problem}`);
        return parsed.event;
      };
      const envelope = (at: number) => ({
        id: makeEventId(at, randomBytes(10)),
        jobId,
        who: "Bench 2",
        device: "demo-scenario",
        clock: makeClock(at, counter++),
        seen: 0,
      });
      const log = job.events.map(event);
      const { walk } = job;
      if (walk) {
        snapshots ??= demoSnapshots(dir);
        // An act in a little under a minute, until the time is used up.
        const at = (turn: number) => nowMs - Math.max(walk.toMinutesAgo, walk.fromMinutesAgo - turn * 0.9) * 60_000;
        log.push(...walkPlan(log, snapshots, walk.until, (act, turn) => ({ ...act, ...envelope(at(turn)), v: 1 }) as JobEvent));
      }
      return [...log, ...(job.then ?? []).map(event)];
    });
}

const DemoStock = z.strictObject({ format: z.literal("helvane.demoStock"), version: z.literal(1), events: DemoEvents });

/** The demo shop's stock, as a log of its own. */
export function demoStock(dir: string, nowMs: number): JobEvent[] {
  let counter = 0;
  return DemoStock.parse(read(dir, "demo/stock.json")).events.map((e) => {
    const at = nowMs - Math.round(e.minutesAgo * 60_000);
    const parsed = parseEvent({
      id: makeEventId(at, randomBytes(10)),
      jobId: STOCK_LOG,
      who: "Bench 2",
      device: "demo-scenario",
      clock: makeClock(at, counter++),
      seen: 0,
      type: e.type,
      v: 1,
      payload: e.payload,
    });
    if (!parsed.ok) throw new Error(`demo/stock.json: ${parsed.problem}`);
    return parsed.event;
  });
}

const wholeHour = (ms: number) => new Date(Math.round(ms / 3_600_000) * 3_600_000).toISOString();

/** Hours of the invented bench: every day, long. */
export const DEMO_HOURS: ShopHours = {
  ...DEFAULT_HOURS,
  bench: Array.from({ length: 7 }, () => [[420, 1320] as [number, number]]),
  handover: [420, 1320],
};
