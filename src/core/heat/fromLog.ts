import type { Build } from "../build";
import type { Jet, Mat } from "./acts";
import type { FollowAsk, HeatRead, HeatStretch } from "./follow";
import type { Tool } from "./jet";
import type { Edge } from "./lid";
import type { HeatOwn } from "./own";
import type { CoverKind } from "./properties";

/** Where something heats: a nozzle along an edge, or a mat's place on the back. mm on the lid. */
export type HeatPlace =
  | { edge: Edge; fromMm: number; toMm: number; insetMm: number; standOffMm: number }
  | { rect: { xMm: number; yMm: number; widthMm: number; heightMm: number } };

/** One pass as it stands in a log. */
export interface HeatPassTold {
  tool: "mat" | Extract<Tool, string>;
  setC: number;
  tape?: string | undefined;
  cover?: CoverKind | undefined;
  place?: HeatPlace | undefined;
  /** When it was switched on, and seen off, ms; null while it heats. */
  onMs: number;
  offMs: number | null;
}

/** What was read meanwhile, ms. */
export type HeatReadTold = { ms: number } & ({ xMm: number; yMm: number; surfaceC: number } | { stiff: string });

/** Passes further apart than this are two warmings: the lid is cold again, ms. */
const COLD_MS = 20 * 60_000;
/** Stand-off of a nozzle nobody noted, and how far inward of the edge it is held, mm (adj). */
const STAND_OFF_MM = { heatGun: 60, rework: 40, hairDryer: 40 } as const;
const INSET_MM = 10;
/** A mat reaches this far past the strip it is laid for, where nobody noted its place, mm (adj). */
const REACH_MM = 25;

/** What a pass does to the lid; where nobody noted a place, along the whole strip it is for. */
function actOf(b: Pick<Build, "lid" | "tapes">, p: HeatPassTold): Jet | Mat | null {
  const strip = b.tapes.find((t) => t.id === p.tape);
  const place = p.place;
  if (p.tool === "mat") {
    const own = strip?.shape;
    const rect =
      place && "rect" in place
        ? place.rect
        : own && {
            xMm: own.xMm - REACH_MM,
            yMm: own.yMm - REACH_MM,
            widthMm: own.widthMm + 2 * REACH_MM,
            heightMm: own.heightMm + 2 * REACH_MM,
          };
    return rect ? { do: "mat", face: "back", rect, setC: p.setC } : null;
  }
  const tool = { tool: p.tool, nozzleC: p.setC };
  if (place && "edge" in place) return { do: "jet", ...tool, ...place };
  if (!strip) return null;
  const upright = strip.edge === "left" || strip.edge === "right";
  const [fromMm, long] = upright ? [strip.shape.yMm, strip.shape.heightMm] : [strip.shape.xMm, strip.shape.widthMm];
  return {
    do: "jet",
    ...tool,
    edge: strip.edge,
    fromMm,
    toMm: fromMm + long,
    insetMm: INSET_MM,
    standOffMm: STAND_OFF_MM[p.tool],
  };
}

/**
 * The warming that goes on, or was the last, as its log tells it; null where nothing is known of the cover or of a place.
 * @param passes in the order they were switched on
 * @param o the tape that is to come off and where it lets go, °C; the cover where it is known otherwise
 * @returns what it is followed by, and when its clock began, ms
 * @example followFromLog(build, [], [], { tape: "tape-left", softC: 55 }) // null
 */
export function followFromLog(
  b: Pick<Build, "lid" | "tapes">,
  passes: readonly HeatPassTold[],
  reads: readonly HeatReadTold[],
  o: { tape: string; softC: number; cover?: CoverKind; coverMm?: number; roomC?: number; own?: HeatOwn },
): { ask: FollowAsk; beganMs: number } | null {
  let from = passes.length - 1;
  while (from > 0 && passes[from]!.onMs - (passes[from - 1]!.offMs ?? passes[from]!.onMs) < COLD_MS) from -= 1;
  const mine = passes.slice(Math.max(0, from));
  const first = mine[0];
  const cover = mine.findLast((p) => p.cover)?.cover ?? o.cover;
  if (!first || !cover) return null;
  const beganMs = first.onMs;
  const stretches: HeatStretch[] = [];
  for (const p of mine) {
    const act = actOf(b, p);
    if (!act) return null;
    stretches.push({ atS: (p.onMs - beganMs) / 1000, forS: p.offMs === null ? null : (p.offMs - p.onMs) / 1000, act });
  }
  return {
    beganMs,
    ask: {
      lid: b.lid,
      tapes: b.tapes,
      cover,
      ...(o.coverMm === undefined ? {} : { coverMm: o.coverMm }),
      ...(o.roomC === undefined ? {} : { roomC: o.roomC }),
      ...(o.own ? { own: o.own } : {}),
      softC: o.softC,
      tape: o.tape,
      stretches,
      reads: reads.filter((r) => r.ms >= beganMs).map(({ ms, ...r }): HeatRead => ({ atS: (ms - beganMs) / 1000, ...r })),
    },
  };
}
