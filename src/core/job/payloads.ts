import type { z } from "zod";
import { afterPayloads } from "./after/payloads";
import { benchPayloads } from "./bench/payloads";
import { bondPayloads } from "./bond/payloads";
import { closePayloads } from "./close/payloads";
import { identifyPayloads } from "./identify/payloads";
import { jobPayloads } from "./job/payloads";
import { matchPayloads } from "./match/payloads";
import { openPayloads } from "./open/payloads";
import { planPayloads } from "./plan/payloads";
import { provePayloads } from "./prove/payloads";
import { quotePayloads } from "./quote/payloads";
import { stockPayloads } from "./stock/payloads";
import { swapPayloads } from "./swap/payloads";
import { triagePayloads } from "./triage/payloads";

/**
 * Every kind of event with the newest shape of its payload. A kind stands in its station's `payloads.ts` and `rules.ts`, nowhere else.
 * The name before the dot is the station. Events name parts, screws and connectors by id, never by a step number.
 */
export const PAYLOADS = {
  ...jobPayloads,
  ...triagePayloads,
  ...quotePayloads,
  ...identifyPayloads,
  ...matchPayloads,
  ...planPayloads,
  ...benchPayloads,
  ...openPayloads,
  ...swapPayloads,
  ...bondPayloads,
  ...provePayloads,
  ...closePayloads,
  ...afterPayloads,
  ...stockPayloads,
} as const;

export type EventType = keyof typeof PAYLOADS;
export type Payload<T extends EventType> = z.infer<(typeof PAYLOADS)[T]>;
