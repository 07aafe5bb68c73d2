import type { Build } from "../build";
import { NEAR_LID, nearMm } from "./figure";
import { type Box, type Disc, EVERYWHERE, isEmpty, meet, nearestIn, nearestPlace, type Point } from "./geometry";
import type { FitLimits } from "./rules/row";
import type { Panel } from "./schema";
import { sureOf } from "./settles";
import { type Hole, holesOf, screwPlaces, type TabOf } from "./tabHoles";

export type Side = "left" | "top" | "right" | "bottom";
/** What leaves no place, in the order in which it is asked. */
export type Hindrance = "outline" | "window" | "tabs" | "connectorAt";

export interface Place {
  /** `fits`: surely; `look`: only where figures lie well; `none`: nowhere, however they lie. */
  state: "fits" | "look" | "none";
  /** What leaves none, or what is in doubt. */
  by: Hindrance | null;
  /** What leaves no place that is sure, whether or not there is one at all. */
  doubt: Hindrance | null;
  /** Where its outline's top-left corner is best, in the lid's mm; where there is no place, the least bad one. */
  at: Point;
  /** At that place, mm: over 0 picture under the frame, under 0 dark border shown. Null while the picture's place is not known. */
  sides: Readonly<Record<Side, number>> | null;
  /** How far its plug lies from where the old one's lay, and what its cable lacks. Null while either is not known. */
  plug: { xMm: number; yMm: number; awayMm: number; shortMm: number } | null;
  /** Tabs whose hole lies over a boss the old panel was screwed to. */
  met: number;
}

const known = <T>(v: T | null): v is T => v !== null;

/** All that the search needs, plain. */
interface Figures {
  w: number | null;
  h: number | null;
  nearOutline: number;
  aw: number | null;
  ah: number | null;
  nearActive: number;
  ax: number | null;
  ay: number | null;
  nearAt: number;
}

function figures(c: Panel): Figures {
  const o = sureOf("outline", c.outline);
  const a = sureOf("active", c.active);
  const p = sureOf("activeAt", c.activeAt);
  return {
    w: o?.widthMm ?? null,
    h: o?.heightMm ?? null,
    nearOutline: o ? nearMm([o.widthMm, o.heightMm], c.outline) : 0,
    aw: a?.widthMm ?? null,
    ah: a?.heightMm ?? null,
    nearActive: a ? nearMm([a.widthMm, a.heightMm], c.active) : 0,
    ax: p?.xMm ?? null,
    ay: p?.yMm ?? null,
    nearAt: p && c.activeAt ? nearMm([p.xMm, p.yMm], c.activeAt) : 0,
  };
}

/** Places at which the outline lies in the pocket; `give` over 0 takes every doubt as well, under 0 as ill as it may be. */
function pocketBox(f: Figures, build: Build, give: number): Box {
  const { pocket } = build.lid;
  const u = give * (f.nearOutline + NEAR_LID);
  const along = (at: number, room: number, size: number | null): [number, number] =>
    size === null ? [EVERYWHERE.x0, EVERYWHERE.x1] : [at - u / 2, at + room - size + u / 2];
  const [x0, x1] = along(pocket.xMm, pocket.widthMm, f.w);
  const [y0, y1] = along(pocket.yMm, pocket.heightMm, f.h);
  return { x0, x1, y0, y1 };
}

/** Places at which no more of the picture than allowed lies under the frame. */
function pictureBox(f: Figures, build: Build, limits: FitLimits, give: number): Box {
  const { opening } = build.lid;
  const size = give * (f.nearActive + NEAR_LID);
  const at = give * f.nearAt;
  const along = (from: number, room: number, a: number | null, off: number | null, whole: number | null): [number, number] => {
    if (a === null) return [EVERYWHERE.x0, EVERYWHERE.x1];
    // Where it sits in the outline is not known: anywhere within it, or anywhere at all.
    const most = whole === null ? 1e6 : Math.max(0, whole - a);
    const [small, large] = off !== null ? [off + at, off - at] : give > 0 ? [most, 0] : [0, most];
    return [from - limits.hiddenMm - small - size / 2, from + room + limits.hiddenMm - a - large + size / 2];
  };
  const [x0, x1] = along(opening.xMm, opening.widthMm, f.aw, f.ax, f.w);
  const [y0, y1] = along(opening.yMm, opening.heightMm, f.ah, f.ay, f.h);
  return { x0, x1, y0, y1 };
}

