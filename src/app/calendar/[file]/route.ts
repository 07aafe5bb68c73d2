import { timingSafeEqual } from "node:crypto";
import { calendarSecret, readCalendar } from "@/server/calendar";
import { guarded } from "@/server/guarded";
import { readHabits } from "@/server/habits";
import { problem } from "@/server/http";
import { nowMs } from "@/server/now";

export const dynamic = "force-dynamic";

/** The calendar feed: whoever has its address may read it, as calendars do. Off until somebody turns it on. */
export const GET = guarded(async (_req: Request, { params }: { params: Promise<{ file: string }> }): Promise<Response> => {
  const { file } = await params;
  const secret = await calendarSecret();
  const given = Buffer.from(file.replace(/\.ics$/, ""));
  const right = Buffer.from(secret ?? "");
  if (secret === null || given.length !== right.length || !timingSafeEqual(given, right))
    return problem(404, "There is no calendar at this address.");
  return new Response(await readCalendar(nowMs(), (await readHabits()).shopName), {
    headers: { "content-type": "text/calendar; charset=utf-8", "cache-control": "no-store", "x-content-type-options": "nosniff" },
  });
});
