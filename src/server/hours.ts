import { DEFAULT_HOURS, ShopHours } from "@/core/promise";
import { connection } from "@/data/connection";
import { readSetting, writeSetting } from "@/data/settingStore";

const KEY = "shopHours";

/** When this shop works; the defaults until somebody sets them. */
export async function readShopHours(): Promise<ShopHours> {
  const read = ShopHours.safeParse(await readSetting(connection().db, KEY));
  return read.success ? read.data : DEFAULT_HOURS;
}

/** Keeps the hours: dates on the bench follow at the next look. */
export const saveShopHours = (h: ShopHours): Promise<void> => writeSetting(connection().db, KEY, h);
