import { checkBuild } from "./check";
import type { Thing } from "./edit";
import type { Build } from "./schema";

const turned = (list: readonly string[], id: string): string[] =>
  list.includes(id) ? list.filter((x) => x !== id) : [...list, id];

/**
 * Whether a part is said to lie over a thing.
 * @example liesOver(build, { kind: "part", id: "panel" }, "bezel") // true
 */
export function liesOver(b: Build, t: Thing, over: string): boolean {
  const list =
    t.kind === "part"
      ? b.parts.find((p) => p.id === t.id)?.blockedBy
      : t.kind === "connector"
        ? b.connectors.find((c) => c.id === t.id)?.under
        : t.kind === "tape"
          ? b.tapes.find((x) => x.id === t.id)?.under
          : b.screwGroups.find((g) => g.id === t.id || g.screws.some((s) => s.id === t.id))?.under;
  return list?.includes(over) ?? false;
}

/**
 * Says of a part that it lies over a thing, or no longer does: pointed at on the drawing.
 * @param t screws, a plug, tape or a part
 * @returns the build with it; the same build where that cannot be: over itself, round in a circle, of a photo
 * @example toggleOver(build, { kind: "connector", id: "display-plug" }, "display-plug") === build // true
 */
export function toggleOver(b: Build, t: Thing, over: string): Build {
  if (t.id === over || !b.parts.some((p) => p.id === over && (p.out || p.fold))) return b;
  const next = pointed(b, t, over);
  // Round in a circle, or a plug under what it holds: whatever makes a sound build unsound is not taken.
  return checkBuild(next).length > checkBuild(b).length ? b : next;
}

function pointed(b: Build, t: Thing, over: string): Build {
  switch (t.kind) {
    case "part":
      return { ...b, parts: b.parts.map((p) => (p.id === t.id ? { ...p, blockedBy: turned(p.blockedBy, over) } : p)) };
    case "screw":
    case "group":
      return {
        ...b,
        screwGroups: b.screwGroups.map((g) =>
          g.holds !== over && (g.id === t.id || g.screws.some((s) => s.id === t.id)) ? { ...g, under: turned(g.under, over) } : g,
        ),
      };
    case "connector":
      return { ...b, connectors: b.connectors.map((c) => (c.id === t.id ? { ...c, under: turned(c.under, over) } : c)) };
    case "tape":
      return {
        ...b,
        tapes: b.tapes.map((x) => (x.id === t.id && x.holds !== over ? { ...x, under: turned(x.under, over) } : x)),
      };
    default:
      return b;
  }
}
