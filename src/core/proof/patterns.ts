/** Test patterns for the machine under test: solids, ramps, checker, one-pixel lines, moving bar. */
export const PATTERNS = [
  // Black first, with eyes used to the dark; the four that show every sub-pixel fault, then white for dust, grey for partial ones.
  { id: "black", name: "Black" },
  { id: "red", name: "Red" },
  { id: "green", name: "Green" },
  { id: "blue", name: "Blue" },
  { id: "white", name: "White" },
  { id: "grey", name: "Grey, half" },
  { id: "rampX", name: "Ramp across" },
  { id: "rampY", name: "Ramp down" },
  { id: "checker", name: "Checker" },
  { id: "lines", name: "One-pixel lines" },
  { id: "bar", name: "Moving bar" },
  // What only an OLED panel has: images burnt in, bands at its lowest greys.
  { id: "grey20", name: "Grey 20 %, for burnt-in images" },
  { id: "red50", name: "Red, half" },
  { id: "green50", name: "Green, half" },
  { id: "blue50", name: "Blue, half" },
  { id: "lowGrey", name: "Lowest greys: 1, 2, 3, 5, 8 %" },
  { id: "strip", name: "Step strip, for the camera" },
] as const;
/** Shares of white rows in the patches of the step strip, left to right: their light is known whatever the panel's gamma. */
export const STRIP_SHARES = [1 / 8, 1 / 4, 1 / 2, 3 / 4, 1] as const;
export type PatternId = (typeof PATTERNS)[number]["id"];

/** What a pattern draws on: the part of a 2D canvas it needs. */
export interface Surface {
  fillStyle: unknown;
  fillRect(x: number, y: number, w: number, h: number): void;
}

/**
 * Paints a pattern over w x h device pixels. Self-contained, so that its source can be written into one HTML file.
 * @param g a surface whose units are device pixels
 * @param w width in px @param h height in px
 * @param t time in ms, for the moving bar
 * @example paintPattern(surface, 192, 108, "checker", 0)
 */
export function paintPattern(g: Surface, w: number, h: number, id: string, t: number): void {
  const solid: Record<string, string> = {
    white: "#ffffff",
    black: "#000000",
    red: "#ff0000",
    green: "#00ff00",
    blue: "#0000ff",
    grey: "#808080",
    grey20: "#333333",
    red50: "#800000",
    green50: "#008000",
    blue50: "#000080",
  };
  const fill = (c: string, x: number, y: number, a: number, b: number) => {
    g.fillStyle = c;
    g.fillRect(x, y, a, b);
  };
  if (solid[id]) {
    fill(solid[id], 0, 0, w, h);
    return;
  }
  fill("#000000", 0, 0, w, h);
  if (id === "rampX" || id === "rampY") {
    const n = id === "rampX" ? w : h;
    for (let i = 0; i < n; i++) {
      const v = Math.round((i / Math.max(1, n - 1)) * 255);
      if (id === "rampX") fill(`rgb(${v},${v},${v})`, i, 0, 1, h);
      else fill(`rgb(${v},${v},${v})`, 0, i, w, 1);
    }
  } else if (id === "checker") {
    for (let y = 0; y * 64 < h; y++) for (let x = y % 2; x * 64 < w; x += 2) fill("#ffffff", x * 64, y * 64, 64, 64);
  } else if (id === "lowGrey") {
    const drive = [1, 2, 3, 5, 8];
    for (let i = 0; i < 5; i++) {
      const v = Math.round((drive[i]! / 100) * 255);
      const x = Math.round((i * w) / 5);
      fill(`rgb(${v},${v},${v})`, x, 0, Math.round(((i + 1) * w) / 5) - x, h);
    }
  } else if (id === "lines") {
    for (let x = 0; x < w; x += 2) fill("#ffffff", x, 0, 1, h);
  } else if (id === "strip") {
    // Of every eight rows so many are white, spread as evenly as eight allow.
    const of8 = [[3], [1, 5], [0, 2, 4, 6], [0, 1, 2, 4, 5, 6], [0, 1, 2, 3, 4, 5, 6, 7]];
    for (let y = 0; y < h; y++)
      for (let i = 0; i < 5; i++)
        if (of8[i]!.includes(y % 8))
          fill("#ffffff", Math.round((i * w) / 5), y, Math.round(((i + 1) * w) / 5) - Math.round((i * w) / 5), 1);
  } else if (id === "bar") fill("#ffffff", Math.floor((t / 4) % (w + 80)) - 80, 0, 80, h);
}
