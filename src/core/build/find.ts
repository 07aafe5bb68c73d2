import type { Build, Connector, Part, ScrewGroup, ScrewType, Tape } from "./schema";

export interface BuildIndex {
  build: Build;
  part: ReadonlyMap<string, Part>;
  group: ReadonlyMap<string, ScrewGroup>;
  /** screw id to its group */
  groupOfScrew: ReadonlyMap<string, ScrewGroup>;
  screwType: ReadonlyMap<string, ScrewType>;
  connector: ReadonlyMap<string, Connector>;
  tape: ReadonlyMap<string, Tape>;
  /** What is replaced. */
  subject: Part;
  powerPoints: readonly Connector[];
  /** The connectors that join the subject. */
  subjectConnectors: readonly Connector[];
}

/** The part a build replaces. @example subjectPart(build).name // "Panel" */
export const subjectPart = (build: Build): Part | undefined => build.parts.find((p) => p.id === build.subject.part);

/**
 * Whether the new part comes with films to take off and a pocket to keep clear: a whole lid comes closed, with its panel in it.
 * @example hasFilms(build) // true
 */
export const hasFilms = (build: Build): boolean => build.subject.kind !== "lidAssembly";

const cache = new WeakMap<Build, BuildIndex>();

/**
 * Look-ups by id for a sound build, made once per build object.
 * @throws when the build has no subject, which `checkBuild` refuses beforehand
 * @example indexBuild(build).part.get("bezel").name // "Bezel"
 */
export function indexBuild(build: Build): BuildIndex {
  const known = cache.get(build);
  if (known) return known;
  const subject = subjectPart(build);
  if (!subject) throw new Error(`build ${build.id} has no part "${build.subject.part}"`);
  const groupOfScrew = new Map<string, ScrewGroup>();
  for (const g of build.screwGroups) for (const s of g.screws) groupOfScrew.set(s.id, g);
  const index: BuildIndex = {
    build,
    part: new Map(build.parts.map((p) => [p.id, p])),
    group: new Map(build.screwGroups.map((g) => [g.id, g])),
    groupOfScrew,
    screwType: new Map(build.screwTypes.map((t) => [t.id, t])),
    connector: new Map(build.connectors.map((c) => [c.id, c])),
    tape: new Map(build.tapes.map((t) => [t.id, t])),
    subject,
    powerPoints: build.connectors.filter((c) => c.powerPoint),
    subjectConnectors: build.connectors.filter((c) => c.joins[0] === subject.id),
  };
  cache.set(build, index);
  return index;
}
