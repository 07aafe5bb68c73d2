import { z } from "zod";
import { SERVES, SUBJECTS } from "../build";
import { SOURCES, sourced } from "../quantity";
import { slugId, words } from "../quantity/shapes";
import { FACT_NAMES, type FactName } from "./factNames";

const id = slugId(64);
const Size = z.strictObject({ widthMm: z.number().positive().max(600), heightMm: z.number().positive().max(400) });

export const Tab = z.strictObject({
  edge: z.enum(["left", "right", "top", "bottom"]),
  /** From the outline's top-left corner along the edge. */
  atMm: z.number().min(0).max(600),
  widthMm: z.number().positive().max(120),
  /** How far it sticks out beyond the outline. */
  outMm: z.number().positive().max(30),
});

/** A lead that comes through a lid's hinge: what it serves, its plug in words, how far it hangs out. */
export const LidLead = z.strictObject({
  serves: z.enum(SERVES).exclude(["battery"]),
  plug: words(40).nullable(),
  lengthMm: z.number().min(5).max(600).nullable(),
});
export type LidLead = z.infer<typeof LidLead>;

/** A supply or current as one figure, or as the range a part takes. */
const span = (least: number, most: number) => {
  const figure = z.number().min(least).max(most);
  return z.union([
    figure,
    z.strictObject({ min: figure, max: figure }).refine((r) => r.min <= r.max, "the least is above the most"),
  ]);
};
const YesNo = z.enum(["yes", "no"]);

/** A plain value of every fact a panel has, by name. Lengths in mm, seen from the front. */
export const FACTS = {
  technology: z.enum(["LCD", "OLED"]),
  diagonalIn: z.number().min(7).max(20),
  outline: Size,
  thicknessMm: z.number().positive().max(20),
  active: Size,
  pixels: z.strictObject({ h: z.int().min(320).max(16384), v: z.int().min(240).max(16384) }),
  refreshHz: z.number().min(20).max(480),
  family: z.enum(["eDP", "LVDS"]),
  contacts: z.int().min(10).max(80),
  pitchMm: z.number().min(0.2).max(2),
  contactSide: z.enum(["shell", "glass"]),
  logicSupplyV: span(1, 15),
  backlight: z.enum(["ledOnPanel", "ledFromBoard", "ccfl", "oled"]),
  backlightSupplyV: span(1, 60),
  connectorAt: z.strictObject({ xMm: z.number().min(-20).max(600), yMm: z.number().min(-20).max(400) }),
  /** Where the picture's top-left corner sits in the outline. */
  activeAt: z.strictObject({ xMm: z.number().min(0).max(600), yMm: z.number().min(0).max(400) }),
  pixelClockKHz: z.number().min(1000).max(5_000_000),
  /** Modes it lists besides its first. */
  lowerModes: z.array(z.strictObject({ pixelClockKHz: z.number().min(1000), refreshHz: z.number().min(10).max(480) })).max(12),
  laneRatesGbps: z.array(z.number().min(1).max(20)).min(1).max(10),
  compression: z.enum(["yes", "no"]),
  lanes: z.int().min(1).max(8),
  colourBits: z.int().min(6).max(12),
  touch: z.enum(["none", "onCell", "separate"]),
  finish: z.enum(["matt", "glossy"]),
  tabs: z.array(Tab).max(12),
  inTheBox: z.array(words(40)).max(12),
  /** How brightness is set: a PWM contact of its own, over the link, or either. */
  dimming: z.enum(["pwm", "link", "both"]),
  /** Of one string, where the board drives the light. */
  ledCurrentMa: span(1, 1000),
  /** Thickness at the lower edge, where its own board sits. */
  lowerEdgeMm: z.number().positive().max(20),
  cell: z.enum(["TN", "IPS", "VA", "OLED"]),
  /** The least of the four directions from the upright. */
  viewingAngleDeg: z.number().min(10).max(90),
  brightnessNits: z.number().min(20).max(3000),
  /** Share of sRGB. */
  gamutPercent: z.number().min(10).max(250),
  touchController: words(40),
  touchPlug: words(40),
  glass: z.enum(["plain", "roundedCorners", "notch", "bondedCover"]),
  /** Where the cable leaves its plug, seen from behind the panel with its top up. */
  cableExit: z.enum(["left", "right", "up", "down"]),
  lvdsOrder: z.enum(["vesa", "jeida"]),
  /** Shows its depth by dithering a bit or two less. */
  dithered: YesNo,
  privacy: YesNo,
  adaptiveRefresh: YesNo,
  selfRefresh: YesNo,
  /** What comes in the box: the panel, or the panel with something round it or without something. */
  soldAs: z.enum(SUBJECTS),
  /** From the outermost screw hole of the left hinge to that of the right. */
  hingeSpanMm: z.number().min(20).max(500),
  /** How far the hinges open, from closed. */
  hingeOpensDeg: z.number().min(60).max(360),
  /** Leads that hang out at the hinges. */
  lidLeads: z.array(LidLead).max(12),
  lidCamera: z.enum(["none", "camera", "withSlide"]),
  colour: words(40),
  /** What tells the machine that its lid is closed. */
  lidSensor: z.enum(["none", "magnet", "onLead"]),
  /** A window in the back that light shines through. */
  logoWindow: YesNo,
} as const satisfies Record<FactName, z.ZodType>;

