import type { JobEvent, Snapshots } from "@/core/job";
import { fold, panelReading } from "@/core/job";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import { shopLogOf } from "./jobList";
import { readReference } from "./reference";

/** Everything the page of one job starts with; null when there is no such job. */
export async function readJobPage(jobId: string) {
  const log = await readLog(connection().db, jobId);
  if (log.events.length === 0) return null;
  const ref = await readReference();
  const state = fold(log.events, log.snapshots);
  const machine = ref.machines.find((m) => m.model === state.job?.machineModel);
  const old = panelReading(state);
  const inches =
    (ref.panels.find((p) => p.hash === old?.panelHash) ?? ref.panels.find((p) => machine?.panels.includes(p.id)))?.data.diagonalIn
      .value ?? null;
  return {
    events: log.events as JobEvent[],
    snapshots: log.snapshots as Snapshots,
    cursor: log.cursor,
    reference: {
      // A page carries the machine's own build, and panels near the size in question: the catalogue may be large.
      builds: ref.builds.filter((b) => b.id === machine?.build).map(({ hash, data }) => ({ hash, data })),
      panels: ref.panels
        .filter(
          (p) =>
            inches === null ||
            p.data.diagonalIn.value === null ||
            Math.abs(p.data.diagonalIn.value - inches) < 0.8 ||
            machine?.panels.includes(p.id),
        )
        .slice(0, 400)
        .map(({ hash, data }) => ({ hash, data })),
      triage: ref.triage && { hash: ref.triage.hash, data: ref.triage.data },
      quote: ref.quote && { hash: ref.quote.hash, data: ref.quote.data },
      shopLog: await shopLogOf(ref.builds.find((b) => b.id === machine?.build)?.data.family ?? null),
      policy: ref.policy && { hash: ref.policy.hash, data: ref.policy.data },
      machines: ref.machines,
      offers: ref.offers,
    },
  };
}
