import type { Kysely } from "kysely";
import type { Build } from "@/core/build";
import {
  arrivalStatus,
  counting,
  FOLD_VERSION,
  fold,
  HEAT_WORDS,
  handsOnMinutes,
  type JobEvent,
  type JobState,
  msOf,
  openBreaches,
  openHazards,
  openNow,
  panelReading,
  powerOf,
  type Snapshots,
  stillAway,
  stockFromJob,
  stockNeeds,
  tapeUsed,
  timesOpen,
} from "@/core/job";
import { daysSpread } from "@/core/quote";
import { jobFacts } from "@/core/shopReport";
import { type PlanWeights, progressOf, type Station, stationNow } from "@/core/teardown";
import { connection } from "@/data/connection";
import { readLog, shopCursor } from "@/data/eventStore";
import { cardsStamp, keptCards, saveCard, saveTold, staleCards } from "@/data/jobListStore";
import { listReference } from "@/data/referenceStore";
import type { Database } from "@/data/schema";
import type { JobCard } from "@/wire/jobCard";
import { newestDays } from "./shopOrders";
import { noteTrouble, troubleOf } from "./trouble";
import { mayWrite } from "./trust";
import { readWeights } from "./weights";

function shelfOf(s: JobState, station: Station): { shelf: JobCard["shelf"]; reason: string } {
  if (openHazards(s).length) return { shelf: "decision", reason: "Safety stop: make it safe first." };
  if (s.putOff) return { shelf: "waiting", reason: `Put off: ${s.putOff.why}` };
  if (openBreaches(s).length) return { shelf: "decision", reason: "A breach is not resolved." };
  if (station === "triage") return { shelf: "decision", reason: "Is it the panel?" };
  if (station === "identify") return { shelf: "decision", reason: "Which panel is fitted?" };
  if (station === "match" && !s.match.order)
    return { shelf: "decision", reason: s.match.chosen ? `Order ${s.match.chosen.code}?` : "Pick a panel." };
  if (station === "match" && arrivalStatus(s).wrong.length)
    return { shelf: "decision", reason: `${s.match.chosen?.code ?? "The panel"} came wrong: send it back.` };
  if (station === "match" && s.match.arrived) return { shelf: "decision", reason: "Panel came: look at it." };
  if (station === "match") return { shelf: "waiting", reason: `Ordered at ${s.match.order!.seller}.` };
  if (station === "close" || (station === "prove" && (s.bond.frontFilmOff || s.close.angleDeg !== null)))
    return { shelf: "handOver", reason: station === "close" ? "Close up and hand over." : "Closed pass to do." };
  if (station === "plan") return { shelf: "ready", reason: "Panel is here. Plan it." };
  if (s.subject !== "in") return { shelf: "ready", reason: "Open on the bench." };
  if (s.plan?.aim === "label") return { shelf: "ready", reason: "Opened to read its label." };
  if (s.plan?.aim === "close") return { shelf: "ready", reason: "Closed again with the old one in." };
  return { shelf: "ready", reason: s.match.arrived ? "Panel is here, looked at." : "Planned; no panel is here yet." };
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
const isoOf = (clock: string | null): string | null => (clock ? new Date(msOf(clock)).toISOString() : null);

function orderOf(s: JobState): JobCard["order"] {
  const o = s.match.order;
  if (!o || s.match.arrived) return null;
  const quoted = daysSpread(Math.max(1, o.dueDays));
  return {
    placedIso: new Date(msOf(o.clock)).toISOString(),
    p50Days: Math.max(0.1, o.days?.p50 ?? quoted.p50Days),
    p80Days: Math.max(0.1, o.days?.p50 ?? 0, o.days?.p80 ?? quoted.p80Days),
    priceMinor: o.priceMinor,
    ...(o.line === undefined ? {} : { line: o.line }),
  };
}

/** The card of one job from its log. */
export function cardOf(
  jobId: string,
  s: JobState,
  snapshots: Parameters<typeof fold>[1],
  minutes: number,
  weights: PlanWeights,
  who: string | null = null,
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
  const away = stillAway(view);
  return {
    id: jobId,
    number: s.job.number,
    customer: s.job.customer,
    machine: s.job.machineModel,
    serial: s.job.serial,
    promiseAt: s.job.promiseAt,
    first: s.job.first === true,
    closed: s.closed?.outcome ?? null,
    contact: s.job.contact ?? "",
    openedAtIso: isoOf(s.openedClock),
    closedAtIso: s.closed ? isoOf(s.closedClock) : null,
    putOff: s.putOff && { untilIso: s.putOff.until, why: s.putOff.why },
    who,
    station,
    oldCode: panelReading(s)?.code ?? null,
    newCode: s.match.chosen?.code ?? null,
    arrived: s.match.arrived !== null,
    orderedDueIso: s.match.order ? new Date(msOf(s.match.order.clock) + s.match.order.dueDays * DAY_MS).toISOString() : null,
    seller: s.match.order?.seller ?? null,
    order: orderOf(s),
    returned: s.match.returns.length,
    glass: build?.kind === "build" && build.data.subject.kind === "frontUnit" && build.data.tapes.length > 0,
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
    open: openNow(view),
    power: powerOf(view),
    screwsOut: away.screws.length,
    heat: s.heat.on && `${HEAT_WORDS[s.heat.on.tool]} ${s.heat.on.setC} °C`,
    damage: s.triage.damage,
    buildId: build?.kind === "build" ? build.data.id : null,
    lid: lidOf(lid),
    tools: progress?.plan.tools.filter((t) => t.mm === undefined).map((t) => t.name) ?? [],
    faults: s.prove.faults.length,
    family: build?.kind === "build" ? build.data.family : null,
    timeRatio:
      s.closed?.outcome === "handedOver" && progress && progress.plan.minutes.p50 > 0
        ? minutes / progress.plan.minutes.p50
        : null,
    mishaps: s.mishaps.map((m) => m.kind),
    needs: stockNeeds(view, build?.kind === "build" ? build.data : null),
  };
}

/** Jobs that could not be told: nobody waits for them. */
const untold = new Set<string>();

/** Makes a job's card from its log and keeps it; with the append that changed it, in its transaction. */
export async function keepCard(
  db: Kysely<Database>,
  jobId: string,
  events: readonly JobEvent[],
  snapshots: Snapshots,
  lastSeq: number,
): Promise<void> {
  const weights = await readWeights(db);
  let card: JobCard | null = null;
  let told: { stock: string; facts: string } | null = null;
  try {
    const counted = counting(events);
    const state = fold(events, snapshots);
    const handsMin = handsOnMinutes(counted);
    card = cardOf(jobId, state, snapshots, handsMin, weights, counted.at(-1)?.who ?? null);
    const { family, newCode: code, timeRatio } = card ?? { family: null, newCode: null, timeRatio: null };
    const plannedMin = timeRatio ? handsMin / timeRatio : null;
    const stock = stockFromJob(events, snapshots);
    const tape = tapeUsed(stock);
    const known = { handsMin, plannedMin, family, code, tape, opened: timesOpen(counted, snapshots) };
    told = { stock: JSON.stringify(stock), facts: JSON.stringify(jobFacts(jobId, counted, state, known)) };
  } catch (e) {
    // A list that cannot be told is no reason to refuse what a hand did.
    console.error(`no card for job ${jobId}:`, e);
  }
  if (card) untold.delete(jobId);
  else untold.add(jobId);
  if (!card) return;
  if (told) await saveTold(db, { job_id: jobId, ...told });
  await saveCard(db, { job_id: jobId, last_seq: lastSeq, fold_version: FOLD_VERSION, json: JSON.stringify(card) });
}

/** Makes one card anew from what is stored. */
async function makeCard(jobId: string): Promise<void> {
  await connection()
    .db.transaction()
    .execute(async (trx) => {
      const log = await readLog(trx, jobId);
      await keepCard(trx, jobId, log.events, log.snapshots, log.cursor);
    });
}

const store = globalThis as typeof globalThis & { helvaneCards?: Promise<void> | null };

/**
 * Makes every card anew that is missing or older than today's rules, one job at a time with a breath between them; the old cards
 * are shown meanwhile. Not awaited by pages: a disk that is full or locked never stops one from being read.
 */
export function renewCards(): Promise<void> {
  store.helvaneCards ??= (async () => {
    if (await mayWrite()) return;
    for (const { jobId } of await staleCards(connection().db, FOLD_VERSION)) {
      await makeCard(jobId);
      await new Promise((next) => setImmediate(next));
    }
  })()
    .catch((e) => {
      const t = troubleOf(e);
      if (t) noteTrouble(t);
      else console.error("the lists were not brought up to date:", (e as Error).message);
    })
    .finally(() => {
      store.helvaneCards = null;
    });
  return store.helvaneCards;
}

/** A look at the lists waits this long for cards that are missing; ms. Old ones are shown as they are. */
const WAIT_MISSING_MS = 1500;

/** Where log and cards stood when no card was found old: nothing is looked through again until one of them changes. */
const noneStale = new WeakMap<object, string>();
async function staleNow(db: Kysely<Database>): Promise<{ jobId: string; missing: boolean }[]> {
  const stamp = `${await shopCursor(db)} ${await cardsStamp(db)}`;
  if (noneStale.get(db) === stamp) return [];
  const stale = await staleCards(db, FOLD_VERSION);
  if (stale.length === 0) noneStale.set(db, stamp);
  return stale;
}

/** Waits until every card is of today's rules, as far as the disk lets it be written. */
export async function allCurrent(): Promise<void> {
  if ((await staleNow(connection().db)).some((x) => !untold.has(x.jobId))) await renewCards();
}

/** Waits until no job is without a card any more: whoever adds up what all jobs told would miss it. */
export async function allTold(): Promise<void> {
  if ((await staleNow(connection().db)).some((x) => x.missing && !untold.has(x.jobId))) await renewCards();
}

/** Cards of the jobs still open and the count of closed ones, as they are kept. What is missing or old is made anew in the background. */
async function jobCards(): Promise<{ open: JobCard[]; closed: number; making: number }> {
  const { db } = connection();
  const stale = await staleNow(db);
  if (stale.length) {
    const missing = stale.some((x) => x.missing);
    if (missing) await Promise.race([renewCards(), new Promise((done) => setTimeout(done, WAIT_MISSING_MS))]);
    // After this answer: whoever looks is not kept waiting by it.
    else setTimeout(() => void renewCards(), 300).unref();
  }
  const { open, closed } = await keptCards(db);
  const making = stale.some((x) => x.missing) ? (await staleCards(db, FOLD_VERSION)).filter((x) => x.missing).length : 0;
  return { open: open.map((json) => JSON.parse(json) as JobCard), closed, making };
}

/**
 * The cards still on the bench, how many are closed, and how many jobs have no card yet: for the bench's first screen.
 */
export async function benchCards(): Promise<{ open: JobCard[]; closed: number; making: number }> {
  const { open, closed, making } = await jobCards();
  await newestDays(open);
  // A lid whose job has no build of its own yet is drawn from the machine's current one; that is not part of the cached card.
  const builds = open.some((c) => !c.lid) ? await listReference(connection().db, "build") : [];
  for (const c of open) c.lid ??= lidOf(builds.find((b) => b.data.machineModel === c.machine)?.data.lid ?? null);
  return { open, closed, making };
}