/** Places at which tabs lie in the pocket, those left out excepted. */
function tabsBox(tabs: readonly TabOf[], f: Figures, build: Build, give: number): Box {
  const { pocket } = build.lid;
  const u = give * (f.nearOutline + NEAR_LID);
  const out = (edge: Side) => Math.max(-1e6, ...tabs.filter((t) => t.edge === edge).map((t) => t.outMm));
  return {
    x0: pocket.xMm + out("left") - u / 2,
    x1: f.w === null ? 1e6 : pocket.xMm + pocket.widthMm - f.w - out("right") + u / 2,
    y0: pocket.yMm + out("top") - u / 2,
    y1: f.h === null ? 1e6 : pocket.yMm + pocket.heightMm - f.h - out("bottom") + u / 2,
  };
}

/** Where the outline may lie for its plug to be reached by the cable. */
function reachDisc(old: Panel, c: Panel, build: Build, give: number): Disc | null {
  const was = sureOf("connectorAt", old.connectorAt);
  const is = sureOf("connectorAt", c.connectorAt);
  const lead = build.connectors.find((x) => x.joins[0] === build.subject.part && x.serves === "picture");
  if (!was || !is || lead?.slackMm === undefined) return null;
  const u = give * (nearMm([was.xMm, was.yMm], old.connectorAt) + nearMm([is.xMm, is.yMm], c.connectorAt));
  const plug = { x: build.lid.panelAt.xMm + was.xMm, y: build.lid.panelAt.yMm + was.yMm };
  const from = lead.comesFrom;
  return from
    ? {
        x: from.xMm - is.xMm,
        y: from.yMm - is.yMm,
        r: Math.max(0, Math.hypot(plug.x - from.xMm, plug.y - from.yMm) + lead.slackMm + u),
      }
    : { x: plug.x - is.xMm, y: plug.y - is.yMm, r: Math.max(0, lead.slackMm + u) };
}

/** A panel is never laid in the very same place twice, mm (adj). */
const AS_IT_LAY = 0.3;
const around = (p: Point, by: number): Box => ({ x0: p.xMm - by, x1: p.xMm + by, y0: p.yMm - by, y1: p.yMm + by });

/**
 * Outline and picture are those of the panel that lay in this lid.
 * @example shapedAlike(old, old, FIT_LIMITS) // true
 */
export function shapedAlike(old: Panel, c: Panel, limits: FitLimits): boolean {
  const near = (a: number, b: number) => Math.abs(a - b) <= limits.outlineSameMm;
  const [o, n] = [sureOf("outline", old.outline), sureOf("outline", c.outline)];
  const [a, b] = [sureOf("active", old.active), sureOf("active", c.active)];
  const [at, is] = [sureOf("activeAt", old.activeAt), sureOf("activeAt", c.activeAt)];
  if (!o || !n || !a || !b || (c.outline.pm ?? 0) + (c.active.pm ?? 0) + (c.activeAt?.pm ?? 0) > limits.outlineSameMm)
    return false;
  if (at && is && !(near(at.xMm, is.xMm) && near(at.yMm, is.yMm))) return false;
  return near(o.widthMm, n.widthMm) && near(o.heightMm, n.heightMm) && near(a.widthMm, b.widthMm) && near(a.heightMm, b.heightMm);
}

interface Found {
  at: Point | null;
  by: Hindrance | null;
  least: Point;
  met: readonly number[];
}

/** @param give 0: every figure at its word; over 0 as well, under 0 as ill as it may be */
function search(f: Figures, old: Panel, c: Panel, build: Build, limits: FitLimits, give: number, wish: Point): Found {
  const none = (by: Hindrance, box: Box): Found => ({ at: null, by, least: nearestIn(box, wish), met: [] });
  // The same shape with the same picture in it lay there: whatever the lid is said to measure, there it can lie again.
  const lay = shapedAlike(old, c, limits) ? around(build.lid.panelAt, AS_IT_LAY) : null;
  const pocket = lay ?? pocketBox(f, build, give);
  if (isEmpty(pocket)) return none("outline", pocket);
  const picture = lay ?? pictureBox(f, build, limits, give);
  const seen = meet(pocket, picture);
  if (isEmpty(picture) || isEmpty(seen)) return none("window", pocket);
  const tabs = sureOf("tabs", c.tabs) ?? [];
  const disc = reachDisc(old, c, build, give);
  const was = sureOf("tabs", old.tabs) ?? [];
  const size = f.w !== null && f.h !== null ? { widthMm: f.w, heightMm: f.h } : null;
  const oldSize = sureOf("outline", old.outline);
  let short: Found | null = null;
  // Most screws first: where tabs meet bosses, the others have to lie clear.
  if (tabs.length && was.length && size && oldSize) {
    const bosses: Hole[] = holesOf(was, oldSize).map((b) => ({
      ...b,
      xMm: b.xMm + build.lid.panelAt.xMm,
      yMm: b.yMm + build.lid.panelAt.yMm,
    }));
    for (const p of screwPlaces(holesOf(tabs, size), bosses, limits.bossMm + give * 0.5 * (f.nearOutline + NEAR_LID))) {
      const free = tabs.filter((_, i) => !p.met.includes(i));
      const box = meet(meet(seen, p.box), free.length ? tabsBox(free, f, build, give) : EVERYWHERE);
      const at = nearestPlace(box, disc, wish);
      if (at) return { at, by: null, least: at, met: p.met };
      if (!short && !isEmpty(box)) short = none("connectorAt", box);
    }
  }
  const clear = tabs.length ? meet(seen, tabsBox(tabs, f, build, give)) : seen;
  if (isEmpty(clear)) return short ?? none("tabs", seen);
  const at = nearestPlace(clear, disc, wish);
  return at
    ? { at, by: null, least: at, met: [] }
    : { ...none("connectorAt", clear), least: nearestPlace(clear, null, disc ? { xMm: disc.x, yMm: disc.y } : wish)! };
}

