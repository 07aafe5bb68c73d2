import { z } from "zod";
import { Find } from "../build";
import { TriageContext } from "../triage";
import { ARRIVAL_ITEMS, CONDITION_KINDS, LOGINS, MISHAPS, QUOTE_OPTIONS, RETURN_REASONS } from "./payloadWords";

const key = z.string().regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,63}$/, "an id of letters, digits and hyphens, 64 at most");
const text = (max: number) => z.string().trim().min(1).max(max);
const hash = z.string().regex(/^[0-9a-f]{64}$/, "a SHA-256 in hex");
const nothing = z.strictObject({});
const coord = z.number().min(-50).max(600);
const outcome = z.enum(["yes", "no", "unclear", "notDone"]);
const hazard = z.enum(["swollenBattery", "hotBattery", "puncturedBattery", "liquidPowerOn", "lampLive"]);
const money = z.enum(["warranty", "consent", "data"]);
const pass = z.enum(["open", "closed"]);

const photo = z.strictObject({ hash, widthPx: z.int().positive(), heightPx: z.int().positive(), bytes: z.int().positive() });

/** What an event keeps of a photo: its file is stored apart, by hash. */
export type Photo = z.infer<typeof photo>;

/**
 * Every kind of event, with the newest shape of its payload (`NEWEST` in event.ts names those above version 1). Events name parts, screws and connectors
 * by id, never by a step number. The name before the dot is the station.
 */
