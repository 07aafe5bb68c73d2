import { ghostWatch, guidesOf, MOST_DOTS, SIDES } from "@/core/proof/touchTest";
import type { Kept } from "./state";

const listed = (all: readonly string[]): string => all.join(", ") || "nothing";
const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;

export interface Said {
  words: string;
  /** Small facts under it. */
  facts: string[];
}

/** What a stage says of itself. @param cover share of cells touched and how many are missing */
export function sayOf(k: Kept, cover: { share: number; missed: number }, size: [number, number], now: string): Said {
  switch (k.stage) {
    case "dots":
      return {
        words: `${now}. Tap each wrong dot; a tap on its ring takes it away, arrows move the last by a pixel. Follow the bars at the rim once, then the next screen.`,
        facts: [
          `${k.dots.length} marked on all screens`,
          ...(k.dots.length > MOST_DOTS ? [`more than ${MOST_DOTS} dots are no code: this panel goes back`] : []),
        ],
      };
    case "draw":
      return {
        words:
          "Draw over the whole glass with one finger, slowly, edges too; begin beside these words and draw through them. " +
          `${Math.floor(cover.share * 100)} %${cover.missed > 0 && cover.share > 0.9 ? `, ${cover.missed} cells missing` : ""}`,
        facts: [],
      };
    case "lines": {
      const t = k.tried;
      const guides = guidesOf(...size);
      return {
        words: "Slowly, along a ruler, over each line; then a swipe in from every side. The best of each counts.",
        facts: [
          ...guides.flatMap((g) => (t?.worst[g.id] ? [`${g.name} ${t.worst[g.id]!.worstMm.toFixed(1)} mm`] : [])),
          ...SIDES.flatMap((x, i) => (t?.sides[i] ? [`in from ${x}`] : [])),
          `open: ${listed([...guides.filter((g) => !t?.worst[g.id]).map((g) => g.name), ...SIDES.filter((_, i) => !t?.sides[i]).map((x) => `in from ${x}`)])}`,
        ],
      };
    }
    case "fingers": {
      const t = k.tried;
      const of = t?.ofFingers ?? 0;
      return {
        words: `Lay ${of > 1 ? `${of} fingers` : "a finger"} on the glass, well apart, and keep still for 2 s.`,
        facts: [
          `${t?.fingers ?? 0} of ${of} held together`,
          t?.jitterMm == null ? "still finger: open" : `a still finger moves ${t.jitterMm.toFixed(2)} mm`,
        ],
      };
    }
    case "watch": {
      const w = ghostWatch({ watchedS: k.watchedS, taps: k.taps });
      const tail =
        w.verdict === "under"
          ? `Fewer than ${w.upperPerHour.toFixed(1)} an hour.`
          : w.verdict === "over"
            ? "More than 6 an hour."
            : `${clock(Math.max(0, w.needS - k.watchedS))} more, if nothing comes.`;
      return { words: `Hands off, glass wiped and dry. ${clock(k.watchedS)} watched, ${w.events} taps. ${tail}`, facts: [] };
    }
    case "done": {
      const w = ghostWatch({ watchedS: k.watchedS, taps: k.taps });
      const touched = k.cells.length > 0 || k.watchedS > 0 || k.tried !== null;
      return {
        words: "Type this at the bench:",
        facts: touched
          ? [
              `${Math.floor(cover.share * 1000) / 10} % answers, ${w.events} taps in ${clock(k.watchedS)}`,
              ...(k.tried ? [] : ["lines and fingers not tried"]),
            ]
          : [],
      };
    }
    default:
      return { words: "", facts: [] };
  }
}
