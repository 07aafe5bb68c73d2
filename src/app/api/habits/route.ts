import { guarded } from "@/server/guarded";
import { saveHabits } from "@/server/habits";
import { json, readJson } from "@/server/http";
import { HabitsSave } from "@/wire/habits";

export const dynamic = "force-dynamic";

/** Keeps how the shop is called and writes its dates. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, HabitsSave);
  if (!body.ok) return body.response;
  await saveHabits(body.value);
  return json({ ok: true });
});
