import { z } from "zod";
import { slugId, words } from "../quantity/shapes";
import { EDGES, WARMED_WITH } from "./kinds";

/** Ids are short, lower case, and stay with a part for ever: events name them, never step numbers. */
export const id = slugId(48);

/** On the way out only after these, where both are in the plan: parts, screw groups, connectors, tapes, turns of the lid. */
export const after = z.array(id).max(20).optional();

/** What an act may break: chance per time, and what that costs in the shop's currency, minor units. */
export const Risk = z.strictObject({
  chance: z.number().min(0).max(1),
  costMinor: z.int().min(0).max(1_000_000),
  breaks: words(80),
});
export type Risk = z.infer<typeof Risk>;

/** How something is moved or done. */
export const Motion = z.strictObject({
  verb: words(60),
  how: words(240),
  tool: words(60).optional(),
  minutes: z.number().positive().max(240),
  caution: words(240).optional(),
  hold: words(120).optional(),
  risk: Risk.optional(),
  /** Needs the lid warmed, or prying of glue: put last where the order is free. */
  heat: z.boolean().optional(),
  /** What it is warmed with; `none` where no heat does it: pull tab, thread or solvent. Missing = whatever is at hand. */
  warmedWith: z.enum(WARMED_WITH).optional(),
  glue: z.boolean().optional(),
  /** It comes away bit by bit: which stretch first, over which edge of the pry map, how deep there. */
  stages: z
    .array(
      z.strictObject({ words: words(120), edge: z.enum(EDGES).optional(), depthMm: z.number().positive().max(60).optional() }),
    )
    .max(6)
    .optional(),
  /** What it counts as where an order is looked for, if that is not what it takes: what was planned at hand keeps its place. */
  orderMinutes: z.number().positive().max(240).optional(),
});
export type Motion = z.infer<typeof Motion>;

/** The lid opened or turned to an angle, and held there: a step of its own. */
export const Turn = z.strictObject({
  id,
  name: words(60),
  angleDeg: z.number().min(0).max(360),
  how: words(240),
  hold: words(120).optional(),
  caution: words(240).optional(),
  minutes: z.number().positive().max(30).default(0.5),
  /** What must be away before it may be turned: parts, screw groups, connectors or tapes. */
  free: z.array(id).max(20).default([]),
});
export type Turn = z.infer<typeof Turn>;

/** Something done on the way back only: heat-proof tape, a mark, screws put in to align and taken out again. */
export const BackAct = z.strictObject({
  id,
  ...Motion.shape,
  why: words(200),
  /** Parts, screw groups, connectors or moments it comes after, and those it comes before. */
  after: z.array(words(60)).max(12).default([]),
  before: z.array(words(60)).max(12).default([]),
});
export type BackAct = z.infer<typeof BackAct>;
