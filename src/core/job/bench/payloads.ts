import { z } from "zod";
import { nothing } from "../shapes";

/** What events of power on the bench carry, in their newest shape. */
export const benchPayloads = {
  "bench.shutDown": nothing,
  "bench.mainsOut": nothing,
  "bench.mainsIn": nothing,
  "bench.batteryOff": z.strictObject({ proven: z.literal(true) }),
  "bench.drained": z.strictObject({ seconds: z.number().min(1).max(120) }),
  "bench.started": nothing,
} as const;
