import { z } from "zod";
import { COVER_KINDS } from "@/core/build";

/** GET /api/heat: what heats on which job, since when. */
export const HotJobs = z.strictObject({
  nowMs: z.number(),
  hot: z.array(z.strictObject({ job: z.string(), number: z.string(), words: z.string(), sinceMs: z.number() })),
});
export type HotJobs = z.infer<typeof HotJobs>;
export type HotJob = z.infer<typeof HotJobs>["hot"][number];

/** POST /api/thermometer: where on the lid it is laid, mm, under which cover. */
export const ThermometerRequest = z.strictObject({
  jobId: z.uuid(),
  tape: z.string().min(1).max(60),
  cover: z.enum(COVER_KINDS),
  xMm: z.number().min(-100).max(700),
  yMm: z.number().min(-100).max(700),
});
