import { withOpenLooks } from "./looks";
import type { Build, Connector, Part, PlacePhoto, PryEdge, ScrewGroup, ScrewType, Tape } from "./schema";

/** A thing of a build that stands somewhere: what the editor selects, moves and takes away. */
export type ThingKind = "part" | "group" | "screw" | "connector" | "tape" | "photo";
export interface Thing {
  kind: ThingKind;
  id: string;
}

const slug = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40) || "thing";

const idsOf = (b: Build): Set<string> =>
  new Set([
    ...b.parts.map((p) => p.id),
    ...b.screwGroups.flatMap((g) => [g.id, ...g.screws.map((s) => s.id)]),
    ...b.connectors.map((c) => c.id),
    ...b.tapes.map((t) => t.id),
    ...(b.photos ?? []).map((p) => p.id),
    ...b.screwTypes.map((t) => t.id),
  ]);

/** An id nothing else in the build has. @example freeId(build, "Base cover") // "base-cover-2" */
export function freeId(b: Build, name: string): string {
  const taken = idsOf(b);
  const first = slug(name);
  if (!taken.has(first)) return first;
  for (let n = 2; ; n++) if (!taken.has(`${first}-${n}`)) return `${first}-${n}`;
}

/**
 * A build for a machine nobody has described yet, from that of another of its family.
 * @example templateFor(build, "Nonesuch 15").machineModel // "Nonesuch 15"
 */
export function templateFor(b: Build, model: string): Build {
  return withOpenLooks({
    ...structuredClone(b),
    id: slug(model),
    machineModel: model,
    machineCodes: [],
    source: `Template of family ${b.family}: nothing measured on this machine yet`,
  });
}

/**
 * Adds a part in the middle of its side, that comes out in a minute.
 * @example addPart(build, "Speaker", "base").parts.at(-1).id // "speaker"
 */
export function addPart(b: Build, name: string, view: Part["view"]): Build {
  const size = view === "lid" ? [b.lid.widthMm, b.lid.heightMm] : [b.base.widthMm, b.base.depthMm];
  const part: Part = {
    id: freeId(b, name),
    name,
    view,
    role: "other",
    shape: { xMm: Math.round(size[0]! / 2 - 20), yMm: Math.round(size[1]! / 2 - 10), widthMm: 40, heightMm: 20 },
    out: { verb: `Take out ${name.toLowerCase()}`, how: "As it comes.", minutes: 1 },
    blockedBy: [],
    either: [],
    backNeedsIsolation: false,
  };
  return { ...b, parts: [...b.parts, part] };
}

/**
 * Adds a screw of a group's first type, or of the build's; a group is made for a part that has none.
 * @example addScrew(build, "base-cover", "base", 40, 60).screwGroups[0].screws.length // 7
 */
export function addScrew(b: Build, holds: string, view: Part["view"], xMm: number, yMm: number): Build {
  const type = b.screwTypes[0]?.id;
  if (!type) return b;
  const group = b.screwGroups.find((g) => g.holds === holds && g.view === view && !g.loosenOnly);
  const part = b.parts.find((p) => p.id === holds);
  if (!part) return b;
  const screw = {
    id: freeId(b, `${holds}-s1`),
    type: group?.screws[0]?.type ?? type,
    xMm,
    yMm,
    where: `${Math.round(xMm)}, ${Math.round(yMm)} mm`,
  };
  if (group) return { ...b, screwGroups: b.screwGroups.map((g) => (g === group ? { ...g, screws: [...g.screws, screw] } : g)) };
  const made: ScrewGroup = {
    id: freeId(b, `${holds}-screws`),
    name: `${part.name} screws`,
    holds,
    view,
    under: [],
    loosenOnly: false,
    minutesEach: 0.3,
    keepInHoles: false,
    screws: [screw],
  };
  return { ...b, screwGroups: [...b.screwGroups, made] };
}

/** Adds a plug on a part. @example addConnector(build, "panel", "lid", 150, 30).connectors.at(-1).name // "Plug of panel" */
export function addConnector(b: Build, on: string, view: Part["view"], xMm: number, yMm: number): Build {
  const c: Connector = {
    id: freeId(b, `${on}-plug`),
    name: `Plug of ${(b.parts.find((p) => p.id === on)?.name ?? on).toLowerCase()}`,
    kind: "friction",
    view,
    xMm,
    yMm,
    joins: [on, "Main board"],
    under: [],
    tapedOver: false,
    powerPoint: false,
    aheadOfIsolation: false,
    reachableWhenSeated: true,
    serves: "other",
    minutes: 1,
  };
  return { ...b, connectors: [...b.connectors, c] };
}

/**
 * A strip along an edge, where it was tapped, holding a part.
 * @example addTape(build, "panel", 12, 120).tapes.at(-1).edge // "left"
 */
