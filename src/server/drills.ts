import { addDrill, type DrillRecord, NO_DRILL } from "@/core/teardown";
import { connection } from "@/data/connection";
import { readSetting, writeSetting } from "@/data/settingStore";
import { readReference } from "./reference";

/** Rehearsals of one build, by who rehearsed. */
type Drills = Record<string, DrillRecord>;
const keyOf = (build: string) => `drills.${build}`;

/** What is kept of everyone who rehearsed a build. */
export const readDrills = async (build: string): Promise<Drills> =>
  (await readSetting<Drills>(connection().db, keyOf(build))) ?? {};

/** Adds a slip or a finished run to somebody's record; null when there is no such build. */
export async function keepDrill(d: {
  build: string;
  who: string;
  slip?: keyof DrillRecord["slips"] | undefined;
  score?: number | undefined;
}): Promise<DrillRecord | null> {
  if (!(await readReference()).builds.some((b) => b.id === d.build)) return null;
  return connection()
    .db.transaction()
    .execute(async (trx) => {
      const all = (await readSetting<Drills>(trx, keyOf(d.build))) ?? {};
      const next = addDrill(all[d.who] ?? NO_DRILL, d);
      await writeSetting(trx, keyOf(d.build), { ...all, [d.who]: next });
      return next;
    });
}
