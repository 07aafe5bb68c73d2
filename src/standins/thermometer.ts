import { type FollowAsk, Following } from "@/core/heat";
import { seedOf } from "./board";

/** What the stand-in hides: how strong the tool really is, how warm the room, and which strength the model knows nothing of. */
export interface HeatTruth {
  strength: number;
  roomC: number;
}
/** Noise of a contact thermometer on a cover, K (one sigma). */
export const NOISE_K = 1;

const share = (text: string): number => (seedOf(text) % 100_000) / 100_000;
/** A number of mean 0 and sigma 1, the same for the same words. */
const gauss = (text: string): number =>
  Math.sqrt(-2 * Math.log(1 - share(`${text} a`) + 1e-9)) * Math.cos(2 * Math.PI * share(`${text} b`));

/** The bench of a job as it really is, by its seed: tools give 0.75 to 1.3 of what they should, rooms are 17 to 25 °C. */
export const heatTruth = (seed: string): HeatTruth => ({
  strength: 0.75 + 0.55 * share(`${seed} tool`),
  roomC: 17 + 8 * share(`${seed} room`),
});

/**
 * A simulated contact thermometer laid on the heated face: it shows what is there, not what the model believes, with its noise.
 * @param story the warming as its log tells it; readings in it are not looked at
 * @param atS seconds after the warming began
 * @returns °C to a tenth
 */
export function simulatedThermometer(seed: string, story: FollowAsk, atS: number, at: { xMm: number; yMm: number }): number {
  const truth = heatTruth(seed);
  const real = new Following({ ...story, roomC: truth.roomC, reads: [], cellMm: 6 });
  real.to(Math.max(0, atS));
  const shown = real.surfaceFor(truth.strength, at) + NOISE_K * gauss(`${seed} ${Math.round(atS * 10)} ${at.xMm} ${at.yMm}`);
  return Math.round(shown * 10) / 10;
}
