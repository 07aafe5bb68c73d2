import type { z } from "zod";
import { connection } from "@/data/connection";
import { listReference, saveReference } from "@/data/referenceStore";
import { readSetting, writeSetting } from "@/data/settingStore";
import type { FirstAnswers, Habits, HabitsSave } from "@/wire/habits";

const KEY = "habits";
const PLAIN: Habits = { shopName: "", dateOrder: "dmy", lengths: "mm", weekStart: 0, begun: false };

export const readHabits = async (): Promise<Habits> => ({
  ...PLAIN,
  ...((await readSetting<Partial<Habits>>(connection().db, KEY)) ?? {}),
});
export const saveHabits = async (h: z.infer<typeof HabitsSave>): Promise<void> =>
  writeSetting(connection().db, KEY, { ...h, begun: true });

/** Answers the first three questions, all or none; the rest of prices and tools stays as it ships. */
export async function begin(a: z.infer<typeof FirstAnswers>, nowIso: string): Promise<void> {
  const { db } = connection();
  const [quote] = await listReference(db, "quote");
  const [tools] = await listReference(db, "tools");
  await db.transaction().execute(async (trx) => {
    if (quote && (a.currency !== undefined || a.taxPercent !== undefined))
      await saveReference(
        trx,
        "quote",
        quote.id,
        { ...quote.data, currency: a.currency ?? quote.data.currency, taxPercent: a.taxPercent ?? quote.data.taxPercent },
        null,
        nowIso,
      );
    if (tools && a.tools) await saveReference(trx, "tools", tools.id, { ...tools.data, have: a.tools }, null, nowIso);
    const before = await readSetting<Partial<Habits>>(trx, KEY);
    await writeSetting(trx, KEY, {
      ...PLAIN,
      ...before,
      ...(a.shopName === undefined ? {} : { shopName: a.shopName }),
      begun: true,
    });
  });
}
