import { buildOf, type JobView } from "./derived";
import { seated } from "./subject";

/**
 * How often each thing that can go wrong after a repair was touched, from the log: what the causes are ranked by. Leads by what
 * they serve; hinge, tape, bezel and panel once; `live` and `pictureLive` where a lead was moved under power.
 * @example feedsOf(opened).battery // 1
 */
export function feedsOf(v: JobView): Record<string, number> {
  const s = v.state;
  const b = buildOf(v);
  const feeds: Record<string, number> = {};
  const add = (feed: string, n = 1) => {
    feeds[feed] = (feeds[feed] ?? 0) + n;
  };
  for (const [id, n] of Object.entries(s.touches)) {
    const serves = b?.connector.get(id)?.serves ?? "other";
    add(serves === "power" ? "picture" : serves, n);
    if (!s.live[id]) continue;
    add("live", 1);
    if (serves === "picture" || serves === "power") add("pictureLive", 1);
  }
  if (!b) return feeds;
  const moved = (groups: RegExp) =>
    b.build.screwGroups.filter((g) => groups.test(`${g.name} ${g.id}`) && g.screws.some((x) => s.screws[x.id] !== undefined))
      .length;
  if (moved(/hinge/i)) add("hinge");
  if (b.build.parts.some((p) => p.role === "bezel" && s.parts[p.id] !== undefined)) add("bezel");
  if (seated(s) || s.subject === "out") add("panel");
  if (Object.keys(s.bond.laid).length) add("tape");
  if (b.build.pairing) add("pairing");
  return feeds;
}

/**
 * Whether the loose test was seen good and nothing it looked at was touched since.
 * @example looseSeenGood(opened) // false
 */
export const looseSeenGood = (v: JobView): boolean => v.state.looseTest?.picture === true && v.state.looseTest.voidedBy === null;
