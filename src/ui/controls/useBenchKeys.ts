"use client";
import { useEffect, useRef } from "react";
import { type PedalMap, pedalAct } from "./pedals";

/** Characters closer together than this come from a scanner, not a hand (adj). */
export const SCAN_GAP_MS = 35;
export const SCAN_LEAST = 4;
const HOLD_MS = 800;

export type ArrowDir = "up" | "down" | "left" | "right";
const ARROWS: Readonly<Record<string, ArrowDir>> = { ArrowUp: "up", ArrowDown: "down", ArrowLeft: "left", ArrowRight: "right" };

export interface BenchKeys {
  /** Single letters, digits, signs: by the key's value, lower case. */
  keys: Readonly<Record<string, () => void>>;
  onSpace?: () => void;
  /** Enter pressed and let go. */
  onEnter?: () => void;
  /** Enter held. */
  onEnterHeld?: () => void;
  onBackspace?: () => void;
  onArrow?: (dir: ArrowDir) => void;
  onScan: (text: string) => void;
  /** Letters can be turned off. */
  lettersOff: boolean;
  /** Keys of pedals, read when one is pressed. */
  pedals?: () => PedalMap;
}

const typing = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement &&
  (t.isContentEditable ||
    /^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName) ||
    // A list that opens takes first letters as its own.
    t.closest('[role="combobox"], [role="listbox"]') !== null);
/** Where Space and Enter belong to the bench: the plate, the drawing, or nothing in focus. */
const onBench = (t: EventTarget | null): boolean =>
  !(t instanceof HTMLElement) || t === document.body || t.hasAttribute("data-plate") || t.hasAttribute("data-drawing");
const inDialog = (): boolean => document.querySelector('[role="dialog"]') !== null;

/**
 * Keys of the bench, and the scanner that types on it: a burst of four or more characters under 35 ms apart is held back
 * from every shortcut and handed over whole, with the Enter that ends it.
 */
export function useBenchKeys(handlers: BenchKeys): void {
  const h = useRef(handlers);
  h.current = handlers;
  useEffect(() => {
    let burst: string[] = [];
    let last = 0;
    let timer: ReturnType<typeof setTimeout> | null = null;
    let hold: ReturnType<typeof setTimeout> | null = null;
    let held = false;
    let enterDown = false;
    const settle = () => {
      if (timer) clearTimeout(timer);
      timer = null;
      const chars = burst;
      burst = [];
      if (chars.length >= SCAN_LEAST) {
        h.current.onScan(chars.join(""));
        return true;
      }
      if (!inDialog() && !h.current.lettersOff) for (const c of chars) h.current.keys[c.toLowerCase()]?.();
      return false;
    };
    const down = (e: KeyboardEvent) => {
      if (typing(e.target) || e.ctrlKey || e.metaKey || e.altKey || e.isComposing) return;
      const pedal = e.key.length > 1 ? pedalAct(h.current.pedals?.() ?? {}, e.code) : null;
      if (pedal) {
        if (inDialog()) return;
        e.preventDefault();
        if (!e.repeat) (pedal === "act" ? h.current.onSpace : h.current.onBackspace)?.();
        return;
      }
      const inBurst = burst.length > 0 && e.timeStamp - last < SCAN_GAP_MS;
      if (e.key.length === 1 && (e.key !== " " || inBurst)) {
        if (e.repeat) return;
        if (burst.length && !inBurst) settle();
        burst.push(e.key);
        last = e.timeStamp;
        if (timer) clearTimeout(timer);
        timer = setTimeout(settle, SCAN_GAP_MS + 5);
        if (burst.length > 1 || e.key === "/" || e.key === " ") e.preventDefault();
        return;
      }
      if (e.key === "Enter" && burst.length) {
        const scan = settle();
        if (scan) {
          e.preventDefault();
          e.stopPropagation();
          return;
        }
      } else if (burst.length && e.key.length > 1 && e.key !== "Shift") settle();
      if (inDialog()) return;
      if (e.key === " " && h.current.onSpace && onBench(e.target)) {
        e.preventDefault();
        if (!e.repeat) h.current.onSpace();
      } else if (e.key === "Enter" && onBench(e.target) && (h.current.onEnter || h.current.onEnterHeld)) {
        e.preventDefault();
        if (e.repeat || enterDown) return;
        enterDown = true;
        held = false;
        hold = setTimeout(() => {
          held = true;
          h.current.onEnterHeld?.();
        }, HOLD_MS);
      } else if (e.key === "Backspace" && h.current.onBackspace) {
        e.preventDefault();
        if (!e.repeat) h.current.onBackspace();
      } else if (ARROWS[e.key] && h.current.onArrow && onBench(e.target)) {
        e.preventDefault();
        h.current.onArrow(ARROWS[e.key]!);
      }
    };
    const up = (e: KeyboardEvent) => {
      if (e.key !== "Enter" || !enterDown) return;
      enterDown = false;
      if (hold) clearTimeout(hold);
      hold = null;
      if (!held) h.current.onEnter?.();
    };
    document.addEventListener("keydown", down, true);
    document.addEventListener("keyup", up, true);
    return () => {
      document.removeEventListener("keydown", down, true);
      document.removeEventListener("keyup", up, true);
      if (timer) clearTimeout(timer);
      if (hold) clearTimeout(hold);
    };
  }, []);
}
