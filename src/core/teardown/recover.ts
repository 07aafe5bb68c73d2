import { type BuildIndex, hasFilms, hiddenBySeat, type Rect, type Tape } from "../build";
import { buildOf, type JobView, msOf, seated } from "../job";
import { cutList, strengthAt } from "../tape";
import type { PlanResult } from "./plan";
import { type Reach, reachPlace } from "./reach";

/** Something that should have been done before the new part was set, and was not. */
export interface Forgotten {
  what: "lead" | "part" | "film";
  id: string;
  name: string;
}

/** A strip that holds the new part by now, and how it lets go again without harm to it. */
export interface StripAgain {
  tape: string;
  name: string;
  how: string;
  minutes: number;
  /** How hot it may get for that, °C; null where no heat is used. */
  maxC: number | null;
}

/** The way from a part that is stuck down to what was forgotten behind it. */
export interface Recovery {
  /** What comes away first, power before all, the lifting itself last. */
  reach: Reach;
  strips: StripAgain[];
  /** How much of its strength the tape has by now, 0 to 1; null where none was pressed. */
  strength: number | null;
  lift: { pivot: Edge; degrees: number; words: string };
  /** What is cut and laid anew, mm of tape. */
  anewMm: number;
  risk: { chance: number; costMinor: number; breaks: string } | null;
  /** Hands on, there and back, minutes. */
  minutes: number;
}
type Edge = "left" | "right" | "top" | "bottom";

/** Room a hand with tweezers needs under a lifted part, mm (adj). */
const HAND_MM = 60;
/** A new part stays whole: its films stand this much, °C (adj; its datasheet first). */
const KEPT_C = 60;
const ROOM_C = 23;

/**
 * What can have been forgotten behind the new part, while it sits: leads out of reach now, parts that move over, its back film.
 * @example forgettable(view) // []
 */
export function forgettable(v: JobView): Forgotten[] {
  const b = buildOf(v);
  if (!b || !seated(v.state)) return [];
  return [
    ...b.build.connectors
      .filter((c) => !c.powerPoint && hiddenBySeat(b.build, c))
      .map((c): Forgotten => ({ what: "lead", id: c.id, name: c.name })),
    ...b.build.parts.filter((p) => p.transplant).map((p): Forgotten => ({ what: "part", id: p.id, name: p.name })),
    ...(hasFilms(b.build) ? [{ what: "film" as const, id: "back", name: "Back film" }] : []),
  ];
}

/** The edge a part is stood up on: where its own leads hold it. */
function pivotOf(b: BuildIndex): Edge {
  const { pocket } = b.build.lid;
  const count: Record<Edge, number> = { bottom: 0.5, top: 0, left: 0, right: 0 };
  for (const c of b.subjectConnectors) {
    if (c.view !== "lid") continue;
    const far: [Edge, number][] = [
      ["left", c.xMm - pocket.xMm],
      ["right", pocket.xMm + pocket.widthMm - c.xMm],
      ["top", c.yMm - pocket.yMm],
      ["bottom", pocket.yMm + pocket.heightMm - c.yMm],
    ];
    count[far.sort((x, y) => x[1] - y[1])[0]![0]] += 1;
  }
  return (Object.entries(count) as [Edge, number][]).sort((x, y) => y[1] - x[1])[0]![0];
}

/** How far a place lies from the edge a part is stood up on, mm. */
const fromEdge = (pocket: Rect, edge: Edge, at: { xMm: number; yMm: number }): number =>
  Math.max(
    0,
    edge === "left"
      ? at.xMm - pocket.xMm
      : edge === "right"
        ? pocket.xMm + pocket.widthMm - at.xMm
        : edge === "top"
          ? at.yMm - pocket.yMm
          : pocket.yMm + pocket.heightMm - at.yMm,
  );

