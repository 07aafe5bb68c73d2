import type { BuildIndex } from "./find";
import type { Find } from "./findSchema";
import { partsHeld } from "./order";
import type { Build } from "./schema";
import type { Motion } from "./schemaActs";

/** A find with the event it was reported by: its id makes the ids of what it adds. */
export type KeptFind = Find & { eventId: string };

/** What a find says of itself in the job it was made in. */
const HERE = "Found on this job: not in the build yet.";
const TO_HERE = "found on this job";

const cache = new WeakMap<Build, Map<string, Build>>();
/** The id of what a find adds to a build. @example findId(find) // "found-000000000042" */
export const findId = (f: KeptFind): string => `found-${f.eventId.replace(/[^0-9a-f]/g, "").slice(-12)}`;

/** What lies over a find, as far as this build has it. */
const over = (f: Find, b: Build): string[] => (f.under ?? []).filter((u) => b.parts.some((p) => p.id === u));

/**
 * A part that cannot lie over a find, because it comes away only after what the find holds: told by its name; null when all can.
 * @example cannotLieOver(b, { holds: "bezel", under: ["bezel"] }) // "Bezel"
 */
export function cannotLieOver(b: BuildIndex, f: Pick<Find, "holds" | "under">): string | null {
  /** Whether a part waits for the held one, at one remove or more. */
  const waits = (id: string, seen = new Set<string>()): boolean => {
    if (id === f.holds) return true;
    if (seen.has(id)) return false;
    seen.add(id);
    const p = b.part.get(id);
    const before = [
      ...(p?.blockedBy ?? []),
      ...b.build.screwGroups.filter((g) => partsHeld(g).includes(id)).flatMap((g) => g.under),
      ...b.build.connectors.filter((c) => c.joins[0] === id).flatMap((c) => c.under),
    ];
    return before.some((x) => waits(x, seen));
  };
  const bad = (f.under ?? []).find((u) => waits(u));
  return bad === undefined ? null : (b.part.get(bad)?.name ?? bad);
}

/** A screw nobody has measured: its length is unknown, so it is told apart from all others by its place. */
const UNMEASURED = "found-screw";

/**
 * The build with what was found added, so that plan, gates and ledger count it at once in this job. Finds that name a part the
 * build does not have are left out.
 * @returns the same object when there are no finds; else one object per set of finds
 * @example applyFinds(build, [find]).screwGroups.at(-1).holds // "base-cover"
 */
export function applyFinds(build: Build, finds: readonly KeptFind[]): Build {
  if (finds.length === 0) return build;
  const made = cache.get(build) ?? new Map<string, Build>();
  cache.set(build, made);
  const name = JSON.stringify(finds);
  const known = made.get(name);
  if (known) return known;
  const b: Build = structuredClone(build);
  for (const f of finds) {
    const part = b.parts.find((p) => p.id === f.holds);
    if (!part) continue;
    const id = findId(f);
    // Taken over into the build meanwhile: it is there already.
    if ([b.screwGroups, b.connectors, b.parts].some((list) => list.some((x) => x.id === id))) continue;
    if (f.kind === "hiddenScrew") {
      let type = b.screwTypes.find((t) => t.id === f.screwType)?.id;
      if (!type) {
        type = UNMEASURED;
        if (!b.screwTypes.some((t) => t.id === UNMEASURED))
          b.screwTypes.push({
            id: UNMEASURED,
            thread: "M2",
            lengthMm: 4,
            head: "pan",
            headDiameterMm: 3.8,
            headHeightMm: 1.4,
            drive: "cross",
            size: "PH00",
            unmeasured: true,
          });
      }
      b.screwGroups.push({
        id,
        name: "Hidden screw",
        holds: f.holds,
        view: f.view,
        under: over(f, b),
        loosenOnly: false,
        minutesEach: 0.5,
        keepInHoles: false,
        caution: HERE,
        screws: [{ id: `${id}-1`, type, xMm: f.xMm, yMm: f.yMm, where: f.words }],
      });
    } else if (f.kind === "extraCable") {
      b.connectors.push({
        id,
        name: f.words,
        kind: f.connector,
        view: f.view,
        xMm: f.xMm,
        yMm: f.yMm,
        joins: [f.holds, TO_HERE],
        under: over(f, b),
        tapedOver: false,
        powerPoint: false,
        aheadOfIsolation: false,
        reachableWhenSeated: part.id !== b.subject.part,
        serves: "other",
        minutes: 1,
      });
    } else if (f.kind === "part") {
      const out: Motion = {
        verb: `Take out ${f.words.toLowerCase()}`,
        how: HERE,
        minutes: 1.5,
      };
      b.parts.push({
        id,
        name: f.words,
        view: f.view,
        role: "other",
        shape: { xMm: f.xMm, yMm: f.yMm, widthMm: 12, heightMm: 8 },
        out,
        blockedBy: over(f, b),
        either: [],
        backNeedsIsolation: false,
      });
      part.blockedBy = [...part.blockedBy, id];
    } else if (part.out && !part.out.caution?.includes(`Glue found: ${f.words}.`)) {
      part.out = {
        ...part.out,
        glue: true,
        minutes: part.out.minutes + 2,
        caution: `${part.out.caution ? `${part.out.caution} ` : ""}Glue found: ${f.words}.`.slice(0, 240),
      };
    }
  }
  made.set(name, b);
  return b;
}

/**
 * The build with a find taken over for good: as in the job it was found in, but told as what it is by then, found at a bench and
 * not measured, on every later job.
 * @example adoptFind(build, find).screwGroups.at(-1).caution // "Found at the bench, never measured: keep it apart from the others."
 */
export function adoptFind(build: Build, f: KeptFind): Build {
  const b = applyFinds(build, [f]);
  const id = findId(f);
  return {
    ...b,
    screwGroups: b.screwGroups.map((g) =>
      g.id === id ? { ...g, caution: "Found at the bench, never measured: keep it apart from the others." } : g,
    ),
    connectors: b.connectors.map((c) => (c.id === id ? { ...c, joins: [c.joins[0], "where it leads was not noted"] } : c)),
    parts: b.parts.map((p) => (p.id === id && p.out ? { ...p, out: { ...p.out, how: "Found at the bench: as it comes." } } : p)),
  };
}
