import type { Thing } from "./edit";
import type { Build } from "./schema";

/**
 * Screws that stay in until the lid stands upright: the turn is made where the build has none yet.
 * @param until a turn, part or connector by its id, `upright` for the lid at 90 degrees, null for nothing
 * @example keepUntil(build, "base-screws", "upright").turns[0].angleDeg // 90
 */
export function keepUntil(b: Build, group: string, until: string | null): Build {
  const made = until === "upright" && !b.turns?.some((t) => t.id === "upright");
  const turn = {
    id: "upright",
    name: "Lid upright over the bench edge",
    angleDeg: 90,
    how: "Base flat, hinge edge at the edge of the bench, lid opened to 90 degrees and held there.",
    hold: "Second hand on the lid.",
    minutes: 0.5,
    free: [],
  };
  return {
    ...b,
    ...(made ? { turns: [...(b.turns ?? []), turn] } : {}),
    screwGroups: b.screwGroups.map((g) => {
      if (g.id !== group) return g;
      const { keepUntil: _, ...rest } = g;
      return until ? { ...rest, keepUntil: until } : rest;
    }),
  };
}

/**
 * Takes a thing away, and every mention of it with it; what hung on a part goes too.
 * @example removeThing(build, { kind: "connector", id: "display-plug" }).connectors.some((c) => c.id === "display-plug") // false
 */
export function removeThing(b: Build, t: Thing): Build {
  const parts = b.parts.filter((p) => !(t.kind === "part" && p.id === t.id));
  const gone = new Set<string>([t.id]);
  const groups = b.screwGroups
    .filter((g) => !(t.kind === "group" && g.id === t.id) && !(t.kind === "part" && g.holds === t.id))
    .map((g) => ({ ...g, screws: g.screws.filter((s) => !(t.kind === "screw" && s.id === t.id)) }))
    .filter((g) => g.screws.length > 0);
  const connectors = b.connectors.filter(
    (c) => !(t.kind === "connector" && c.id === t.id) && !(t.kind === "part" && c.joins[0] === t.id),
  );
  const tapes = b.tapes.filter((x) => !(t.kind === "tape" && x.id === t.id) && !(t.kind === "part" && x.holds === t.id));
  for (const g of b.screwGroups) if (!groups.some((x) => x.id === g.id)) gone.add(g.id);
  for (const c of b.connectors) if (!connectors.includes(c)) gone.add(c.id);
  for (const x of b.tapes) if (!tapes.includes(x)) gone.add(x.id);
  const keep = (list: readonly string[]) => list.filter((x) => !gone.has(x));
  /** Its place in an order, without what is gone. */
  const ordered = <T extends { after?: string[] | undefined; lastOf?: string | undefined; keepUntil?: string | undefined }>(
    x: T,
  ): T => {
    const { after, lastOf, keepUntil, ...rest } = x;
    const left = after && keep(after);
    return {
      ...rest,
      ...(left?.length ? { after: left } : {}),
      ...(lastOf && !gone.has(lastOf) ? { lastOf } : {}),
      ...(keepUntil && !gone.has(keepUntil) ? { keepUntil } : {}),
    } as T;
  };
  return {
    ...b,
    parts: parts.map((p) => {
      const { fragile, ...rest } = ordered(p);
      return {
        ...rest,
        ...(fragile && !gone.has(fragile.exposedBy) ? { fragile } : {}),
        blockedBy: keep(p.blockedBy),
        either: p.either
          .map((e) => ({
            ...e,
            options: e.options.map((o) => ({ ...o, free: keep(o.free) })).filter((o) => o.instead || o.free.length),
          }))
          .filter((e) => e.options.length > 1),
      };
    }),
    screwGroups: groups.map((g) => {
      const { alsoHolds, ...rest } = ordered(g);
      const also = alsoHolds && keep(alsoHolds);
      return { ...rest, ...(also?.length ? { alsoHolds: also } : {}), under: keep(g.under) };
    }),
    connectors: connectors.map((c) => ({ ...ordered(c), under: keep(c.under) })),
    tapes: tapes.map((x) => ({ ...ordered(x), under: keep(x.under) })),
    ...(b.looks ? { looks: b.looks.filter((l) => !gone.has(l.of)) } : {}),
    wayIn: b.wayIn.filter((w) => !gone.has(w.first) && !gone.has(w.next)),
    ...(b.turns ? { turns: b.turns.map((x) => ({ ...x, free: keep(x.free) })) } : {}),
    ...(b.backActs ? { backActs: b.backActs.map((a) => ({ ...a, after: keep(a.after), before: keep(a.before) })) } : {}),
    // A picture of what is gone still shows the place.
    ...(b.photos
      ? {
          photos: b.photos
            .filter((p) => !(t.kind === "photo" && p.id === t.id))
            .map(({ of, ...p }) => (of && !gone.has(of) ? { ...p, of } : p)),
        }
      : {}),
  };
}
