import { partsHeld } from "./order";
import type { Build } from "./schema";

/** What nobody could know of a thing when it was described: asked at the bench, before anything of it is undone. */
export type LookFor = NonNullable<Build["looks"]>[number];

type Of = "part" | "screws" | "connector" | "tape";

/** What is most often not known of each kind of thing, in the words it is asked in; the first is taken where none is chosen. */
export const LOOK_ASKS: Readonly<Record<Of, readonly [string, ...string[]]>> = {
  part: [
    "What else holds it: a screw under a rubber foot or cover, a clip, tape along an edge?",
    "Which way does it come away, and which edge first?",
    "Is a lead fixed to its inside?",
  ],
  screws: ["How long is each, and are they all of one kind?", "Are there more of them, under a foot or a label?"],
  connector: ["Which plug is it: slid, lifted, with a bar, under tape or a screw?", "How far does its lead reach?"],
  tape: ["What is it: a strip that is cut, or a tab that is pulled? How far does it run?"],
};

const kindOf = (b: Build, id: string): Of | null =>
  b.parts.some((p) => p.id === id)
    ? "part"
    : b.screwGroups.some((g) => g.id === id)
      ? "screws"
      : b.connectors.some((c) => c.id === id)
        ? "connector"
        : b.tapes.some((t) => t.id === id)
          ? "tape"
          : null;

/** What may be asked of a thing; empty for what is no part, screw group, plug or tape. @example lookAsks(build, "panel").length // 3 */
export const lookAsks = (b: Build, id: string): readonly string[] => {
  const kind = kindOf(b, id);
  return kind ? LOOK_ASKS[kind] : [];
};

/** The question left open of a thing. @example lookOf(build, "panel") // undefined */
export const lookOf = (b: Build, id: string): LookFor | undefined => b.looks?.find((l) => l.of === id);

/**
 * Leaves a question of a thing open, or takes it away again with null; the place in the list stays.
 * @example setLook(build, "panel", "What holds it?").looks.length // 1
 */
export function setLook(b: Build, of: string, ask: string | null): Build {
  const { looks = [], ...rest } = b;
  const had = looks.some((l) => l.of === of);
  const next =
    ask === null
      ? looks.filter((l) => l.of !== of)
      : had
        ? looks.map((l) => (l.of === of ? { of, ask } : l))
        : [...looks, { of, ask }];
  return next.length ? { ...rest, looks: next } : rest;
}

/**
 * What a template cannot know of a machine nobody measured: what holds the bezel, what holds what is replaced, which plug is on it.
 * @example withOpenLooks(build).looks[0].of // "bezel"
 */
export function withOpenLooks(b: Build): Build {
  const bezel = b.parts.find((p) => p.role === "bezel" && p.out)?.id;
  const plug = b.connectors.find((c) => c.joins[0] === b.subject.part && c.serves === "picture")?.id;
  const held =
    b.screwGroups.some((g) => partsHeld(g).includes(b.subject.part)) || b.tapes.some((t) => t.holds === b.subject.part);
  let next = b;
  if (bezel) next = setLook(next, bezel, LOOK_ASKS.part[0]);
  next = setLook(
    next,
    b.subject.part,
    held ? "Is it held as said here: the same screws, brackets, strips, pull tabs? More of them?" : LOOK_ASKS.part[0],
  );
  return plug ? setLook(next, plug, LOOK_ASKS.connector[0]) : next;
}