export function addTape(b: Build, holds: string, xMm: number, yMm: number): Build {
  const { xMm: px, yMm: py, widthMm: w, heightMm: h } = b.lid.pocket;
  const far: [Tape["edge"], number][] = [
    ["left", Math.abs(xMm - px)],
    ["right", Math.abs(px + w - xMm)],
    ["top", Math.abs(yMm - py)],
    ["bottom", Math.abs(py + h - yMm)],
  ];
  const edge = far.sort((p, q) => p[1] - q[1])[0]![0];
  const upright = edge === "left" || edge === "right";
  const long = Math.round(Math.min(120, (upright ? h : w) * 0.6));
  const size = upright ? { widthMm: 3, heightMm: long } : { widthMm: long, heightMm: 3 };
  const t: Tape = {
    id: freeId(b, `${holds}-tape`),
    name: `${edge[0]!.toUpperCase()}${edge.slice(1)} strip`,
    holds,
    shape: { xMm: round1(xMm - size.widthMm / 2), yMm: round1(yMm - size.heightMm / 2), ...size },
    edge,
    kind: "strip",
    thicknessMm: 0.2,
    tailMm: 0,
    under: [],
    out: { verb: `Free the ${edge} strip`, how: "Slowly, along the strip, never across the glass.", minutes: 2 },
    keepOuts: [],
  };
  return { ...b, tapes: [...b.tapes, t] };
}

/**
 * Adds a picture at a place. Its bytes are stored already.
 * @example addPhoto(build, { ...photoOfPlace, words: "Left hinge" }).photos.at(-1).words // "Left hinge"
 */
export function addPhoto(b: Build, p: Omit<PlacePhoto, "id">): Build {
  return { ...b, photos: [...(b.photos ?? []), { id: freeId(b, "photo"), ...p }] };
}

/**
 * Adds a kind of screw and returns the build; its id is that of the last type.
 * @example addScrewType(build, { ...build.screwTypes[0], lengthMm: 9 }).screwTypes.at(-1).lengthMm // 9
 */
export function addScrewType(b: Build, t: Omit<ScrewType, "id">): Build {
  return { ...b, screwTypes: [...b.screwTypes, { id: freeId(b, `${t.thread}x${t.lengthMm}-${t.size}`), ...t }] };
}

const put = <T extends { id: string }>(list: readonly T[], one: T): T[] => list.map((x) => (x.id === one.id ? one : x));
/**
 * Puts a thing in the place of the one with its id.
 * @example setPart(build, { ...build.parts[0], name: "Rear cover" }).parts[0].name // "Rear cover"
 */
export const setPart = (b: Build, p: Part): Build => ({ ...b, parts: put(b.parts, p) });
/**
 * The build with a screw group changed; found by its id.
 * @example setGroup(build, { ...build.screwGroups[0], name: "Rear screws" }).screwGroups[0].name // "Rear screws"
 */
export const setGroup = (b: Build, g: ScrewGroup): Build => ({ ...b, screwGroups: put(b.screwGroups, g) });
/**
 * The build with a connector changed; found by its id.
 * @example setConnector(build, { ...build.connectors[0], minutes: 4 }).connectors[0].minutes // 4
 */
export const setConnector = (b: Build, c: Connector): Build => ({ ...b, connectors: put(b.connectors, c) });
/**
 * The build with a tape changed; found by its id.
 * @example setTape(build, { ...build.tapes[0], tailMm: 12 }).tapes[0].tailMm // 12
 */
export const setTape = (b: Build, t: Tape): Build => ({ ...b, tapes: put(b.tapes, t) });
/**
 * The build with a photo of a place changed; found by its id.
 * @example setPhoto(addPhoto(build, photoOfPlace), { ...photoOfPlace, id: "photo", words: "Hinge" }).photos.length // 1
 */
export const setPhoto = (b: Build, p: PlacePhoto): Build => ({ ...b, photos: put(b.photos ?? [], p) });
/**
 * Says how an edge of the lid may be entered; null = nothing is known of it.
 * @example setPry(build, "top", null).lid.pry.some((e) => e.edge === "top") // false
 */
export const setPry = (b: Build, edge: PryEdge["edge"], p: PryEdge | null): Build => ({
  ...b,
  lid: { ...b.lid, pry: [...b.lid.pry.filter((x) => x.edge !== edge), ...(p ? [p] : [])] },
});

const round1 = (n: number): number => Math.round(n * 10) / 10;

/**
 * Puts a thing somewhere else on its side, its middle at this place, to a tenth of a millimetre.
 * @example moveThing(build, { kind: "connector", id: "display-plug" }, 20, 30).connectors.find((c) => c.id === "display-plug").xMm // 20
 */
export function moveThing(b: Build, t: Thing, xMm: number, yMm: number): Build {
  const r = round1;
  const mid = <S extends { xMm: number; yMm: number; widthMm: number; heightMm: number }>(s: S): S => ({
    ...s,
    xMm: r(xMm - s.widthMm / 2),
    yMm: r(yMm - s.heightMm / 2),
  });
  return {
    ...b,
    parts: t.kind === "part" ? b.parts.map((p) => (p.id === t.id && p.shape ? { ...p, shape: mid(p.shape) } : p)) : b.parts,
    screwGroups:
      t.kind === "screw"
        ? b.screwGroups.map((g) => ({
            ...g,
            screws: g.screws.map((s) => (s.id === t.id ? { ...s, xMm: r(xMm), yMm: r(yMm) } : s)),
          }))
        : b.screwGroups,
    connectors:
      t.kind === "connector" ? b.connectors.map((c) => (c.id === t.id ? { ...c, xMm: r(xMm), yMm: r(yMm) } : c)) : b.connectors,
    tapes: t.kind === "tape" ? b.tapes.map((x) => (x.id === t.id ? { ...x, shape: mid(x.shape) } : x)) : b.tapes,
    ...(t.kind === "photo" && b.photos
      ? { photos: b.photos.map((p) => (p.id === t.id ? { ...p, xMm: r(xMm), yMm: r(yMm) } : p)) }
      : {}),
  };
}
