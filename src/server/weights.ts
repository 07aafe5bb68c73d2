import { PLAN_WEIGHTS, type PlanWeights } from "@/core/teardown";
import { connection } from "@/data/connection";
import { outdateOpenCards } from "@/data/jobListStore";
import { readSetting, writeSetting } from "@/data/settingStore";

const KEY = "planWeights";

/** What this shop weighs against each other when a way is planned; the defaults until somebody sets them. */
export const readWeights = async (db = connection().db): Promise<PlanWeights> =>
  (await readSetting<PlanWeights>(db, KEY)) ?? PLAN_WEIGHTS;

/** Keeps the weights. Cards of open jobs are told anew; what closed jobs took against their plan stays as it was. */
export async function saveWeights(w: PlanWeights): Promise<void> {
  await connection()
    .db.transaction()
    .execute(async (trx) => {
      await writeSetting(trx, KEY, w);
      await outdateOpenCards(trx);
    });
}
