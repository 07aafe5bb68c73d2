import type { Build, Part, ScrewGroup } from "./schema";
import type { Turn } from "./schemaActs";

/** Every part a group's screws go through. @example partsHeld({ holds: "plate", alsoHolds: ["hinge"] }) // ["plate", "hinge"] */
export const partsHeld = (g: Pick<ScrewGroup, "holds" | "alsoHolds">): string[] => [g.holds, ...(g.alsoHolds ?? [])];

/**
 * Whether a part goes back: one that breaks by coming out, or is part of the new one, does not.
 * @example comesBack({ fate: "replaced" }) // true
 */
export const comesBack = (p: Pick<Part, "fate">): boolean => p.fate !== "destroyed" && p.fate !== "comesWithNew";

/**
 * Whether the screws of a group go back: they have to, as long as one of the parts they go through does.
 * @example screwsComeBack(build, build.screwGroups[0]) // true
 */
export const screwsComeBack = (b: Build, g: Pick<ScrewGroup, "holds" | "alsoHolds">): boolean =>
  partsHeld(g).some((id) => {
    const p = b.parts.find((x) => x.id === id);
    return p === undefined || comesBack(p);
  });

/**
 * Whether what is replaced hangs on hinges: a whole lid held by screws. It is set on its hinges first, then plugged and tried.
 * @example hangs(build) // false
 */
export const hangs = (b: Build): boolean => b.subject.kind === "lidAssembly" && !b.tapes.some((t) => t.holds === b.subject.part);

/** A turn of the lid by its id. @example turnOf(build, "upright") // undefined */
export const turnOf = (b: Build, id: string): Turn | undefined => b.turns?.find((t) => t.id === id);
