"use client";
import { useCallback, useSyncExternalStore } from "react";
import { read, write } from "@/client/device";
import { PX_PER_MM } from "./scale";

/** Nominal length of the bar a ruler is held to, mm. */
export const SCREEN_BAR_MM = 100;
const KEY = "helvane.screen";

/** What a ruler said of this screen. It holds for this screen at this zoom only. */
interface Checked {
  mm: number;
  ratio: number;
  width: number;
}

/**
 * Pixels of the page per millimetre on the glass, from the bar as measured.
 * @param measuredMm what the ruler says of the bar drawn 100 nominal mm long; 60 to 170, else null
 * @example pxPerMmOf(110) // 3.436
 */
export const pxPerMmOf = (measuredMm: number): number | null =>
  measuredMm >= 60 && measuredMm <= 170 ? (PX_PER_MM * SCREEN_BAR_MM) / measuredMm : null;

/** What was kept, when it was measured on this screen at this zoom; else null. */
export function readScreen(kept: string | null, here: { ratio: number; width: number }): number | null {
  try {
    const c = JSON.parse(kept || "null") as Checked | null;
    return c && c.ratio === here.ratio && c.width === here.width ? pxPerMmOf(c.mm) : null;
  } catch {
    return null;
  }
}

const listeners = new Set<() => void>();
const here = () => ({ ratio: window.devicePixelRatio, width: window.screen.width });
const subscribe = (f: () => void) => {
  listeners.add(f);
  window.addEventListener("resize", f);
  return () => {
    listeners.delete(f);
    window.removeEventListener("resize", f);
  };
};

/** Keeps what the ruler said, or forgets it; every drawing on the page follows at once. */
export function checkScreen(measuredMm: number | null): void {
  write(KEY, measuredMm === null ? "" : JSON.stringify({ mm: measuredMm, ...here() } satisfies Checked));
  for (const f of listeners) f();
}

/** Pixels per millimetre here, and whether a ruler was held to it. The first picture is drawn unchecked, as the server did. */
export function useScreen(): { pxPerMm: number; checked: boolean } {
  const px = useSyncExternalStore(
    subscribe,
    useCallback(() => readScreen(read(KEY), here()), []),
    () => null,
  );
  return { pxPerMm: px ?? PX_PER_MM, checked: px !== null };
}
