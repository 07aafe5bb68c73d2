import { z } from "zod";
import { TriageContext } from "../../triage";
import { CONDITION_KINDS, LOGINS } from "../payloadWords";
import { coord, hash, key, money, outcome, photo, text } from "../shapes";

/** What events of Triage carry, in their newest shape. */
export const triagePayloads = {
  "triage.signSeen": z.strictObject({ finding: key, outcome, tableHash: hash }),
  "triage.testDone": z.strictObject({ finding: key, outcome, tableHash: hash }),
  "triage.damageMarked": z.strictObject({
    kind: z.enum(["crack", "blot", "lines", "dim", "deadTouch"]),
    xMm: coord,
    yMm: coord,
    sizeMm: z.number().positive().max(400),
    direction: z.enum(["vertical", "horizontal"]).nullable(),
    movesWithLid: z.boolean(),
  }),
  "triage.contextSet": z.strictObject({
    ...TriageContext.shape,
    cover: z.enum(["yes", "no", "unknown"]),
    coverKind: z.enum(["warranty", "accident", "unknown"]).optional(),
  }),
  "triage.meterRead": z.strictObject({
    point: key,
    mode: z.enum(["continuity", "diode", "dcVolts"]),
    /** In the spot's unit; null = over limit (an open circuit). */
    value: z.number().min(-2000).max(1e7).nullable(),
    by: z.enum(["meter", "hand"]),
    tableHash: hash,
  }),
  "triage.conditionNoted": z.strictObject({
    view: z.enum(["lid", "base"]),
    kind: z.enum(CONDITION_KINDS),
    xMm: coord,
    yMm: coord,
    note: z.string().trim().max(200).default(""),
    photo: photo.optional(),
  }),
  "triage.intakeAgreed": z.strictObject({
    words: z.string().trim().max(600),
    agreedBy: text(80),
    login: z.enum(LOGINS),
  }),
  "triage.moneyStopRaised": z.strictObject({ stop: money, note: z.string().trim().max(400).default("") }),
  "triage.moneyStopWaived": z.strictObject({ stop: money, reason: text(400) }),
  /** The machine was opened, cleaned and dried without heat: from here on it may be powered again. */
  "triage.liquidCleared": z.strictObject({
    opened: z.literal(true),
    cleaned: z.literal(true),
    dry: z.literal(true),
    how: text(400),
  }),
  "triage.concluded": z.strictObject({
    verdict: z.enum(["panel", "notPanel", "cover"]),
    fault: key,
    probability: z.number().min(0).max(1),
    tableHash: hash,
  }),
} as const;
