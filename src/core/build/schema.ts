import { z } from "zod";
import { contentHash, words } from "../quantity/shapes";
import { Feeds } from "./feeds";
import {
  CONNECTOR_KINDS,
  COVER_KINDS,
  DRIVES,
  EDGES,
  FAMILIES,
  FATES,
  HEADS,
  HELD_BY,
  PART_ROLES,
  SERVES,
  SUBJECTS,
  SUPPLIES,
  VIEWS,
} from "./kinds";
import { after, BackAct, id, Motion, Turn } from "./schemaActs";

const mmCoord = z.number().min(-50).max(600);
const mmSize = z.number().positive().max(600);

export const Rect = z.strictObject({ xMm: mmCoord, yMm: mmCoord, widthMm: mmSize, heightMm: mmSize });
export type Rect = z.infer<typeof Rect>;

export const ScrewType = z.strictObject({
  id,
  thread: words(8),
  lengthMm: z.number().min(0.8).max(40),
  head: z.enum(HEADS),
  headDiameterMm: z.number().min(1).max(12),
  headHeightMm: z.number().min(0.2).max(6),
  drive: z.enum(DRIVES),
  size: words(12),
  /** Seen, not measured: its figures stand in for a drawing only, and no other screw counts as the same. */
  unmeasured: z.literal(true).optional(),
});
export type ScrewType = z.infer<typeof ScrewType>;

export const Part = z.strictObject({
  id,
  name: words(60),
  view: z.enum(VIEWS),
  role: z.enum(PART_ROLES),
  shape: Rect.optional(),
  /** How it comes away. A part without `out` never moves in this build. */
  out: Motion.optional(),
  /** How it goes back, when that is not plainly the way it came. */
  back: Motion.optional(),
  /** The part is folded over on its cables first, then lifted away when they are off. */
  fold: Motion.optional(),
  /** Parts that must be out of the way first. */
  blockedBy: z.array(id).max(40).default([]),
  after,
  /** What becomes of it where it does not simply go back: broken by coming out, replaced by a new one, or part of the new one. */
  fate: z.enum(FATES).optional(),
  /** Blocking with alternatives: of each entry one option is enough, for instance a lead freed or left tethered. */
  either: z
    .array(
      z.strictObject({
        why: words(160),
        options: z
          .array(
            z.strictObject({
              id,
              /** Parts, screw groups, connectors or tapes that have to be away. */
              free: z.array(id).max(20).default([]),
              /** What is done instead of freeing them. */
              instead: Motion.optional(),
            }),
          )
          .min(2)
          .max(4),
      }),
    )
    .max(6)
    .default([]),
  /** Bare once what covers it is away: every minute it lies open costs this many minutes' worth (adj). */
  fragile: z.strictObject({ exposedBy: id, perMinute: z.number().min(0).max(5), breaks: words(80) }).optional(),
  /** Moves from the old panel to the new one. */
  transplant: Motion.optional(),
  /** The way back needs the machine off and isolated. */
  backNeedsIsolation: z.boolean().default(false),
});
export type Part = z.infer<typeof Part>;

export const ScrewGroup = z.strictObject({
  id,
  name: words(60),
  holds: id,
  view: z.enum(VIEWS),
  /** Further parts the same screws go through. */
  alsoHolds: z.array(id).max(6).optional(),
  under: z.array(id).max(20).default([]),
  after,
  /** The last thing undone before this part comes away, and so the first on the way back. */
  lastOf: id.optional(),
  /** Stays in until this turn of the lid, part or connector is done; back in before that is undone. */
  keepUntil: id.optional(),
  /** Only backed off, never taken out: comes back as a tightening step. */
  loosenOnly: z.boolean().default(false),
  minutesEach: z.number().positive().max(10).default(0.3),
  /** Put back into their own holes at once, instead of on the sheet. */
  keepInHoles: z.boolean().default(false),
  caution: words(240).optional(),
  screws: z
    .array(
      z.strictObject({
        id,
        type: id,
        xMm: mmCoord,
        yMm: mmCoord,
        where: words(60),
        note: words(120).optional(),
        /** Longest screw its boss takes, and what a longer one meets. */
        bossMm: z.number().min(0.8).max(40).optional(),
        behind: words(60).optional(),
      }),
    )
    .min(1)
    .max(80),
});
export type ScrewGroup = z.infer<typeof ScrewGroup>;

