import type { Build, KeptFind, LampTest, Supply, Warming } from "../build";
import type { CauseTable, Seen } from "../causes";
import type { Panel } from "../panel";
import type { Procedure } from "../procedure";
import type { CheckTable, FaultClass, Pass, Policy } from "../proof";
import { type Hazard, type MoneyStop, NOTHING_KNOWN, type Outcome, type TriageTable } from "../triage";
import { type BenchState, QUIET } from "./bench/benchState";
import type { Payload } from "./payloads";
import type { ARRIVAL_ITEMS } from "./payloadWords";
import type { Photo } from "./shapes";

/** Reference data a job relies on, kept with it by content hash. */
export type Snapshot =
  | { kind: "build"; data: Build }
  | { kind: "panel"; data: Panel }
  | { kind: "triage"; data: TriageTable }
  | { kind: "policy"; data: Policy }
  | { kind: "checks"; data: CheckTable }
  | { kind: "causes"; data: CauseTable }
  | { kind: "procedure"; data: Procedure };
export type Snapshots = Readonly<Record<string, Snapshot>>;

/**
 * Where the subject of a job is - the panel, front unit, lid assembly or cell that is replaced: the old one in, none in, the new
 * one placed, the new one fixed by its tape or screws.
 */
export type SubjectPlace = "in" | "out" | "placed" | "fixed";

export interface Breach {
  eventId: string;
  gate: string;
  reason: string;
  resolved: string | null;
}

export type ArrivalItem = (typeof ARRIVAL_ITEMS)[number];
export type ScrewState = "out" | "loosened" | "back" | "tightened" | "staysOut" | "replaced" | "missing";

export interface CheckAnswer {
  result: "pass" | "fail" | "unclear" | "deferred";
  note: string;
}

/** An order of the shop: many lines, each for a job or the shelf. */
export interface ShopOrder {
  seller: string;
  clock: string;
  dueDays: number;
  days: { p50: number; p80: number } | null;
  currency: string;
  postageMinor: number;
  is: "placed" | "confirmed" | "shipped";
  lines: { line: string; item: string; count: number; priceMinor: number; job: string | null; came: number }[];
  /** Lines that ended otherwise than by coming. */
  over: Record<string, "cancelled" | "returned">;
}

/** What a loose test can show beside the picture. */
export type LooseLook = "touch" | "camera";

