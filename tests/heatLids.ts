import type { Build } from "@/core/build";
import { COVERS, type CoverKind, type Face, type Jet, type LidModel } from "@/core/heat";
import type { ReferenceLid } from "./heatReference";

/** A small lid, so that a fine reference takes a second: pocket 160 by 110 mm, a strip below and one at the left. */
export const POCKET = { xMm: 5, yMm: 4, widthMm: 160, heightMm: 110 };
export const STRIPS = [
  { id: "bottom", edge: "bottom", xMm: 9, yMm: 106, widthMm: 150, heightMm: 6 },
  { id: "left", edge: "left", xMm: 7, yMm: 10, widthMm: 4.5, heightMm: 92 },
] as const;
export type Outs = { fromMm: number; toMm: number; why: string }[];
export const parts = (outs: Outs = [], pocket = POCKET, strips: readonly (typeof STRIPS)[number][] = STRIPS) =>
  ({
    lid: { pocket },
    tapes: strips.map(({ id, edge, ...shape }) => ({
      id,
      edge,
      shape,
      kind: "strip",
      thicknessMm: 0.3,
      keepOuts: id === "bottom" ? outs : [],
    })),
  }) as unknown as Pick<Build, "lid" | "tapes">;
export const reference = (cover: CoverKind, construction: ReferenceLid["construction"], face: Face): ReferenceLid => ({
  pocket: POCKET,
  strips: STRIPS.map(({ edge: _, ...s }) => s),
  cover: {
    mm: COVERS[cover].mm,
    k: COVERS[cover].kWmK,
    ...(COVERS[cover].kInWmK ? { kIn: COVERS[cover].kInWmK } : {}),
    rho: COVERS[cover].rhoKgM3,
    cp: COVERS[cover].cpJkgK,
    eps: COVERS[cover].eps,
  },
  tapeMm: 0.3,
  construction,
  face,
});
export const sweep: Jet = {
  do: "jet",
  edge: "bottom",
  fromMm: 20,
  toMm: 100,
  insetMm: 10,
  tool: "heatGun",
  nozzleC: 130,
  standOffMm: 60,
};
export const norm = (m: LidModel, t: Float64Array, face: Face, room = 23): number => {
  const c = m.capacityJK(face);
  return Math.sqrt(t.reduce((s, x, k) => s + c[k]! * (x - room) ** 2, 0));
};
