import type { Build } from "@/core/build";
import {
  arrivalStatus,
  counting,
  FOLD_VERSION,
  fold,
  handsOnMinutes,
  type JobState,
  msOf,
  openBreaches,
  openHazards,
  panelReading,
  powerOf,
  screwsOpen,
} from "@/core/job";
import { NO_LOG, type ShopLog } from "@/core/quote";
import { type PlanWeights, progressOf, type Station, stationNow } from "@/core/teardown";
import { connection } from "@/data/connection";
import { jobHeads, readLog } from "@/data/eventStore";
import { cardRows, cardsStamp, handedOverCards, saveCard } from "@/data/jobListStore";
import { listReference } from "@/data/referenceStore";
import type { JobCard } from "@/wire/jobCard";
import { remember } from "./remember";
import { readWeights } from "./weights";

function shelfOf(s: JobState, station: Station): { shelf: JobCard["shelf"]; reason: string } {
  if (openHazards(s).length) return { shelf: "decision", reason: "Safety stop: make it safe first." };
  if (openBreaches(s).length) return { shelf: "decision", reason: "A breach is not resolved." };
  if (station === "triage") return { shelf: "decision", reason: "Is it the panel?" };
  if (station === "identify") return { shelf: "decision", reason: "Which panel is fitted?" };
  if (station === "match" && !s.match.order)
    return { shelf: "decision", reason: s.match.chosen ? `Order ${s.match.chosen.code}?` : "Pick a panel." };
  if (station === "match" && arrivalStatus(s).wrong.length)
    return { shelf: "decision", reason: `${s.match.chosen?.code ?? "The panel"} came wrong: send it back.` };
  if (station === "match" && s.match.arrived) return { shelf: "decision", reason: "Panel came: look at it." };
  if (station === "match") return { shelf: "waiting", reason: `Ordered at ${s.match.order!.seller}.` };
  if (station === "close" || (station === "prove" && s.bond.frontFilmOff))
    return { shelf: "handOver", reason: station === "close" ? "Close up and hand over." : "Closed pass to do." };
  if (station === "plan") return { shelf: "ready", reason: "Panel is here. Plan it." };
  return { shelf: "ready", reason: s.subject === "in" ? "Panel is here, looked at." : "Open on the bench." };
}

const lidOf = (lid: Build["lid"] | null): JobCard["lid"] =>
  lid && {
    widthMm: lid.widthMm,
    heightMm: lid.heightMm,
    openingX: lid.opening.xMm,
    openingY: lid.opening.yMm,
    openingW: lid.opening.widthMm,
    openingH: lid.opening.heightMm,
  };

const DAY_MS = 86_400_000;

/** The card of one job from its log. */
export function cardOf(
  jobId: string,
  s: JobState,
  snapshots: Parameters<typeof fold>[1],
  minutes: number,
  weights: PlanWeights,
): JobCard | null {
  if (!s.job) return null;
  const view = { state: s, snapshots };
  const progress = progressOf(view, weights);
  const station = stationNow(s, progress);
  const build = s.plan
    ? snapshots[s.plan.buildHash]
    : s.match.chosen?.buildHash
      ? snapshots[s.match.chosen.buildHash]
      : undefined;
  const lid = build?.kind === "build" ? build.data.lid : null;
  const left = progress?.steps.filter((x) => !x.done) ?? [];
  const screws = screwsOpen(s);
  return {
    id: jobId,
    number: s.job.number,
    customer: s.job.customer,
    machine: s.job.machineModel,
    serial: s.job.serial,
    promiseAt: s.job.promiseAt,
    closed: s.closed?.outcome ?? null,
    station,
    oldCode: panelReading(s)?.code ?? null,
    newCode: s.match.chosen?.code ?? null,
    arrived: s.match.arrived !== null,
    orderedDueIso: s.match.order ? new Date(msOf(s.match.order.clock) + s.match.order.dueDays * DAY_MS).toISOString() : null,
    seller: s.match.order?.seller ?? null,
    ...shelfOf(s, station),
    minutesLeft:
      progress && left.length
        ? {
            p50:
              (progress.plan.minutes.p50 * left.reduce((a, x) => a + x.step.minutes, 0)) /
              Math.max(
                1e-9,
                progress.steps.reduce((a, x) => a + x.step.minutes, 0),
              ),
            p80:
              (progress.plan.minutes.p80 * left.reduce((a, x) => a + x.step.minutes, 0)) /
              Math.max(
                1e-9,
                progress.steps.reduce((a, x) => a + x.step.minutes, 0),
              ),
          }
        : null,
    open: screws.out.length > 0 || Object.values(s.parts).some((p) => p !== "back") || s.subject === "out",
    power: powerOf(view),
    screwsOut: screws.out.length,
    damage: s.triage.damage,
    buildId: build?.kind === "build" ? build.data.id : null,
    lid: lidOf(lid),
    tools: progress?.plan.tools.map((t) => t.name) ?? [],
    faults: s.prove.faults.length,
    family: build?.kind === "build" ? build.data.family : null,
    timeRatio:
      s.closed?.outcome === "handedOver" && progress && progress.plan.minutes.p50 > 0
        ? minutes / progress.plan.minutes.p50
        : null,
    mishaps: s.mishaps.map((m) => m.kind),
  };
}

