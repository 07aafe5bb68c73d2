import type { Build, Thing } from "@/core/build";

/** Where a thing stands on its side, its middle in mm. */
export function placeOf(b: Build, t: Thing): { xMm: number; yMm: number } | null {
  const s = b.parts.find((p) => p.id === t.id)?.shape ?? b.tapes.find((x) => x.id === t.id)?.shape;
  if (s) return { xMm: s.xMm + s.widthMm / 2, yMm: s.yMm + s.heightMm / 2 };
  return (
    b.connectors.find((c) => c.id === t.id) ??
    b.screwGroups.flatMap((g) => g.screws).find((x) => x.id === t.id) ??
    b.photos?.find((p) => p.id === t.id) ??
    null
  );
}

/** The id of the screw, plug or tape a build has more than another. */
export const addedTo = (before: Build, after: Build, kind: "screw" | "connector" | "tape"): string | undefined =>
  kind === "screw"
    ? after.screwGroups.flatMap((g) => g.screws).find((s) => !placeOf(before, { kind, id: s.id }))?.id
    : (kind === "connector" ? after.connectors : after.tapes).at(-1)?.id;
