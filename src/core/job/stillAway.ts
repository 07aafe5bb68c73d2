import { comesBack, screwsComeBack } from "../build";
import { buildOf, type JobView, screwsOpen } from "./derived";

/**
 * What is away of a machine and has to come back: what broke by coming out, or came with the new part, has no way back, nor have the
 * screws that held only that.
 * @returns ids; of parts without what is replaced
 * @example stillAway(view).parts // []
 */
export function stillAway(v: JobView): { screws: string[]; loose: string[]; parts: string[] } {
  const b = buildOf(v);
  const { out, loose } = screwsOpen(v.state);
  return {
    screws: out.filter((id) => {
      const g = b?.groupOfScrew.get(id);
      return !b || !g || screwsComeBack(b.build, g);
    }),
    loose,
    parts: Object.keys(v.state.parts).filter((p) => {
      const part = b?.part.get(p);
      return v.state.parts[p] !== "back" && p !== b?.subject.id && (!part || comesBack(part));
    }),
  };
}

/**
 * Whether the machine lies open: something of it is away that comes back, or nothing is in its place.
 * @example openNow(view) // false
 */
export function openNow(v: JobView): boolean {
  const { screws, parts } = stillAway(v);
  const own = buildOf(v)?.subject.id;
  const folded = own !== undefined && v.state.parts[own] === "folded";
  return screws.length > 0 || parts.length > 0 || folded || v.state.subject === "out";
}