/** Another source's word on a fact that is known already: kept beside it, never written over it. */
export const Claim = z
  .strictObject({
    fact: z.enum(FACT_NAMES),
    value: z.unknown(),
    source: z.enum(SOURCES),
    confidence: z.number().min(0).max(1).optional(),
    /** Who or what said so: a file, a seller, a person. */
    from: words(120),
  })
  .superRefine((c, ctx) => {
    const read = FACTS[c.fact].safeParse(c.value);
    if (!read.success)
      ctx.addIssue({ code: "custom", path: ["value"], message: read.error.issues[0]?.message ?? `not a value of ${c.fact}` });
  });
export type Claim = z.infer<typeof Claim>;

/** A further number the same part goes by. */
export const OtherName = z.strictObject({
  text: z.string().trim().min(2).max(40),
  kind: z.enum(["sparePart", "makerNumber", "other"]),
});
export type OtherName = z.infer<typeof OtherName>;

/** A display panel. Every fact carries its source and, where it is not the usual one, a confidence; `null` is unknown. */
export const Panel = z.strictObject({
  format: z.literal("helvane.panel"),
  version: z.literal(1),
  id,
  code: z.string().trim().min(2).max(40),
  otherNames: z.array(OtherName).max(20).optional(),
  technology: sourced(FACTS.technology),
  diagonalIn: sourced(FACTS.diagonalIn),
  outline: sourced(FACTS.outline),
  thicknessMm: sourced(FACTS.thicknessMm),
  active: sourced(FACTS.active),
  pixels: sourced(FACTS.pixels),
  refreshHz: sourced(FACTS.refreshHz),
  family: sourced(FACTS.family),
  contacts: sourced(FACTS.contacts),
  pitchMm: sourced(FACTS.pitchMm),
  contactSide: sourced(FACTS.contactSide),
  logicSupplyV: sourced(FACTS.logicSupplyV),
  backlight: sourced(FACTS.backlight),
  backlightSupplyV: sourced(FACTS.backlightSupplyV),
  connectorAt: sourced(FACTS.connectorAt),
  activeAt: sourced(FACTS.activeAt).optional(),
  pixelClockKHz: sourced(FACTS.pixelClockKHz).optional(),
  lowerModes: sourced(FACTS.lowerModes).optional(),
  laneRatesGbps: sourced(FACTS.laneRatesGbps).optional(),
  compression: sourced(FACTS.compression).optional(),
  lanes: sourced(FACTS.lanes),
  colourBits: sourced(FACTS.colourBits),
  touch: sourced(FACTS.touch),
  finish: sourced(FACTS.finish),
  tabs: sourced(FACTS.tabs),
  inTheBox: sourced(FACTS.inTheBox),
  dimming: sourced(FACTS.dimming).optional(),
  ledCurrentMa: sourced(FACTS.ledCurrentMa).optional(),
  lowerEdgeMm: sourced(FACTS.lowerEdgeMm).optional(),
  cell: sourced(FACTS.cell).optional(),
  viewingAngleDeg: sourced(FACTS.viewingAngleDeg).optional(),
  brightnessNits: sourced(FACTS.brightnessNits).optional(),
  gamutPercent: sourced(FACTS.gamutPercent).optional(),
  touchController: sourced(FACTS.touchController).optional(),
  touchPlug: sourced(FACTS.touchPlug).optional(),
  glass: sourced(FACTS.glass).optional(),
  cableExit: sourced(FACTS.cableExit).optional(),
  lvdsOrder: sourced(FACTS.lvdsOrder).optional(),
  dithered: sourced(FACTS.dithered).optional(),
  privacy: sourced(FACTS.privacy).optional(),
  adaptiveRefresh: sourced(FACTS.adaptiveRefresh).optional(),
  selfRefresh: sourced(FACTS.selfRefresh).optional(),
  soldAs: sourced(FACTS.soldAs).optional(),
  hingeSpanMm: sourced(FACTS.hingeSpanMm).optional(),
  hingeOpensDeg: sourced(FACTS.hingeOpensDeg).optional(),
  lidLeads: sourced(FACTS.lidLeads).optional(),
  lidCamera: sourced(FACTS.lidCamera).optional(),
  colour: sourced(FACTS.colour).optional(),
  lidSensor: sourced(FACTS.lidSensor).optional(),
  logoWindow: sourced(FACTS.logoWindow).optional(),
  /** What other sources say against a fact above; empty or missing = nobody does. */
  claims: z.array(Claim).max(60).optional(),
});
export type Panel = z.infer<typeof Panel>;
