import { type BuildIndex, indexBuild } from "./find";
import { partsHeld } from "./order";
import type { Build, Connector } from "./schema";

/** What has to be home with a part, by id. */
export interface Behind {
  parts: ReadonlySet<string>;
  groups: ReadonlySet<string>;
  plugs: ReadonlySet<string>;
}

/**
 * Whether a seated new one lies over a lead, so that no hand reaches it any more.
 * @example hiddenBySeat(build, build.connectors[0]) // false
 */
export const hiddenBySeat = (b: Build, c: Pick<Connector, "reachableWhenSeated" | "under">): boolean =>
  !c.reachableWhenSeated || c.under.includes(b.subject.part);

/**
 * Parts that stand in the way of what is replaced, at one remove or more.
 * @example inTheWay(b).has("bezel") // true
 */
export function inTheWay(b: BuildIndex): Set<string> {
  const found = new Set<string>();
  const walk = [b.subject.id];
  while (walk.length) {
    const p = b.part.get(walk.pop()!);
    for (const x of [...(p?.blockedBy ?? []), ...(p?.either.flatMap((e) => e.options.flatMap((o) => o.free)) ?? [])])
      if (b.part.has(x) && !found.has(x)) {
        found.add(x);
        walk.push(x);
      }
  }
  return found;
}

/**
 * A part in its place with everything that has to be home behind it first; null where it cannot be home before the new one is in
 * and proven: it stands in the way, it shuts a power point in, or something behind it does.
 * @example behind(b, "bezel") // null
 */
export function behind(b: BuildIndex, part: string): Behind | null {
  if (!b.part.get(part)?.out) return null;
  const way = inTheWay(b);
  const parts = [part];
  const groups = new Set<string>();
  const plugs = new Set<string>();
  for (const p of parts) {
    if (way.has(p) || b.part.get(p)!.role === "lid") return null;
    for (const q of b.build.parts)
      if (q.out && q.id !== b.subject.id && q.blockedBy.includes(p) && !parts.includes(q.id)) parts.push(q.id);
    for (const g of b.build.screwGroups)
      if (g.under.includes(p)) {
        if (partsHeld(g).includes(b.subject.id)) return null;
        groups.add(g.id);
        for (const h of partsHeld(g)) if (b.part.get(h)?.out && !parts.includes(h)) parts.push(h);
      }
    for (const c of b.build.connectors)
      if (c.under.includes(p)) {
        if (c.powerPoint) return null;
        if (c.joins[0] === b.subject.id) continue;
        plugs.add(c.id);
        // A lead goes home once the part it hangs on lies there.
        if (b.part.get(c.joins[0])?.out && !parts.includes(c.joins[0])) parts.push(c.joins[0]);
      }
  }
  return { parts: new Set(parts), groups, plugs };
}

/**
 * Parts that lie over a power point, at one remove or more: they can only go back once it is home.
 * @example overPower(b).has("base-cover") // true
 */
export function overPower(b: BuildIndex): Set<string> {
  const found = new Set(b.powerPoints.flatMap((c) => c.under));
  for (let grown = true; grown; ) {
    grown = false;
    for (const p of b.build.parts) {
      const over =
        b.build.parts.some((q) => q.id !== b.subject.id && found.has(q.id) && q.blockedBy.includes(p.id)) ||
        b.build.screwGroups.some((g) => found.has(g.holds) && g.under.includes(p.id)) ||
        b.build.connectors.some((c) => found.has(c.joins[0]) && c.under.includes(p.id));
      if (over && !found.has(p.id)) {
        found.add(p.id);
        grown = true;
      }
    }
  }
  return found;
}

/**
 * What a build puts before these moments by name, at one remove or more, with the moments themselves.
 * @example saidBefore(build, ["seat"]).has("seat") // true
 */
export function saidBefore(build: Build, moments: readonly string[]): Set<string> {
  const said = new Set(moments);
  for (let grown = true; grown; ) {
    grown = false;
    for (const w of build.wayIn)
      if (said.has(w.next) && !said.has(w.first)) {
        said.add(w.first);
        grown = true;
      }
  }
  return said;
}

const late = new WeakMap<Build, ReadonlySet<string>>();

/**
 * Leads that go home only after the open pass, because the part they hang on does: a camera in a bezel, a board over the battery.
 * What they serve is looked at closed.
 * @example lateLeads(build).has("display-plug") // false
 */
export function lateLeads(build: Build): ReadonlySet<string> {
  const known = late.get(build);
  if (known) return known;
  const b = indexBuild(build);
  const said = saidBefore(build, ["seat", "looseTest", "proveOpen"]);
  const waits = (c: Connector): boolean =>
    !c.powerPoint &&
    c.joins[0] !== b.subject.id &&
    c.serves !== "picture" &&
    c.serves !== "power" &&
    !hiddenBySeat(build, c) &&
    !said.has(c.id) &&
    b.part.get(c.joins[0])?.out !== undefined &&
    behind(b, c.joins[0]) === null;
  const found = new Set(build.connectors.filter(waits).map((c) => c.id));
  late.set(build, found);
  return found;
}
