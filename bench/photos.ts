import { measureEvenness, suggestCorners } from "@/core/proof";
import { photoOf, type Shot, type TruePanel } from "@/standins/panelPhoto";
import { quantile, say } from "./stats";

const MB = 1024 * 1024;
const PANEL: TruePanel = { widthMm: 310, heightMm: 174, slope: [0.06, -0.05], falls: [0.12, 0.09] };
/** Twelve million pixels, as phones take them. */
const SHOT: Omit<Shot, "seed" | "aim"> = {
  width: 4000,
  height: 3000,
  at: [15, -10, 620],
  focalPx: 3830,
  lens: [-0.28, -0.06],
  noise: 0.012,
};

/** Processor time of a run, ms. */
function cpuMs(run: () => unknown): number {
  const before = process.cpuUsage();
  run();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

/** A pair of photos of twelve million pixels: corners, the whole measurement, and the memory it takes beside the pictures. */
export function benchPhotos(): void {
  const bare = process.memoryUsage().rss;
  const photos = [photoOf(PANEL, { ...SHOT, aim: [62, 48], seed: 41 }), photoOf(PANEL, { ...SHOT, aim: [-58, -46], seed: 42 })];
  const held = process.resourceUsage().maxRSS * 1024;
  const runs = <T>(n: number, run: () => T) => Array.from({ length: n }, () => cpuMs(run));
  const [first, , , ...corners] = runs(8, () => suggestCorners(photos[0]!));
  const c = quantile(corners, 0.5);
  say(
    "corners of a photo of 12 million pixels, CPU, median of 5 (the first ever)",
    `${c.toFixed(0)} ms (${first!.toFixed(0)})`,
    "150 ms",
    c < 150,
  );
  const [cold, ...measured] = runs(4, () => {
    const r = measureEvenness(photos, PANEL, { falloff: 2, straighten: true });
    if (!r.ok) throw new Error(r.words);
  });
  const m = quantile(measured, 0.5);
  say("evenness of such a pair, CPU, median of 3 (first)", `${m.toFixed(0)} ms (${cold!.toFixed(0)})`, "1500 ms", m < 1500);
  const peak = process.resourceUsage().maxRSS * 1024;
  say(
    "memory at most: all; beside the two pictures",
    `${((peak - bare) / MB).toFixed(0)} MB; ${((peak - held) / MB).toFixed(0)} MB`,
    "250 MB in all",
    peak - bare < 250 * MB,
  );
}
