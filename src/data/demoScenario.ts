import { randomBytes } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import { parseBuild } from "@/core/build";
import { Offer, SellerTerms } from "@/core/catalogue";
import { type JobEvent, makeClock, makeEventId, parseEvent } from "@/core/job";
import { Panel } from "@/core/panel";
import { Policy } from "@/core/proof";
import { QuotePolicy } from "@/core/quote";
import { ToolStock } from "@/core/teardown";
import { NOTHING_KNOWN, type Outcome, posterior, TriageTable } from "@/core/triage";
import type { Connection } from "./connection";
import { contentHash, type ReferenceKind, saveReference } from "./referenceStore";

const DemoJob = z.strictObject({
  format: z.literal("helvane.demoJob"),
  version: z.literal(1),
  events: z.array(
    z.strictObject({ minutesAgo: z.number().min(0), type: z.string(), payload: z.record(z.string(), z.unknown()) }),
  ),
});

const read = (dir: string, file: string): unknown => JSON.parse(readFileSync(join(dir, file), "utf8"));
const slug = (s: string) => s.toLowerCase().replace(/[^a-z0-9]+/g, "-");

/** Loads the reference data from the open-format files: builds, panels, machines, offers, triage table, policy. */
export async function loadReference(c: Connection, dir: string, nowIso: string): Promise<Map<string, string>> {
  const hashes = new Map<string, string>();
  const save = async (kind: ReferenceKind, id: string, data: unknown) => {
    await saveReference(c.db, kind, id, data, null, nowIso);
    hashes.set(kind === "triage" || kind === "policy" || kind === "quote" ? kind : `${kind}:${id}`, contentHash(data));
  };
  await save("triage", "shipped", TriageTable.parse(read(dir, "reference/triage.json")));
  await save("quote", "shipped", QuotePolicy.parse(read(dir, "reference/quote.json")));
  await save("policy", "shipped", Policy.parse(read(dir, "reference/policy.json")));
  await save("tools", "shipped", ToolStock.parse(read(dir, "reference/tools.json")));
  for (const file of readdirSync(join(dir, "demo/builds")).sort()) {
    const parsed = parseBuild(readFileSync(join(dir, "demo/builds", file), "utf8"));
    if (!parsed.ok) throw new Error(`${file}: ${parsed.problems.map((p) => `${p.where}: ${p.message}`).join("; ")}`);
    await save("build", parsed.build.id, parsed.build);
  }
  for (const p of z.object({ panels: z.array(Panel) }).parse(read(dir, "demo/panels.json")).panels) await save("panel", p.id, p);
  for (const m of (read(dir, "demo/machines.json") as { machines: { model: string }[] }).machines)
    await save("machine", slug(m.model), m);
  for (const s of z.object({ sellers: z.array(SellerTerms) }).parse(read(dir, "demo/sellers.json")).sellers)
    await save("seller", slug(s.name), s);
  for (const o of z.object({ offers: z.array(Offer) }).parse(read(dir, "demo/offers.json")).offers)
    await save("offer", `${o.panel}-${slug(o.seller)}-${o.condition}`, o);
  return hashes;
}

/** The demo jobs as events: dates relative to `nowMs`, references by content hash. */
export function demoEvents(dir: string, hashes: ReadonlyMap<string, string>, nowMs: number): JobEvent[][] {
  const triage = TriageTable.parse(read(dir, "reference/triage.json"));
  return readdirSync(join(dir, "demo/jobs"))
    .sort()
    .map((file) => {
      const job = DemoJob.parse(read(dir, `demo/jobs/${file}`));
      const jobId = makeEventId(nowMs, randomBytes(10));
      let counter = 0;
      const given = new Map<string, Outcome>();
      return job.events.map((e) => {
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
        const parsed = parseEvent({
          id: makeEventId(at, randomBytes(10)),
          jobId,
          type: e.type,
          v: 1,
          payload,
          who: "Bench 2",
          device: "demo-scenario",
          clock: makeClock(at, counter++),
          seen: 0,
        });
        if (!parsed.ok) throw new Error(`${file}: ${parsed.problem}`);
        return parsed.event;
      });
    });
}

const wholeHour = (ms: number) => new Date(Math.round(ms / 3_600_000) * 3_600_000).toISOString();