export const Connector = z.strictObject({
  id,
  name: words(60),
  kind: z.enum(CONNECTOR_KINDS),
  view: z.enum(VIEWS),
  xMm: mmCoord,
  yMm: mmCoord,
  joins: z.tuple([id, words(60)]),
  under: z.array(id).max(20).default([]),
  after,
  lastOf: id.optional(),
  tapedOver: z.boolean().default(false),
  /** Carries pack voltage: open for isolation, exempt from the gate by name. */
  powerPoint: z.boolean().default(false),
  /** Marked as ahead of isolation: may be touched before the machine is isolated. */
  aheadOfIsolation: z.boolean().default(false),
  reachableWhenSeated: z.boolean().default(true),
  /** What this lead serves, when it was disturbed: which check it asks for. */
  serves: z.enum(SERVES).default("other"),
  mark: words(120).optional(),
  /** How far its plug can be moved from where it sat. */
  slackMm: z.number().min(0).max(300).optional(),
  /** Where its cable leaves the last guide: a plug nearer to that needs no slack. */
  comesFrom: z.strictObject({ xMm: mmCoord, yMm: mmCoord }).optional(),
  minutes: z.number().positive().max(30).default(1),
});
export type Connector = z.infer<typeof Connector>;

export const HeatNeed = z.strictObject({
  releaseC: z.tuple([z.number().min(20).max(150), z.number().min(20).max(150)]),
  ceilings: z
    .array(z.strictObject({ of: words(60), maxC: z.number().min(25).max(150), source: words(120) }))
    .min(1)
    .max(8),
  note: words(240),
});

export const Tape = z.strictObject({
  id,
  name: words(60),
  holds: id,
  shape: Rect,
  edge: z.enum(EDGES),
  kind: z.enum(["strip", "pullTab"]),
  thicknessMm: z.number().positive().max(3),
  tailMm: z.number().min(0).max(60).default(0),
  under: z.array(id).max(20).default([]),
  after,
  lastOf: id.optional(),
  out: Motion,
  heat: HeatNeed.optional(),
  /** Stretches along the strip, from its start, where no tape may lie (cable, camera, timing board). */
  keepOuts: z
    .array(z.strictObject({ fromMm: z.number().min(0), toMm: z.number().min(0), why: words(80) }))
    .max(12)
    .default([]),
});
export type Tape = z.infer<typeof Tape>;

export const PryEdge = z.strictObject({
  edge: z.enum(EDGES),
  enter: z.boolean(),
  /** Where to start, with what, how deep at most, what sits behind and what holds it. */
  start: words(80).optional(),
  tool: words(60).optional(),
  depthMm: z.number().min(0.1).max(60).optional(),
  behind: words(80).optional(),
  heldBy: z.enum(HELD_BY).optional(),
});
export type PryEdge = z.infer<typeof PryEdge>;

/** A picture taken at a place of the machine; its bytes are kept by their content hash. */
export const PlacePhoto = z.strictObject({
  id,
  /** The thing it shows, if it shows one. */
  of: id.optional(),
  view: z.enum(VIEWS),
  xMm: mmCoord,
  yMm: mmCoord,
  words: words(80),
  hash: contentHash,
  widthPx: z.int().min(1).max(20_000),
  heightPx: z.int().min(1).max(20_000),
});
export type PlacePhoto = z.infer<typeof PlacePhoto>;

