import { fold, HEAT_WORDS, msOf } from "@/core/job";
import { connection } from "@/data/connection";
import { readLog } from "@/data/eventStore";
import type { HotJob } from "@/wire/heat";
import { benchCards } from "./jobList";

/** What heats on any bench now, as the logs say: nobody recorded yet that it was seen off. */
export async function hotJobs(): Promise<HotJob[]> {
  const { open } = await benchCards();
  const hot: HotJob[] = [];
  for (const card of open.filter((c) => c.heat)) {
    const log = await readLog(connection().db, card.id);
    const on = fold(log.events, log.snapshots).heat.on;
    // The card may be a moment old: the log says whether it still heats.
    if (on)
      hot.push({ job: card.id, number: card.number, words: `${HEAT_WORDS[on.tool]} ${on.setC} °C`, sinceMs: msOf(on.clock) });
  }
  return hot;
}
