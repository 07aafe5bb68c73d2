import { durationWords } from "../quantity";
import type { TouchResult } from "./resultCode";
import { TOUCH_LIMITS } from "./strokes";
import { ghostWatch } from "./touch";

/** Share of cells that have to answer, and ghost taps an hour that are too many (adj). */
const COVERED = 0.98;
const GHOSTS_PER_HOUR = 6;
/** A ruled line may be a hand's slip: so many times over its limit it is the glass. */
const SURELY = 2;

export interface TouchJudged {
  verdict: "pass" | "fail" | "unclear";
  /** What was found, in one line. */
  words: string;
  /** What is to do before it is settled; empty where it is. */
  again: string[];
}

const SIDE_NAMES = ["left", "right", "top", "bottom"] as const;

/**
 * What a touch test says: coverage and dead lines, ghosts by their limit, ruled lines, fingers and sides where they were tried. A slip of
 * the hand is not called a fault, and what was not tried is said.
 * @example judgeTouch({ coveredPerMille: 1000, missed: 0, columns: 0, rows: 0, watchedS: 1800, ghosts: 0 }).verdict // "pass"
 */
export function judgeTouch(r: TouchResult): TouchJudged {
  const watch = ghostWatch({
    watchedS: r.watchedS,
    taps: Array.from({ length: r.ghosts }, (_, i) => i * 2),
    targetPerHour: GHOSTS_PER_HOUR,
  });
  const covered = r.coveredPerMille / 1000 >= COVERED && r.columns + r.rows === 0;
  const words = [`${(r.coveredPerMille / 10).toFixed(1)} % of the glass answers`];
  const again: string[] = [];
  let bad = !covered || watch.verdict === "over";
  if (r.columns + r.rows > 0)
    words.push(`dead: ${[r.columns && `${r.columns} columns`, r.rows && `${r.rows} rows`].filter(Boolean).join(", ")}`);
  if (r.watchedS > 0) {
    const most = watch.upperPerHour < 100 ? watch.upperPerHour.toFixed(1) : Math.round(watch.upperPerHour);
    words.push(`${watch.events} ghost taps in ${durationWords(r.watchedS / 60)}: fewer than ${most} an hour (95 %)`);
  } else words.push("no ghost watch");
  if (watch.verdict === "watchLonger")
    again.push(`Watch ${durationWords((watch.needS - r.watchedS) / 60)} longer, if nothing more comes.`);
  const l = r.lines;
  if (!l) words.push("lines and fingers not tried");
  else {
    const drawn = [
      ["inside", l.insideMm, TOUCH_LIMITS.insideMm],
      ["at the edges", l.edgeMm, TOUCH_LIMITS.edgeMm],
      ["as RMS", l.rmsMm, TOUCH_LIMITS.rmsMm],
    ] as const;
    const told = drawn.flatMap(([name, v]) => (v === null ? [] : [`${v.toFixed(1)} mm ${name}`]));
    words.push(told.length ? `ruled lines off by ${told.join(", ")}` : "no ruled line");
    for (const [name, v, most] of drawn) {
      if (v === null || v <= most) continue;
      if (v > SURELY * most) bad = true;
      else again.push(`A line ${name} is off by ${v.toFixed(1)} mm, ${most} at most: again, slowly, along a ruler.`);
    }
    if (l.jitterMm !== null) {
      words.push(`a still finger moves ${l.jitterMm.toFixed(1)} mm`);
      if (l.jitterMm > SURELY * TOUCH_LIMITS.jitterMm) bad = true;
      else if (l.jitterMm > TOUCH_LIMITS.jitterMm) again.push("A still finger moves too much: again, on mains and on battery.");
    }
    if (l.ofFingers > 0) {
      words.push(`${l.fingers} of ${l.ofFingers} fingers at once`);
      if (l.fingers < l.ofFingers)
        again.push(`Only ${l.fingers} of ${l.ofFingers} fingers lay together for 2 s: once more, spread out.`);
    }
    const shut = SIDE_NAMES.filter((_, i) => !l.sides[i]);
    if (shut.length)
      again.push(
        `Nothing came in from ${shut.join(", ")}: the system may take that edge for itself; try it in the firmware or a kiosk.`,
      );
    if (l.slow) again.push("Samples come late or with holes: close what else runs, then once more.");
  }
  return { verdict: bad ? "fail" : again.length ? "unclear" : "pass", words: words.join("; "), again };
}
