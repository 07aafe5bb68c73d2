import { howTried } from "@/core/build";
import type { Offer } from "@/core/catalogue";
import type { JobEvent, Snapshot, Snapshots } from "@/core/job";
import { asWorked, changesOf, fold, panelReading, STOCK_LOG } from "@/core/job";
import type { Panel } from "@/core/panel";
import { madePlan, planAskOf } from "@/core/teardown";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { panelsById, panelsNearSize } from "@/data/panelStore";
import type { ReferenceRow } from "@/data/referenceStore";
import { foundOf, planKey } from "@/wire/plan";
import { readHeatOwn } from "./heatOwn";
import { readReference } from "./reference";
import { tradeOf } from "./sellers";
import { shopLogOf } from "./shopLog";
import { ownOffers, rollsHere } from "./stock";
import { readWeights } from "./weights";

/** Panels nearest in size that a page carries beside those of the machine and those on offer. */
const MOST_NEAR = 150;

/** The panels a job may speak of: those seen in its machine, the one read, those somebody offers, and others of its size. */
async function panelsFor(
  seen: readonly string[],
  kept: Snapshot | null,
  offers: readonly Offer[],
): Promise<ReferenceRow<Panel>[]> {
  const { db } = connection();
  // As the job keeps it, whatever the record says by now.
  const old = kept?.kind === "panel" ? kept.data : null;
  const read = old ? (await panelsById(db, [old.id]))[0] : undefined;
  const own = await panelsById(db, seen);
  const inches = old?.diagonalIn.value ?? own.find((p) => p.data.diagonalIn.value !== null)?.data.diagonalIn.value ?? null;
  const fits = (p: ReferenceRow<Panel>) =>
    inches === null || p.data.diagonalIn.value === null || Math.abs(p.data.diagonalIn.value - inches) < 0.8;
  const offered = (await panelsById(db, [...new Set(offers.map((o) => o.panel))])).filter(fits);
  const near = inches === null ? [] : await panelsNearSize(db, inches, 0.79, MOST_NEAR);
  const all = [...(read ? [read] : []), ...own, ...offered, ...near];
  return [...new Map(all.map((p) => [p.id, p])).values()].sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Everything the page of one job starts with, its plan too where the station shows one; null when there is no such job. */
export async function readJobPage(jobId: string, station = "plan") {
  // The log of the stock is no job.
  if (jobId === STOCK_LOG) return null;
  const log = await readLog(connection().db, jobId);
  if (log.events.length === 0) return null;
  const ref = await readReference();
  const state = fold(log.events, log.snapshots);
  const machine = ref.machines.find((m) => m.model === state.job?.machineModel);
  const old = panelReading(state);
  const own = await ownOffers(ref.quote?.data.currency ?? "EUR", state.job?.number ?? null);
  const panels = await panelsFor(machine?.panels ?? [], old?.panelHash ? (log.snapshots[old.panelHash] ?? null) : null, [
    ...own,
    ...ref.offers,
  ]);
  const view = { state, snapshots: log.snapshots };
  const weights = await readWeights();
  const current = ref.builds.find((b) => b.id === machine?.build);
  // The build the job speaks of: the one it was planned or matched with, as it was then; else the machine's as it is now.
  const hash = state.plan?.buildHash ?? state.match.chosen?.buildHash ?? current?.hash;
  const kept = hash ? log.snapshots[hash] : undefined;
  const build = kept?.kind === "build" ? kept.data : hash === current?.hash ? current?.data : undefined;
  const ask =
    planAskOf(view, weights) ??
    (station === "plan" && build ? { build: asWorked(view, build), changes: changesOf(view), quick: false, weights } : null);
  return {
    plan:
      ask && hash
        ? {
            key: planKey(hash, foundOf(state), ask.changes, weights, howTried(ask.build), ask.also),
            made: madePlan(ask),
          }
        : null,
    events: log.events as JobEvent[],
    snapshots: log.snapshots as Snapshots,
    cursor: log.cursor,
    reference: {
      // A page carries the machine's own build, and panels near the size in question: the catalogue may be large.
      builds: ref.builds.filter((b) => b.id === machine?.build).map(({ hash, data }) => ({ hash, data })),
      panels: panels.map(({ hash, data }) => ({ hash, data })),
      triage: ref.triage && { hash: ref.triage.hash, data: ref.triage.data },
      quote: ref.quote && { hash: ref.quote.hash, data: ref.quote.data },
      shopLog: await shopLogOf(ref.builds.find((b) => b.id === machine?.build)?.data.family ?? null),
      weights,
      heat: await readHeatOwn(),
      tools: ref.tools?.data ?? null,
      rolls: await rollsHere(),
      policy: ref.policy && { hash: ref.policy.hash, data: ref.policy.data },
      checks: ref.checks && { hash: ref.checks.hash, data: ref.checks.data },
      causes: ref.causes && { hash: ref.causes.hash, data: ref.causes.data },
      procedures: ref.procedures
        .filter((p) => state.job?.machineModel.toLowerCase().startsWith(`${p.data.maker.toLowerCase()} `))
        .map(({ hash, data }) => ({ hash, data })),
      machines: ref.machines,
      ...(await tradeOf([...own, ...ref.offers])),
    },
  };
}