/** What the log says, derived by `fold`. Plain data: equal logs give deeply equal states. */
export interface JobState {
  /** What this repair replaces, as the build chosen or planned says. */
  bought: Build["subject"]["kind"];
  job: (Payload<"job.opened"> & { first?: true }) | null;
  openedClock: string | null;
  closed: Payload<"job.closed"> | null;
  /** Place of the act that closed it last. */
  closedClock: string | null;
  /** Put off by a person, and not taken up again. */
  putOff: Payload<"job.putOff"> | null;
  handedOn: string | null;
  hazards: Partial<Record<Hazard, { note: string; madeSafe: { by: string; how: string } | null }>>;
  /** Liquid went in: since when that is known, and how it was cleared. */
  wet: { since: string; cleared: { how: string; clock: string } | null } | null;
  moneyStops: Partial<Record<MoneyStop, { note: string; waived: string | null }>>;
  breaches: Breach[];
  notes: { eventId: string; clock: string; who: string; text: string; photo: Payload<"job.noted">["photo"] | null }[];
  triage: {
    findings: Record<string, Outcome>;
    tableHash: string | null;
    damage: (Payload<"triage.damageMarked"> & { eventId: string })[];
    context: Payload<"triage.contextSet">;
    readings: (Payload<"triage.meterRead"> & { eventId: string; clock: string; finding: string | null; words: string })[];
    condition: (Payload<"triage.conditionNoted"> & { eventId: string })[];
    intake: Payload<"triage.intakeAgreed"> | null;
    concluded: Payload<"triage.concluded"> | null;
  };
  quote: (Payload<"quote.chosen"> & { clock: string }) | null;
  mishaps: Payload<"job.mishapNoted">[];
  identify: { readings: (Payload<"identify.panelRead"> & { eventId: string })[] };
  match: {
    chosen: Payload<"match.chosen"> | null;
    asked: Record<string, { answer: "accepted" | "refused"; by: string }>;
    order: (Payload<"match.ordered"> & { clock: string }) | null;
    arrived: { codeRead: string; clock: string } | null;
    arrival: Partial<Record<ArrivalItem, Omit<Payload<"match.arrivalChecked">, "item">>>;
    /** What went back, oldest first. */
    returns: (Payload<"match.returned"> & { seller: string; code: string; clock: string })[];
    looks: Record<string, { result: "agrees" | "differs"; source: "M" | "L" | "D"; note: string; photo?: Photo | undefined }>;
  };
  /** `supply` where another than the build's feeds the tests. */
  plan: {
    buildHash: string;
    goal: string;
    supply?: Supply;
    /** What the hands are after, and why; missing = the swap. */
    aim?: "swap" | "label" | "close";
    why?: string;
    checksHash?: string | undefined;
    /** How a lamp-lit machine is tried, and the trained person who tries it open. */
    lamp?: { test: LampTest; by: string };
    warming?: Record<string, Warming>;
  } | null;
  /** Which tape strips of a width are cut from, by that width. */
  tape: Record<string, Payload<"plan.tapeChosen">>;
  bench: BenchState;
  /** Room in °C and mass in kg, where somebody measured them: how soon the tape holds. */
  bondTold: { roomC?: number | undefined; massKg?: number | undefined };
  heat: {
    on: (Payload<"bench.heatOn"> & { clock: string }) | null;
    offClock: string | null;
    passes: number;
    /** The passes themselves, and what was read meanwhile: a warming is followed from them. */
    told: (Payload<"bench.heatOn"> & { clock: string; offClock: string | null })[];
    reads: ({ clock: string } & (Payload<"bench.heatRead"> | { stiff: string }))[];
  };
  screws: Record<string, ScrewState>;
  screwNotes: Record<string, string>;
  countedTogether: string[];
  extraScrews: { words: string; settled: string }[];
  tapesOut: Record<string, true>;
  /** Ways taken where there were several. */
  tethered: Record<string, true>;
  /** Turns of the lid: stands at its angle, or turned back again. */
  turned: Record<string, "out" | "back">;
  /** Acts of the way back that are done. */
  backActs: Record<string, true>;
  /** What the build left open, by the thing: as it was found. */
  looked: Record<string, Omit<Payload<"open.looked">, "of">>;
  finds: KeptFind[];
  mends: (Payload<"open.mended"> & { eventId: string; clock: string })[];
  stuck: (Payload<"open.stuck"> & { eventId: string })[];
  parts: Record<string, "folded" | "out" | "back">;
  connectors: Record<string, "on" | "off">;
  touched: Record<string, true>;
  /** How often each connector was mated or taken off by itself; one after it was reseated as a mend. */
  touches: Record<string, number>;
  /** Connectors moved while the machine was live. */
  live: Record<string, true>;
  /** Where the subject is: what is replaced, old or new. */
  subject: SubjectPlace;
  transplanted: Record<string, true>;
  /** Changes the fit asked for that are made, by field. */
  changesMade: Record<string, true | Payload<"after.pairingLeft">>;
  looseTest: {
    eventId: string;
    clock: string;
    supply: string;
    picture: boolean;
    connectorsOn: string[];
    voidedBy: string | null;
    /** What was tried beside the picture, and whether it works. */
    looks: Partial<Record<LooseLook, boolean>>;
  } | null;
  bond: {
    /** Ledges the old adhesive is off, by its strip. */
    cleaned: Record<string, true>;
    laid: Record<string, true>;
    linersPulled: Record<string, true>;
    rehearsed: boolean;
    dusted: boolean;
    backFilmOff: boolean;
    frontFilmOff: boolean;
    pressed: boolean;
    pressedClock: string | null;
  };
  prove: {
    open: Record<string, CheckAnswer>;
    closed: Record<string, CheckAnswer>;
    faults: { eventId: string; class: FaultClass; xMm: number; yMm: number }[];
    policyHash: string | null;
    accepted: { by: string; reason: string } | null;
    voided: Partial<Record<Pass, string>>;
    /** Leads put on after the open pass was begun. */
    late: Record<string, true>;
  };
  /** `begun` once something went home after the open pass was looked at. */
  close: {
    begun: boolean;
    seams: Record<string, true>;
    angleDeg: number | null;
    /** Parts stuck on again, by their tape. */
    taped: Record<string, "new" | "again">;
    handedOver: { to: string; clock: string } | null;
  };
  after: {
    causesHash: string | null;
    seen: Record<string, Seen>;
    /** The cause that is gone after; `mended` once its leads were reseated, or a person said so. */
    chase: {
      cause: string;
      pass: Pass;
      check: string;
      leads: string[];
      reseated: Record<string, true>;
      mended: boolean;
    } | null;
    /** Leads the plan reaches as well, because they were gone after. */
    reached: string[];
    /** What was mended for which check, and whether that was it. */
    tried: { cause: string; pass: Pass; check: string; result: "held" | "still" | null }[];
    hinges: Payload<"after.hingesRead">[];
    torque: Partial<Record<"before" | "after", Payload<"after.torqueRead">>>;
    procedures: Record<string, Payload<"after.procedureDid">[]>;
  };
  /** Of the stock's own log only: lots it took in, and orders of the shop. */
  shop: { lots: Record<string, string>; orders: Record<string, ShopOrder> };
  /** Newest clock and event that counted. */
  last: { clock: string; id: string } | null;
  counted: number;
}