export const PAYLOADS = {
  "job.opened": z.strictObject({
    number: z.string().regex(/^H-\d{1,6}$/),
    customer: text(80),
    words: z.string().trim().max(600).default(""),
    machineModel: text(60),
    serial: z.string().trim().max(60).default(""),
    promiseAt: z.iso.datetime().nullable(),
    happened: z.string().trim().max(120).default(""),
  }),
  "job.promised": z.strictObject({ promiseAt: z.iso.datetime().nullable() }),
  "job.noted": z.strictObject({
    text: text(2000),
    photo: photo.optional(),
  }),
  "job.mishapNoted": z.strictObject({ kind: z.enum(MISHAPS), note: z.string().trim().max(200).default("") }),
  "job.takenBack": z.strictObject({ eventId: z.uuid() }),
  "job.safetyRaised": z.strictObject({ hazard, note: z.string().trim().max(400).default("") }),
  "job.madeSafe": z.strictObject({ hazard, by: text(80), how: text(400) }),
  "job.handedOn": z.strictObject({ to: text(80), why: text(400) }),
  "job.breachResolved": z.strictObject({ eventId: z.uuid(), how: text(400) }),
  "job.closed": z.strictObject({
    outcome: z.enum(["handedOver", "notPanel", "cover", "handedOn", "cancelled"]),
    reason: z.string().trim().max(400).default(""),
  }),

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
  "triage.contextSet": z.strictObject({ ...TriageContext.shape, cover: z.enum(["yes", "no", "unknown"]) }),
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
  "triage.concluded": z.strictObject({
    verdict: z.enum(["panel", "notPanel", "cover"]),
    fault: key,
    probability: z.number().min(0).max(1),
    tableHash: hash,
  }),

  "quote.chosen": z.strictObject({
    option: z.enum(QUOTE_OPTIONS),
    expectedMinor: z.int().min(0),
    p80Minor: z.int().min(0),
    currency: z.string().length(3),
    taxPercent: z.number().min(0).max(100),
    days: z.number().min(0).max(365),
    validUntil: z.iso.datetime(),
    assumptions: z.array(text(200)).max(20),
    /** Hands-on minutes the price stands on, P50. */
    labourMinutes: z.number().min(0).max(6000),
    marginPercent: z.number().min(0).max(200),
    agreedBy: z.string().trim().max(80),
  }),

  "identify.panelRead": z.strictObject({
    way: z.enum(["label", "model", "edid", "hand"]),
    text: text(4000),
    code: text(40),
    panelHash: hash.nullable(),
    source: z.enum(["L", "E", "S", "G"]),
  }),

  "match.chosen": z.strictObject({ panelHash: hash, code: text(40), buildHash: hash.nullable() }),
  "match.asked": z.strictObject({ field: key, answer: z.enum(["accepted", "refused"]), by: text(80) }),
  "match.ordered": z.strictObject({
    panelHash: hash,
    seller: text(60),
    priceMinor: z.int().min(0),
    currency: z.string().length(3),
    dueDays: z.int().min(0).max(365),
    acceptedUnknowns: z.array(key).max(40),
    confirmed: z.literal(true),
    /** Days until it comes as the shop's record of this seller has it. */
    days: z.strictObject({ p50: z.number().min(0), p80: z.number().min(0), orders: z.int().min(0) }).optional(),
    /** Further lines of the same order: what a change asks for. */
    lines: z
      .array(z.strictObject({ what: text(80), count: z.int().min(1).max(99), priceMinor: z.int().min(0) }))
      .max(20)
      .optional(),
    guarantee: z
      .strictObject({ days: z.int().min(0).max(3650), excludes: z.string().trim().max(200), filmsOffEndsReturn: z.boolean() })
      .optional(),
  }),
  "match.arrived": z.strictObject({ codeRead: text(60) }),
  "match.arrivalChecked": z.strictObject({
    item: z.enum(ARRIVAL_ITEMS),
    /** `absent` = none, and none was promised or needed. */
    result: z.enum(["good", "absent", "wrong"]),
    note: z.string().trim().max(200).default(""),
    photo: photo.optional(),
  }),
  "match.returned": z.strictObject({
    reason: z.enum(RETURN_REASONS),
    note: z.string().trim().max(400).default(""),
    /** Parts moved over to it that were taken off again. */
    kept: z.array(key).max(20).default([]),
    photo: photo.optional(),
  }),
  "match.looked": z.strictObject({
    field: key,
    result: z.enum(["agrees", "differs"]),
    source: z.enum(["M", "L", "D"]),
    note: z.string().trim().max(200).default(""),
    photo: photo.optional(),
  }),

  "plan.made": z.strictObject({ buildHash: hash, goal: z.enum(["panelOut", "lidOff", "cableOut", "cameraOut"]) }),
  "plan.rebuilt": z.strictObject({ buildHash: hash, why: text(200) }),

  "bench.shutDown": nothing,
  "bench.mainsOut": nothing,
  "bench.mainsIn": nothing,
  "bench.batteryOff": z.strictObject({ proven: z.literal(true) }),
  "bench.drained": z.strictObject({ seconds: z.number().min(1).max(120) }),
  "bench.started": nothing,

  "open.screwOut": z.strictObject({ screw: key }),
  "open.screwsOutTogether": z.strictObject({ group: key, screws: z.array(key).min(1).max(80) }),
  "open.screwLoosened": z.strictObject({ screw: key }),
  "open.tapeOut": z.strictObject({ tape: key }),
  "open.partFolded": z.strictObject({ part: key }),
  "open.partOut": z.strictObject({ part: key }),
  /** One of several ways was taken: left tethered, laid beside. */
  "open.tethered": z.strictObject({ option: key }),
  "open.found": z.strictObject({ ...Find.shape, photo: photo.optional() }),
  /** A step that cannot be done here, and why. */
  "open.stuck": z.strictObject({ target: text(80), why: text(300) }),

  "swap.cableDisconnected": z.strictObject({ connector: key }),
  "swap.cableConnected": z.strictObject({ connector: key, home: z.literal(true) }),
  "swap.changeMade": z.strictObject({ field: key }),
  "swap.panelLifted": z.strictObject({ why: text(200) }),
  "swap.transplanted": z.strictObject({ part: key }),
  "swap.looseTested": z.strictObject({
    supply: z.enum(["mains", "mainsAndBattery", "battery"]),
    picture: z.boolean(),
    note: z.string().trim().max(200).default(""),
  }),

  "bond.tapeLaid": z.strictObject({ piece: key }),
  "bond.rehearsed": nothing,
  "bond.linerPulled": z.strictObject({ piece: key }),
  "bond.dusted": nothing,
  "bond.filmOff": z.strictObject({ film: z.enum(["back", "front"]) }),
  "bond.panelSeated": nothing,
  "bond.pressed": nothing,

  "prove.checkDone": z.strictObject({
    pass,
    check: key,
    result: z.enum(["pass", "fail", "unclear"]),
    note: z.string().trim().max(200).default(""),
  }),
  "prove.faultTapped": z.strictObject({
    class: z.enum(["bright", "dark", "subPixel", "cluster"]),
    xMm: coord,
    yMm: coord,
    policyHash: hash,
  }),
  "prove.faultsAccepted": z.strictObject({ by: text(80), reason: text(400) }),

  "close.partBack": z.strictObject({ part: key }),
  "close.screwBack": z.strictObject({
    screw: key,
    /** Type of the screw in hand, when it was looked at; missing = taken for the one that came out. */
    type: key.optional(),
  }),
  "close.screwsBackTogether": z.strictObject({ group: key, screws: z.array(key).min(1).max(80) }),
  "close.screwTightened": z.strictObject({ screw: key }),
  "close.screwAccounted": z.strictObject({ screw: key, as: z.enum(["staysOut", "replaced", "missing"]), reason: text(200) }),
  "close.screwExtra": z.strictObject({ words: text(120), settled: text(200) }),
  "close.seamChecked": z.strictObject({ edge: z.enum(["left", "right", "top", "bottom"]) }),
  "close.angleChecked": z.strictObject({ degrees: z.number().min(0).max(360) }),
  "close.handedOver": z.strictObject({ to: text(80) }),
} as const;

export type EventType = keyof typeof PAYLOADS;
export type Payload<T extends EventType> = z.infer<(typeof PAYLOADS)[T]>;
