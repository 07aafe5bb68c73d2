import { z } from "zod";
import type { Build } from "../build";
import type { Jet, Mat } from "./acts";
import { calibrateTool, type ToolCalibration } from "./calibrate";
import type { Tool } from "./jet";
import { type LidOptions, lidModel } from "./lid";
import type { Means } from "./planTypes";
import { type CoverKind, FIGURES, type Figure, MATERIALS, TOOLS } from "./properties";

const OF_FIGURES = [
  "roomC",
  "airBackWm2K",
  "airFrontWm2K",
  "epsFront",
  "matContactWm2K",
  "matPowerW",
  "matCapacityJK",
  "batteryContactWm2K",
  "softC",
] as const;

/** What a shop may know better than the defaults: each with its value, what it may be, and its unit. */
export const OWN_FIGURES = {
  ...(Object.fromEntries(OF_FIGURES.map((k) => [k, FIGURES[k]])) as Record<(typeof OF_FIGURES)[number], Figure>),
  tapeKWmK: {
    name: "Tape conducts",
    value: MATERIALS.tape.kWmK,
    range: MATERIALS.tape.kRange,
    unit: "W/mK",
    tag: MATERIALS.tape.tag,
  } satisfies Figure,
} as const;
export type OwnFigure = keyof typeof OWN_FIGURES;

/** Hot-air tools a shop can measure. */
export type JetTool = keyof typeof TOOLS;

/** Beyond its range by this factor a figure is no measurement but a slip of the hand. */
const SLIP = 2;
/** How strong a tool can be found, against what it should give. */
export const CAL_LIMITS: readonly [number, number] = [0.6, 1.5];

const within = ([a, b]: readonly [number, number]) =>
  z
    .number()
    .min(a / SLIP)
    .max(b * SLIP);
const measured = z.strictObject({
  cal: z.number().min(CAL_LIMITS[0]).max(CAL_LIMITS[1]),
  /** When it was measured, as a date. */
  on: z.iso.date(),
});

/** A shop's own figures of warming: what is missing is the default. */
export const HeatOwn = z.strictObject({
  figures: z.strictObject(
    Object.fromEntries(Object.entries(OWN_FIGURES).map(([k, f]) => [k, within(f.range).optional()])) as Record<
      OwnFigure,
      z.ZodOptional<z.ZodNumber>
    >,
  ),
  tools: z.strictObject(
    Object.fromEntries(Object.keys(TOOLS).map((k) => [k, measured.optional()])) as Record<
      JetTool,
      z.ZodOptional<typeof measured>
    >,
  ),
});
export type HeatOwn = z.infer<typeof HeatOwn>;
export const NOTHING_OWN: HeatOwn = { figures: {}, tools: {} };

/**
 * A lid's surroundings as this shop knows them.
 * @param roomC the room of this job where it was told, °C
 * @example ownLid({ figures: { roomC: 19 }, tools: {} }).ambientC // 19
 */
export function ownLid({ figures: f }: HeatOwn, roomC?: number): Partial<LidOptions> {
  const room = roomC ?? f.roomC;
  return {
    ...(room === undefined ? {} : { ambientC: room }),
    ...(f.airBackWm2K === undefined ? {} : { hBackWm2K: f.airBackWm2K }),
    ...(f.airFrontWm2K === undefined ? {} : { hFrontWm2K: f.airFrontWm2K }),
    ...(f.epsFront === undefined ? {} : { epsFront: f.epsFront }),
    ...(f.tapeKWmK === undefined ? {} : { tapeKWmK: f.tapeKWmK }),
  };
}

/** Strength of a tool as it was measured here; 1 where nobody did. @example strengthOf({ figures: {}, tools: {} }, "heatGun") // 1 */
export const strengthOf = (own: HeatOwn, tool: Tool): number => (typeof tool === "string" ? (own.tools[tool]?.cal ?? 1) : 1);

const ownMat = ({ figures: f }: HeatOwn) => ({
  ...(f.matContactWm2K === undefined ? {} : { contactWm2K: f.matContactWm2K }),
  ...(f.matPowerW === undefined ? {} : { powerW: f.matPowerW }),
  ...(f.matCapacityJK === undefined ? {} : { capacityJK: f.matCapacityJK }),
});

/** What heats, as strong as this shop's own tool is. @example ownMeans({ figures: {}, tools: {} }, heatOptions.means).by // "mat" */
export const ownMeans = (own: HeatOwn, m: Means): Means =>
  m.by === "mat" ? { ...m, ...ownMat(own) } : { ...m, cal: strengthOf(own, m.tool) };

/** One act of heating, as strong as this shop's own tool is. @example ownAct({ figures: {}, tools: {} }, heatSpot).do // "jet" */
export const ownAct = <A extends Jet | Mat>(own: HeatOwn, a: A): A =>
  a.do === "mat" ? { ...a, ...ownMat(own) } : { ...a, cal: (a.cal ?? 1) * strengthOf(own, a.tool) };

/** A spare lid without tape, big enough that its rim is far from the spot, mm. */
const SPARE = { xMm: 0, yMm: 0, widthMm: 320, heightMm: 210 };

const SPARE_LID: Build["lid"] = {
  widthMm: SPARE.widthMm,
  heightMm: SPARE.heightMm,
  cornerMm: 0,
  depthMm: 5,
  hinges: [],
  opening: SPARE,
  pocket: SPARE,
  pocketDepthMm: 3,
  panelAt: { xMm: 0, yMm: 0 },
  pry: [],
};

/** How a tool is measured: held still over the middle of a spare lid this long, read this long after, s. */
export const SPOT_S = 30;
export const SPOT_READ_S = 5;

/** A nozzle held over a spare lid, and what was read: °C, mm. */
export interface SpotReading {
  tool: JetTool;
  nozzleC: number;
  standOffMm: number;
  cover: CoverKind;
  coverMm?: number;
  roomC?: number;
  surfaceC: number;
  sdK?: number;
}
/** What a page asks of the worker that measures a tool, and its answer. */
export type CalibrateAsk = SpotReading & { own: HeatOwn };
export type CalibrateAnswer = { kind: "found"; found: ToolCalibration } | { kind: "wrong"; words: string };

/**
 * A tool's strength from one reading on a spare lid: nozzle held over its middle for `SPOT_S`, taken away, the surface read
 * `SPOT_READ_S` later.
 * @param o tool, nozzle in °C, stand-off in mm, cover and its thickness, room and reading in °C
 * @throws RangeError where a figure is none
 * @example calibrateOnSpare(NOTHING_OWN, { tool: "heatGun", nozzleC: 150, standOffMm: 60, cover: "al", surfaceC: 62 }).clipped // false
 */
export function calibrateOnSpare(own: HeatOwn, o: SpotReading): ToolCalibration {
  const m = lidModel(
    { lid: SPARE_LID, tapes: [] },
    { cover: o.cover, ...(o.coverMm === undefined ? {} : { coverMm: o.coverMm }), ...ownLid(own, o.roomC) },
  );
  const mid = SPARE.widthMm / 2;
  return calibrateTool(m, {
    act: {
      do: "jet",
      edge: "top",
      fromMm: mid,
      toMm: mid,
      insetMm: SPARE.heightMm / 2,
      tool: o.tool,
      nozzleC: o.nozzleC,
      standOffMm: o.standOffMm,
      seconds: SPOT_S,
    },
    readAfterS: SPOT_READ_S,
    surfaceC: o.surfaceC,
    ...(o.sdK === undefined ? {} : { sdK: o.sdK }),
  });
}
