import { guarded } from "@/server/guarded";
import { hotJobs } from "@/server/heat";
import { json } from "@/server/http";
import { nowMs } from "@/server/now";

export const dynamic = "force-dynamic";

/** What heats on any bench: told on every page, whatever it is about. */
export const GET = guarded(async (): Promise<Response> => json({ nowMs: nowMs(), hot: await hotJobs() }));
