import { read, write } from "./device";

const KEY = "helvane.ahead";
let ahead: number | null | undefined;

/** How far this device's clock is ahead of the server's, ms, as last measured; null when the server was never reached. */
export function aheadMs(): number | null {
  if (ahead === undefined) {
    const kept = read(KEY);
    ahead = kept === null || !Number.isFinite(Number(kept)) ? null : Number(kept);
  }
  return ahead;
}
/**
 * Takes a measure from an answer: the server's time against the middle of the way there and back.
 * @example measure({ nowMs: 1000 }, 5000, 5020) // 4010 ms ahead
 */
export function measure(reply: unknown, sentMs: number, gotMs: number): void {
  const server = (reply as { nowMs?: unknown } | null)?.nowMs;
  if (typeof server !== "number") return;
  ahead = Math.round((sentMs + gotMs) / 2 - server);
  write(KEY, String(ahead));
}