/** Cards of the jobs still open and the count of closed ones, from the cache where it is current. Dropping the cache changes nothing but time. */
async function jobCards(): Promise<{ open: JobCard[]; closed: number }> {
  const { db } = connection();
  const heads = await jobHeads(db);
  const weights = await readWeights();
  // A closed job is only counted: its card is not read.
  const rows = await cardRows(db);
  const cached = new Map(rows.map((r) => [r.job_id, r]));
  const open: JobCard[] = [];
  let closed = 0;
  for (const head of heads) {
    const hit = cached.get(head.job_id);
    if (hit && hit.last_seq === head.last && hit.fold_version === FOLD_VERSION) {
      if (hit.json === null) closed += 1;
      else open.push(JSON.parse(hit.json) as JobCard);
      continue;
    }
    const log = await readLog(db, head.job_id);
    const card = cardOf(
      head.job_id,
      fold(log.events, log.snapshots),
      log.snapshots,
      handsOnMinutes(counting(log.events)),
      weights,
    );
    if (!card) continue;
    const row = { job_id: head.job_id, last_seq: head.last, fold_version: FOLD_VERSION, json: JSON.stringify(card) };
    await saveCard(db, row);
    if (card.closed) closed += 1;
    else open.push(card);
  }
  return { open, closed };
}

/** The cards still on the bench, and how many are closed: for the bench's first screen. */
export async function benchCards(): Promise<{ open: JobCard[]; closed: number }> {
  const { open, closed } = await jobCards();
  // A lid whose job has no build of its own yet is drawn from the machine's current one; that is not part of the cached card.
  const builds = open.some((c) => !c.lid) ? await listReference(connection().db, "build") : [];
  for (const c of open) c.lid ??= lidOf(builds.find((b) => b.data.machineModel === c.machine)?.data.lid ?? null);
  return { open, closed };
}

/** What the shop's closed jobs of a family say: minutes taken against planned, and what went wrong how often. */
export async function shopLogOf(family: string | null): Promise<ShopLog> {
  if (!family) return NO_LOG;
  return remember(
    `shopLog ${family}`,
    () => cardsStamp(connection().db),
    () => readShopLog(family),
  );
}

async function readShopLog(family: string): Promise<ShopLog> {
  const rows = await handedOverCards(connection().db, family, FOLD_VERSION);
  const mishaps: Record<string, number> = {};
  for (const r of rows) for (const m of new Set(r.mishaps)) mishaps[m] = (mishaps[m] ?? 0) + 1;
  // Under five minutes no panel was changed: the job was recorded afterwards, and its times mean nothing.
  return { jobs: rows.length, ratios: rows.flatMap((r) => (r.ratio !== null && r.ratio > 0.1 ? [r.ratio] : [])), mishaps };
}
