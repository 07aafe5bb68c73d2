import { z } from "zod";
import { COVER_KINDS, EDGES } from "../../build";
import { key, nothing, text } from "../shapes";
import { HEAT_TOOLS } from "./heatTools";

const onLid = z.number().min(-500).max(1000);
const matSide = z.number().min(5).max(600);

/** What events of power on the bench carry, in their newest shape. */
export const benchPayloads = {
  "bench.shutDown": nothing,
  "bench.mainsOut": nothing,
  "bench.mainsIn": nothing,
  "bench.batteryOff": z.strictObject({ proven: z.literal(true) }),
  "bench.drained": z.strictObject({ seconds: z.number().min(1).max(120) }),
  "bench.started": nothing,
  /** Lamp-lit and open: the inverter is insulated and hands are off, by a trained person, for one start. */
  "bench.lampGuarded": z.strictObject({ by: text(80).min(1) }),
  /** Power is off, and the inverter was left alone. */
  "bench.lampWaited": z.strictObject({ seconds: z.number().min(1).max(3600) }),
  /** Something that heats was switched on: at its nozzle, or the mat's set-point, °C. */
  "bench.heatOn": z.strictObject({
    tool: z.enum(HEAT_TOOLS),
    setC: z.number().min(25).max(300),
    tape: key.optional(),
    /** Said by a person: the old panel goes, and no film or part behind it is used again. */
    thrownAway: z.literal(true).optional(),
    /** Said by a person: a pack lies under the cover or against it. */
    packInZone: z.literal(true).optional(),
    /** The hottest this pass makes what stays, as its plan has it at the tool's strongest, °C. */
    peakC: z.partialRecord(z.enum(["film", "lcd", "battery", "cover", "surface"]), z.number().min(-20).max(400)).optional(),
    /** How long this pass is meant to be, s. */
    plannedS: z.number().min(0).max(1200).optional(),
    /** What the heated cover is made of, where somebody said. */
    cover: z.enum(COVER_KINDS).optional(),
    /** Where it heats: a nozzle along an edge, or a mat's place, mm on the lid. */
    place: z
      .union([
        z.strictObject({
          edge: z.enum(EDGES),
          fromMm: onLid,
          toMm: onLid,
          insetMm: z.number().min(-50).max(100),
          standOffMm: z.number().min(1).max(300),
        }),
        z.strictObject({ rect: z.strictObject({ xMm: onLid, yMm: onLid, widthMm: matSide, heightMm: matSide }) }),
      ])
      .optional(),
  }),
  /** A temperature read on the heated face, at a place of the lid. */
  "bench.heatRead": z.strictObject({ xMm: onLid, yMm: onLid, surfaceC: z.number().min(-20).max(200) }),
  /** A strip that had let go is stiff again under the pick. */
  "bench.heatStiff": z.strictObject({ tape: key }),
  /** What decides how soon the tape holds: the room, °C, and what the panel weighs, kg. */
  "bench.holdTold": z.strictObject({
    roomC: z.number().min(-10).max(50).optional(),
    massKg: z.number().min(0.02).max(5).optional(),
  }),
  /** Solvent was put on old adhesive: how long it takes to dry, min. */
  "bench.solventUsed": z.strictObject({ dryMin: z.number().min(2).max(60) }),
  /** A clean sheet laid over bare films, or taken off them. */
  "bench.filmsCovered": nothing,
  "bench.filmsUncovered": nothing,
  /** Seen dry, and the cloth is away. */
  "bench.solventDry": nothing,
  /** Seen switched off: recording it does not switch it off. */
  "bench.heatOff": nothing,
} as const;
