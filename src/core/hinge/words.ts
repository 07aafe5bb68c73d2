import type { HingeAnswer, HingePick } from "./align";

/** One thing to do with a screwdriver, in words. */
export interface HingeAct {
  say: string;
  hinge: "left" | "right" | "both" | null;
}

const far = (mm: number): string => Math.abs(mm).toFixed(2);

/** A move of one hinge in words. */
function moveWords(v: number, u: number): string {
  const along = Math.abs(v) < 0.005 ? null : `${far(v)} mm to the ${v > 0 ? "front" : "rear"}`;
  const aside = Math.abs(u) < 0.005 ? null : `${far(u)} mm to the ${u > 0 ? "right" : "left"}`;
  return [along, aside].filter(Boolean).join(" and ") || "as it is";
}

/**
 * What to do for a pick: which hinge to slacken, how far and which way, then in which order to tighten.
 * @example hingeActs({ slacken: "left", move: { u: 0, vL: -0.24, vR: 0 }, leftOverMm: 0, reach: 1 })[0].say // "Slacken the left hinge only; the right one stays as pivot."
 */
export function hingeActs(p: HingePick): HingeAct[] {
  if (p.slacken === "none") return [{ say: "Nothing to slacken.", hinge: null }];
  const sides = p.slacken === "both" ? (["left", "right"] as const) : [p.slacken];
  const first =
    p.slacken === "both"
      ? "Slacken both hinges; the lid stays shut."
      : `Slacken the ${p.slacken} hinge only; the ${p.slacken === "left" ? "right" : "left"} one stays as pivot.`;
  return [
    { say: first, hinge: p.slacken },
    ...sides.map((side) => ({
      say: `${side === "left" ? "Left" : "Right"} side of the lid: ${moveWords(side === "left" ? p.move.vL : p.move.vR, p.move.u)}.`,
      hinge: side,
    })),
    {
      say: `Hold it shut. Nip the middle screw${p.slacken === "both" ? " left, then right" : ""} at half torque, and read again.`,
      hinge: p.slacken,
    },
    { say: "Then the rest alternately, the middle one to full last; open to 90 degrees and read once more.", hinge: p.slacken },
  ];
}

/**
 * What several rounds say together: a third move of the same hinge the same way is no move, its seat is dirty or bent.
 * @param rounds answers, oldest first
 * @returns the hinge, or null
 * @example stubbornHinge([]) // null
 */
export function stubbornHinge(rounds: readonly HingeAnswer[]): "left" | "right" | null {
  const last = rounds.slice(-3).flatMap((r) => (r.pick && r.pick.slacken !== "none" ? [r.pick] : []));
  if (last.length < 3) return null;
  for (const side of ["left", "right"] as const) {
    const moves = last.map((p) => (side === "left" ? p.move.vL : p.move.vR));
    if (moves.every((m) => m > 0.02) || moves.every((m) => m < -0.02)) return side;
  }
  return null;
}
