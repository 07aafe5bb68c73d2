import { tidied, typed, untyped } from "./base32";
import { clusters } from "./dots";
import type { FaultClass } from "./policy";

/** Screens a dot may be marked on. */
export const DOT_SCREENS = ["black", "red", "green", "blue", "white", "grey"] as const;
export type DotScreen = (typeof DOT_SCREENS)[number];

/** A mark of somebody who saw a wrong dot on a screen, device px. */
export interface DotMark {
  x: number;
  y: number;
  screen: DotScreen;
}

/** A dot as it was seen, place as shares of width and height; `cluster` numbers those that lie together, from 1; 0 = alone. */
export interface SeenDot {
  x: number;
  y: number;
  class: Exclude<FaultClass, "cluster">;
  cluster: number;
}

/** Marks this near are one dot, px: nobody taps to the pixel. */
const SAME_PX = 24;

/**
 * Which kind a dot is, by the screens on which it was seen. On black it is bright: a whole pixel if it shows on each colour, one
 * sub-pixel if some colour hides it. Dark on one colour alone is a sub-pixel; on more a pixel. Seen on black and nowhere else looked
 * at, or only on white: the stricter kind.
 * @example dotClass(["red", "white"]) // "subPixel"
 */
export function dotClass(screens: readonly DotScreen[]): SeenDot["class"] {
  const colours = (["red", "green", "blue"] as const).filter((c) => screens.includes(c)).length;
  if (screens.includes("black")) return colours === 0 || colours === 3 ? "bright" : "subPixel";
  return colours === 1 ? "subPixel" : "dark";
}

/**
 * Dots from the marks of all screens: marks near each other on different screens are one dot.
 * @param wPx width of the screen in device px @param hPx height
 * @param reachPx dots nearer than this in both directions lie together
 * @example dotsOf([{ x: 10, y: 10, screen: "black" }, { x: 12, y: 9, screen: "red" }], 1920, 1080).length // 1
 */
export function dotsOf(marks: readonly DotMark[], wPx: number, hPx: number, reachPx = 5): SeenDot[] {
  const found: { marks: DotMark[] }[] = [];
  for (const m of marks) {
    const near = found
      .filter((d) => !d.marks.some((o) => o.screen === m.screen))
      .map((d) => ({ d, far: Math.hypot(d.marks[0]!.x - m.x, d.marks[0]!.y - m.y) }))
      .filter((x) => x.far <= SAME_PX)
      .sort((a, b) => a.far - b.far)[0];
    if (near) near.d.marks.push(m);
    else found.push({ marks: [m] });
  }
  const at = found.map(({ marks: ms }) => ({
    x: ms.reduce((n, m) => n + m.x, 0) / ms.length,
    y: ms.reduce((n, m) => n + m.y, 0) / ms.length,
    class: dotClass(ms.map((m) => m.screen)),
  }));
  const groups = clusters(at, reachPx);
  return at.map((d) => ({
    x: d.x / wPx,
    y: d.y / hPx,
    class: d.class,
    cluster: 1 + groups.findIndex((g) => g.includes(d)),
  }));
}

const CLASSES = ["bright", "dark", "subPixel"] as const;
/** Most dots one code tells. */
export const MOST_DOTS = 12;
const X = 2047;
const Y = 1023;

/**
 * Dots as a code to be typed: D, five digits for each, a check character. More than twelve are no code: the panel goes back.
 * @throws RangeError for more dots than it can tell
 * @example dotCode([]).length // 3
 */
export function dotCode(dots: readonly SeenDot[]): string {
  if (dots.length > MOST_DOTS) throw new RangeError(`dots: read ${dots.length}, ${MOST_DOTS} at most`);
  let n = 0n;
  for (const d of dots)
    n =
      (n << 25n) |
      (BigInt(Math.round(Math.max(0, Math.min(1, d.x)) * X)) << 14n) |
      (BigInt(Math.round(Math.max(0, Math.min(1, d.y)) * Y)) << 4n) |
      (BigInt(CLASSES.indexOf(d.class)) << 2n) |
      BigInt(Math.min(3, d.cluster));
  const t = typed(n, 5 * dots.length);
  return ["D", ...(t.slice(0, -1).match(/.{5}/g) ?? []), t.at(-1)].join("-");
}

export type ReadDots = { ok: true; dots: SeenDot[] } | { ok: false; problem: string };

/** Whether what is typed is a code of dots. @example isDotCode("D-0") // true */
export const isDotCode = (text: string): boolean => {
  const t = tidied(text);
  return t.startsWith("D") && (t.length - 2) % 5 === 0 && t.length >= 2 && t.length <= 2 + 5 * MOST_DOTS;
};

/**
 * Reads a code of dots as it is typed; one digit wrong is noticed.
 * @example readDotCode(dotCode([])).ok // true
 */
export function readDotCode(text: string): ReadDots {
  if (!isDotCode(text)) return { ok: false, problem: "A code of dots is D, five characters for each dot, and one more." };
  const t = tidied(text).slice(1);
  const read = untyped(t);
  if (typeof read === "string") return { ok: false, problem: read };
  const dots: SeenDot[] = [];
  let n = read;
  for (let i = 0; i < (t.length - 1) / 5; i++) {
    const kind = CLASSES[Number((n >> 2n) & 3n)];
    if (!kind) return { ok: false, problem: "It names a kind of dot there is not: read it once more." };
    dots.unshift({
      x: Number((n >> 14n) & 2047n) / X,
      y: Number((n >> 4n) & 1023n) / Y,
      class: kind,
      cluster: Number(n & 3n),
    });
    n >>= 25n;
  }
  return { ok: true, dots };
}