/** How far it has to stand up, and which lead is too short for that. */
function liftOf(b: BuildIndex, f: Forgotten): Recovery["lift"] {
  const pivot = pivotOf(b);
  const { pocket } = b.build.lid;
  const part = f.what === "part" ? b.part.get(f.id)?.shape : undefined;
  const lead = f.what === "lead" ? b.connector.get(f.id) : undefined;
  const at = part ? { xMm: part.xMm + part.widthMm / 2, yMm: part.yMm + part.heightMm / 2 } : lead?.view === "lid" ? lead : null;
  const d = at ? fromEdge(pocket, pivot, at) : 0;
  // A film is drawn off over the whole back; what lies at the pivot is reached only with the part upright.
  const degrees = d > HAND_MM ? Math.min(90, Math.ceil((Math.asin(HAND_MM / d) * 180) / Math.PI / 5) * 5) : 90;
  const short = b.subjectConnectors
    .filter((c) => c.view === "lid" && c.slackMm !== undefined && c.id !== f.id)
    .find((c) => fromEdge(pocket, pivot, c) * Math.sin((degrees * Math.PI) / 180) > c.slackMm!);
  const away: Record<Edge, Edge> = { left: "right", right: "left", top: "bottom", bottom: "top" };
  return {
    pivot,
    degrees,
    words: `Up at the ${away[pivot]}, about ${degrees}°, on its ${pivot} edge, and held: never let go of.${
      short ? ` ${short.name} reaches ${short.slackMm} mm: off first, before it pulls.` : ""
    }`,
  };
}

function stripAgain(t: Tape): StripAgain {
  const base = { tape: t.id, name: t.name, minutes: t.out.minutes };
  if (t.kind === "pullTab")
    return {
      ...base,
      maxC: null,
      how: "Draw its tail, flat and slowly, to the end. Torn: thread from the side, nothing levered.",
    };
  const [from, to] = t.heat?.releaseC ?? [50, 60];
  const maxC = Math.min(KEPT_C, ...(t.heat?.ceilings ?? []).map((c) => c.maxC));
  if (from >= maxC)
    return {
      ...base,
      maxC: null,
      how: `It lets go from ${from} °C and the new part stands ${maxC} °C: no heat. Thread or a card along the ledge, little solvent.`,
    };
  return {
    ...base,
    maxC,
    how: `Warm it from the back to ${from} to ${Math.min(to, maxC)} °C, no hotter: the new part stays. Then thread or a card, never a lever under the glass.`,
  };
}

/**
 * What was forgotten behind a new part that is set and stuck, as a way from here: what comes away, how each strip lets go without harm to
 * the new part, how far it is lifted and on which edge, what is laid anew, and what that risks.
 * @param nowMs for how long the tape has been holding
 * @returns null where nothing new is seated
 * @example recovery(view, { what: "film", id: "back", name: "Back film" }, 0) // null
 */
export function recovery(v: JobView, f: Forgotten, nowMs: number, made: PlanResult | null = null): Recovery | null {
  const b = buildOf(v);
  const reach = b && seated(v.state) ? reachPlace(v, "panel", made) : null;
  if (!b || !reach) return null;
  const laid = b.build.subject.bringsTape ? cutList(b.build) : cutList(b.build).filter((p) => v.state.bond.laid[p.id]);
  const stuck = b.build.tapes.filter((t) => laid.some((p) => p.tapeId === t.id));
  const strips = stuck.map(stripAgain);
  const pressed = v.state.bond.pressedClock;
  const price = v.state.match.order?.priceMinor ?? 0;
  // Each strip may harm it; the new part is what breaks now, whatever it was on the way out.
  const whole = stuck.reduce((ok, t) => ok * (1 - (t.out.risk?.chance ?? 0)), 1);
  const dearest = Math.max(price, ...stuck.map((t) => t.out.risk?.costMinor ?? 0));
  const back = 2 * strips.reduce((n, s) => n + s.minutes, 0);
  return {
    reach: {
      ...reach,
      steps: reach.steps.map((x) =>
        x.act.type === "swap.panelLifted"
          ? {
              ...x,
              act: { ...x.act, payload: { why: `Forgotten: ${f.name.toLowerCase()}`, forgot: { what: f.what, id: f.id } } },
            }
          : x,
      ),
    },
    strips,
    strength: pressed && strips.length ? strengthAt(Math.max(0, (nowMs - msOf(pressed)) / 60_000), ROOM_C) : null,
    lift: liftOf(b, f),
    anewMm: Math.round(laid.reduce((n, p) => n + p.lengthMm, 0)),
    risk: whole < 1 ? { chance: 1 - whole, costMinor: dearest, breaks: "the new one" } : null,
    minutes: reach.minutes + back,
  };
}
