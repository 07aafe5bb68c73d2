import { HeatOwn, NOTHING_OWN } from "@/core/heat";
import { connection } from "@/data/connection";
import { readSetting, writeSetting } from "@/data/settingStore";

const KEY = "heatOwn";

/** What this shop knows of its room, its tape and its tools; nothing until somebody said or measured it. */
export async function readHeatOwn(): Promise<HeatOwn> {
  const kept = HeatOwn.safeParse(await readSetting<unknown>(connection().db, KEY));
  return kept.success ? kept.data : NOTHING_OWN;
}

export const saveHeatOwn = (own: HeatOwn): Promise<void> => writeSetting(connection().db, KEY, own);
