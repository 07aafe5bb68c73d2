import { z } from "zod";
import { sourced } from "../quantity";

const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,63}$/, "an id of lower-case letters, digits and hyphens, 64 at most");
const size = sourced(z.strictObject({ widthMm: z.number().positive().max(600), heightMm: z.number().positive().max(400) }));

export const Tab = z.strictObject({
  edge: z.enum(["left", "right", "top", "bottom"]),
  /** From the outline's top-left corner along the edge. */
  atMm: z.number().min(0).max(600),
  widthMm: z.number().positive().max(120),
  /** How far it sticks out beyond the outline. */
  outMm: z.number().positive().max(30),
});

/** A display panel. Every fact carries its source; `null` is unknown. Lengths in mm, seen from the front. */
export const Panel = z.strictObject({
  format: z.literal("helvane.panel"),
  version: z.literal(1),
  id,
  code: z.string().trim().min(2).max(40),
  technology: sourced(z.enum(["LCD", "OLED"])),
  diagonalIn: sourced(z.number().min(7).max(20)),
  outline: size,
  thicknessMm: sourced(z.number().positive().max(20)),
  active: size,
  pixels: sourced(z.strictObject({ h: z.int().min(320).max(16384), v: z.int().min(240).max(16384) })),
  refreshHz: sourced(z.number().min(20).max(480)),
  family: sourced(z.enum(["eDP", "LVDS"])),
  contacts: sourced(z.int().min(10).max(80)),
  pitchMm: sourced(z.number().min(0.2).max(2)),
  contactSide: sourced(z.enum(["shell", "glass"])),
  logicSupplyV: sourced(z.number().min(1).max(15)),
  backlight: sourced(z.enum(["ledOnPanel", "ledFromBoard", "ccfl", "oled"])),
  backlightSupplyV: sourced(z.number().min(1).max(60)),
  connectorAt: sourced(z.strictObject({ xMm: z.number().min(-20).max(600), yMm: z.number().min(-20).max(400) })),
  /** Where the picture's top-left corner sits in the outline. */
  activeAt: sourced(z.strictObject({ xMm: z.number().min(0).max(600), yMm: z.number().min(0).max(400) })).optional(),
  pixelClockKHz: sourced(z.number().min(1000).max(5_000_000)).optional(),
  /** Modes it lists besides its first. */
  lowerModes: sourced(
    z.array(z.strictObject({ pixelClockKHz: z.number().min(1000), refreshHz: z.number().min(10).max(480) })).max(12),
  ).optional(),
  laneRatesGbps: sourced(z.array(z.number().min(1).max(20)).min(1).max(10)).optional(),
  compression: sourced(z.enum(["yes", "no"])).optional(),
  lanes: sourced(z.int().min(1).max(8)),
  colourBits: sourced(z.int().min(6).max(12)),
  touch: sourced(z.enum(["none", "onCell", "separate"])),
  finish: sourced(z.enum(["matt", "glossy"])),
  tabs: sourced(z.array(Tab).max(12)),
  inTheBox: sourced(z.array(z.string().trim().min(1).max(40)).max(12)),
});
export type Panel = z.infer<typeof Panel>;
