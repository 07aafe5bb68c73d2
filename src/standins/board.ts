import type { MeterPort, MeterSpot, MeterValue, PowerState } from "@/core/triage";

/** What is good or bad on a board with a backlight circuit. Hidden from the inference: only the meter sees it. */
export interface BoardState {
  fuse: "good" | "open";
  rail: "good" | "shorted" | "missing";
  enable: "good" | "low";
}

/** Every board the stand-in can be, by seed: all good, and each fault by itself. */
export const BOARDS: readonly BoardState[] = [
  { fuse: "good", rail: "good", enable: "good" },
  { fuse: "open", rail: "good", enable: "good" },
  { fuse: "good", rail: "shorted", enable: "good" },
  { fuse: "good", rail: "missing", enable: "good" },
  { fuse: "good", rail: "good", enable: "low" },
  { fuse: "open", rail: "shorted", enable: "good" },
];

/** A small integer from any text, the same every time (FNV-1a). */
export function seedOf(text: string): number {
  let h = 0x811c9dc5;
  for (const ch of text) h = Math.imul(h ^ ch.codePointAt(0)!, 0x01000193) >>> 0;
  return h;
}

export type MeterFailure = "none" | "late" | "wrong" | "outOfRange";

/** Noise of a cheap meter, in parts: a few per mille of the value, the same for the same seed and spot. */
const noise = (seed: number, point: string): number => ((seedOf(`${seed}/${point}`) % 1000) / 1000 - 0.5) * 0.02;

function ideal(board: BoardState, point: string, mode: MeterSpot["mode"]): MeterValue {
  if (mode === "continuity" && point === "backlightFuse") return board.fuse === "open" ? null : 0.3;
  if (mode === "diode" && point === "backlightRail") return board.rail === "shorted" ? 0.004 : 0.52;
  // Without its fuse, or shorted after it, the driver's input has no voltage.
  if (mode === "dcVolts" && point === "driverInput") return board.fuse === "open" || board.rail !== "good" ? 0.06 : 19.2;
  if (mode === "dcVolts" && point === "enablePin") return board.enable === "low" ? 0.02 : 3.28;
  return mode === "dcVolts" ? 0 : null;
}

/**
 * A simulated multimeter on a simulated board. It shows what a meter would show in the power state it is used in; whether
 * it may be used is for the gate to say, before it is asked.
 * @param seed chooses the board
 * @param failure makes it late, wrong or out of range, as real ones are at times
 */
export function simulatedMeter(seed: number, failure: MeterFailure = "none"): MeterPort & { board: BoardState } {
  const board = BOARDS[seed % BOARDS.length]!;
  return {
    board,
    async read(spot, power: PowerState) {
      if (failure === "late") {
        await new Promise((done) => setTimeout(done, 4000));
        return { ok: false, problem: "The meter did not settle in time. Look at the probes, then read again." };
      }
      if (failure === "outOfRange") return { ok: true, value: 9_999_999 };
      if (spot.mode === "dcVolts" && power !== "live") return { ok: true, value: 0 };
      const value = ideal(board, spot.point, spot.mode);
      if (failure === "wrong") return { ok: true, value: value === null ? 0.3 : spot.mode === "continuity" ? null : 0 };
      return { ok: true, value: value === null ? null : Math.round(value * (1 + noise(seed, spot.point)) * 1000) / 1000 };
    },
  };
}