/** Bond before its first act. @example freshBond().rehearsed // false */
export const freshBond = (): JobState["bond"] => ({
  cleaned: {},
  laid: {},
  linersPulled: {},
  rehearsed: false,
  dusted: false,
  backFilmOff: false,
  frontFilmOff: false,
  pressed: false,
  pressedClock: null,
});

/** A job before its first event. @example emptyState().subject // "in" */
export function emptyState(): JobState {
  return {
    job: null,
    openedClock: null,
    closed: null,
    closedClock: null,
    putOff: null,
    handedOn: null,
    hazards: {},
    wet: null,
    moneyStops: {},
    breaches: [],
    notes: [],
    triage: {
      findings: {},
      tableHash: null,
      damage: [],
      context: { ...NOTHING_KNOWN, cover: "unknown" },
      readings: [],
      condition: [],
      intake: null,
      concluded: null,
    },
    quote: null,
    mishaps: [],
    identify: { readings: [] },
    bought: "panel",
    match: { chosen: null, asked: {}, order: null, arrived: null, arrival: {}, returns: [], looks: {} },
    plan: null,
    tape: {},
    bench: { ...QUIET },
    bondTold: {},
    heat: { on: null, offClock: null, passes: 0, told: [], reads: [] },
    screws: {},
    screwNotes: {},
    countedTogether: [],
    extraScrews: [],
    tapesOut: {},
    tethered: {},
    turned: {},
    backActs: {},
    looked: {},
    finds: [],
    mends: [],
    stuck: [],
    parts: {},
    connectors: {},
    touched: {},
    touches: {},
    live: {},
    subject: "in",
    transplanted: {},
    changesMade: {},
    looseTest: null,
    bond: freshBond(),
    prove: { open: {}, closed: {}, faults: [], policyHash: null, accepted: null, voided: {}, late: {} },
    close: { begun: false, seams: {}, angleDeg: null, taped: {}, handedOver: null },
    after: { causesHash: null, seen: {}, chase: null, reached: [], tried: [], hinges: [], torque: {}, procedures: {} },
    shop: { lots: {}, orders: {} },
    last: null,
    counted: 0,
  };
}
