import { z } from "zod";
import { setCalendar } from "@/server/calendar";
import { guarded } from "@/server/guarded";
import { json, readJson } from "@/server/http";

export const dynamic = "force-dynamic";

/** Turns the calendar feed on, with a new address, or off. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, z.strictObject({ on: z.boolean() }));
  if (!body.ok) return body.response;
  return json({ calendar: await setCalendar(body.value.on) });
});