export const Build = z.strictObject({
  format: z.literal("helvane.build"),
  version: z.literal(3),
  id,
  machineModel: words(60),
  machineCodes: z.array(words(40)).max(40).default([]),
  family: z.enum(FAMILIES),
  source: words(200),
  lid: z.strictObject({
    widthMm: z.number().min(150).max(500),
    heightMm: z.number().min(100).max(400),
    cornerMm: z.number().min(0).max(40),
    depthMm: z.number().min(1).max(30),
    hinges: z
      .array(z.strictObject({ xMm: mmCoord, widthMm: mmSize }))
      .min(1)
      .max(4),
    opening: Rect,
    pocket: Rect,
    pocketDepthMm: z.number().positive().max(20),
    /** Room behind the panel's lower edge, where its own board sits. */
    lowerEdgeDepthMm: z.number().positive().max(20).optional(),
    panelAt: z.strictObject({ xMm: mmCoord, yMm: mmCoord }),
    camera: z.strictObject({ xMm: mmCoord, yMm: mmCoord }).optional(),
    /** What the cover is made of, for its heat; thickness where it was measured. */
    cover: z.strictObject({ kind: z.enum(COVER_KINDS), mm: z.number().min(0.3).max(6).optional() }).optional(),
    /** How each edge may be entered, or that it must not be. */
    pry: z.array(PryEdge).max(8).default([]),
  }),
  base: z.strictObject({
    widthMm: z.number().min(150).max(500),
    depthMm: z.number().min(100).max(400),
    cornerMm: z.number().min(0).max(40),
  }),
  screwTypes: z.array(ScrewType).max(40),
  /** What is replaced, and which part of this build that is. */
  subject: z.strictObject({
    kind: z.enum(SUBJECTS),
    part: id,
    /** Its tape is on it when it comes: nothing is cut or laid, only the liners are pulled. */
    bringsTape: z.literal(true).optional(),
  }),
  parts: z.array(Part).min(1).max(120),
  screwGroups: z.array(ScrewGroup).max(60),
  connectors: z.array(Connector).max(60),
  tapes: z.array(Tape).max(30),
  isolation: z.strictObject({
    /** How power is made off: by opening the listed power points, or by the firmware's battery-off mode. */
    by: z.enum(["powerPoints", "batteryOffMode"]),
    how: words(240),
    proof: words(240),
    drainS: z.tuple([z.number().min(3).max(30), z.number().min(3).max(60)]).default([5, 10]),
    startsWhenAttached: z.boolean().default(false),
    testSupply: z.enum(SUPPLIES),
  }),
  /** With a lamp-lit panel: where the inverter sits, which decides where the lamp lead comes off. */
  inverterOn: z.enum(["panel", "rearCover", "hingeCover"]).optional(),
  /**
   * Further edges for the way in, each with its reason. Ids of parts, screw groups, connectors, or `seat`, `looseTest`. At once =
   * nothing else comes between.
   */
  wayIn: z
    .array(z.strictObject({ first: words(60), next: words(60), why: words(200), atOnce: z.literal(true).optional() }))
    .max(60)
    .default([]),
  turns: z.array(Turn).max(12).optional(),
  backActs: z.array(BackAct).max(24).optional(),
  dust: Motion.optional(),
  /** Questions left open by who described it: each is looked at before the thing is undone. */
  looks: z
    .array(z.strictObject({ of: id, ask: words(120) }))
    .max(40)
    .optional(),
  ...Feeds,
  photos: z.array(PlacePhoto).max(60).optional(),
  /** Whether a new panel has to be bound to the board by the maker's software; missing = not known. */
  pairing: z.boolean().optional(),
});
/** A build as the work knows it: `lampTest` is the job's to say, never a file's. */
export type Build = z.infer<typeof Build> & { lampTest?: "afterBezel" | "open" };
/** A build as written in a file, before defaults are filled in. */
export type BuildInput = z.input<typeof Build>;