const cache = new WeakMap<Panel, WeakMap<Panel, WeakMap<Build, { limits: FitLimits; place: Place }>>>();

/**
 * Where a panel goes in a lid: outline in the pocket, picture in the opening, tabs over the bosses of the old one or clear, plug
 * within the cable's reach; nearest to the picture in the middle of the opening. Each figure is taken as well and as ill as it may
 * be: a place for both is sure, a place for neither is none.
 * @param old the panel in the machine: its tabs tell the bosses, its plug tells where the cable ends @returns lengths in mm
 * @example bestPlace(old, candidate, build, FIT_LIMITS).state // "fits"
 */
export function bestPlace(old: Panel, candidate: Panel, build: Build, limits: FitLimits): Place {
  const byCandidate = cache.get(old) ?? new WeakMap();
  cache.set(old, byCandidate);
  const byBuild = byCandidate.get(candidate) ?? new WeakMap();
  byCandidate.set(candidate, byBuild);
  const had = byBuild.get(build);
  if (had && had.limits === limits) return had.place;
  const place = compute(old, candidate, build, limits);
  byBuild.set(build, { limits, place });
  return place;
}

function compute(old: Panel, c: Panel, build: Build, limits: FitLimits): Place {
  const f = figures(c);
  const { opening, panelAt, pocket } = build.lid;
  const middle = (from: number, room: number, off: number | null, size: number | null, els: number) =>
    off !== null && size !== null ? from + room / 2 - off - size / 2 : els;
  // Without a picture to put in the middle it goes where the old one lay, or into the middle of its pocket.
  const wish = {
    xMm: middle(
      opening.xMm,
      opening.widthMm,
      f.ax,
      f.aw,
      f.w === null ? panelAt.xMm : clampTo(panelAt.xMm, pocket.xMm, pocket.xMm + pocket.widthMm - f.w),
    ),
    yMm: middle(
      opening.yMm,
      opening.heightMm,
      f.ay,
      f.ah,
      f.h === null ? panelAt.yMm : clampTo(panelAt.yMm, pocket.yMm, pocket.yMm + pocket.heightMm - f.h),
    ),
  };
  if (shapedAlike(old, c, limits)) Object.assign(wish, panelAt);
  const ill = search(f, old, c, build, limits, -1, wish);
  const well = ill.at ? ill : search(f, old, c, build, limits, 1, wish);
  const at = ill.at ?? well.at ?? well.least;
  const sides =
    known(f.ax) && known(f.ay) && known(f.aw) && known(f.ah)
      ? {
          left: opening.xMm - at.xMm - f.ax,
          top: opening.yMm - at.yMm - f.ay,
          right: at.xMm + f.ax + f.aw - opening.xMm - opening.widthMm,
          bottom: at.yMm + f.ay + f.ah - opening.yMm - opening.heightMm,
        }
      : null;
  const was = sureOf("connectorAt", old.connectorAt);
  const is = sureOf("connectorAt", c.connectorAt);
  const disc = reachDisc(old, c, build, 0);
  const dx = was && is ? at.xMm + is.xMm - panelAt.xMm - was.xMm : 0;
  const dy = was && is ? at.yMm + is.yMm - panelAt.yMm - was.yMm : 0;
  return {
    state: ill.at ? "fits" : well.at ? "look" : "none",
    by: ill.at ? null : well.at ? ill.by : well.by,
    doubt: ill.by,
    at,
    sides,
    plug:
      was && is
        ? {
            xMm: dx,
            yMm: dy,
            awayMm: Math.hypot(dx, dy),
            shortMm: disc ? Math.max(0, Math.hypot(at.xMm - disc.x, at.yMm - disc.y) - disc.r) : 0,
          }
        : null,
    met: (ill.at ? ill : well).met.length,
  };
}

const clampTo = (v: number, lo: number, hi: number) => (lo > hi ? (lo + hi) / 2 : Math.min(hi, Math.max(lo, v)));
