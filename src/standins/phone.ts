import { seedOf } from "./board";
import type { Shot, TruePanel } from "./panelPhoto";

/** The step strip's patches, left to right: shares of its rows that are white. */
const STEPS = [0.125, 0.25, 0.5, 0.75, 1] as const;

/**
 * A panel's light as it truly is, hidden until it was measured: even, darker to the corners, pressed, or with a source that is dead; by
 * the job, the same every time.
 * @example hiddenPanel("a job", 310, 174).widthMm // 310
 */
export function hiddenPanel(job: string, widthMm: number, heightMm: number): TruePanel {
  const seed = seedOf(`phone ${job}`);
  const part = (n: number, from: number, to: number) => from + ((seedOf(`${job} ${n}`) % 1000) / 1000) * (to - from);
  const size = { widthMm, heightMm };
  const even: TruePanel = {
    ...size,
    slope: [part(1, -0.03, 0.03), part(2, -0.03, 0.03)],
    falls: [part(3, 0.02, 0.06), part(4, 0.02, 0.05)],
  };
  switch (seed % 4) {
    case 0:
      return even;
    case 1:
      return { ...even, falls: [part(5, 0.24, 0.32), part(6, 0.2, 0.28)] };
    case 2:
      return {
        ...even,
        marks: [
          {
            x: part(7, -0.3, 0.3) * widthMm,
            y: part(8, -0.3, 0.3) * heightMm,
            sigma: part(9, 6, 9),
            contrast: part(10, -0.16, -0.1),
          },
        ],
      };
    default:
      return { ...even, sources: [{ x: part(11, -0.35, 0.35) * widthMm, depth: part(12, 0.5, 0.7) }] };
  }
}

/**
 * How the simulated phone takes it: two widths away, pivoted between the photos, exposure locked, with a lens and a tone curve of its own.
 * @example phoneShot("a job", "leftHigh", 310).width // 1600
 */
export function phoneShot(job: string, view: "leftHigh" | "rightLow" | "strip", widthMm: number): Shot {
  const s = widthMm / 310;
  const seed = seedOf(`${job} ${view}`);
  const aim: [number, number] = view === "rightLow" ? [-58 * s, -46 * s] : [62 * s, 48 * s];
  return {
    width: 1600,
    height: 1200,
    at: [15 * s, -10 * s, 620 * s],
    aim,
    rollDeg: view === "rightLow" ? -1.2 : 0.8,
    focalPx: 1530,
    exposure: 0.68,
    lens: [-0.28, -0.06],
    noise: 0.012,
    tone: 0.9 + (seedOf(`${job} tone`) % 16) / 100,
    ...(view === "strip" ? { steps: STEPS } : {}),
    seed,
  };
}
