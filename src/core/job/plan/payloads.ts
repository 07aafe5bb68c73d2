import { z } from "zod";
import { WARMED_WITH } from "../../build";
import { hash, key, text } from "../shapes";

/** What events of Plan carry, in their newest shape. */
export const planPayloads = {
  "plan.made": z.strictObject({
    buildHash: hash,
    goal: z.enum(["subjectOut", "lidOff", "cableOut", "cameraOut"]),
    /** The table of checks this job is held to; missing = those of before there was one. */
    checksHash: hash.optional(),
  }),
  "plan.rebuilt": z.strictObject({ buildHash: hash, why: text(200) }),
  /** What the hands are after from here: the new one in, only the old one's label, or everything closed again with the old one in. */
  "plan.aimed": z.strictObject({ aim: z.enum(["swap", "label", "close"]), why: z.string().trim().max(200) }),
  /** Which tape of the shelf strips of one width are cut from: one ply, or two on each other, with the pair as it was measured. */
  "plan.tapeChosen": z.strictObject({
    widthMm: z.number().positive().max(60),
    pliesMm: z.array(z.number().positive().max(3)).min(1).max(2),
    pocketMm: z.number().positive().max(20).optional(),
    panelMm: z.number().positive().max(20).optional(),
    /** The roll each piece is cut from, ply by ply, as the cut list named them. */
    rolls: z
      .array(z.record(key, text(60)))
      .max(2)
      .optional(),
    /** Rolls past their date of which a test strip was peeled, and held. */
    peeled: z.array(text(80)).min(1).max(20).optional(),
  }),
  /** What makes a strip let go here, as the search for passes found it: the plan's minutes, kit and risk follow it. */
  "plan.warmingChosen": z.strictObject({
    tape: key,
    with: z.enum(WARMED_WITH),
    minutes: z.number().positive().max(240).optional(),
    passes: z.int().min(1).max(60).optional(),
    over: z.strictObject({ broken: z.int().min(0).max(10000), draws: z.int().min(1).max(10000) }).optional(),
  }),
  /** What feeds this machine's tests, where the supply its build names is not at hand. */
  "plan.supplyChosen": z.strictObject({ supply: z.enum(["mains", "mainsAndBattery", "battery"]) }),
  /** How a lamp-lit machine is tried: whole, or open by the trained person named. */
  "plan.lampTestChosen": z.strictObject({ test: z.enum(["afterBezel", "open"]), by: text(80).min(1).optional() }),
} as const;
