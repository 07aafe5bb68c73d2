"use client";
import { useEffect } from "react";
import "./typedEarlyNote";

type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

const isField = (t: EventTarget): t is Field =>
  t instanceof HTMLInputElement || t instanceof HTMLTextAreaElement || t instanceof HTMLSelectElement;

/** What the page holds of an element; undefined as long as React has not taken it over. */
function heldOf(el: Element): { value?: unknown; checked?: unknown } | undefined {
  const key = Object.keys(el).find((k) => k.startsWith("__reactProps"));
  return key ? (el as unknown as Record<string, { value?: unknown; checked?: unknown }>)[key] : undefined;
}
const takenOver = (el: Element): boolean => heldOf(el) !== undefined;

/** Whether the page holds what its field shows; a field it does not hold by itself is heard with its first word. */
function heard(el: Field): boolean {
  const held = heldOf(el);
  if (!held) return false;
  if (typeof held.checked === "boolean") return held.checked === (el as HTMLInputElement).checked;
  return held.value !== undefined && String(held.value) === el.value;
}

/** Frames a field is said again for at most: a page may have taken it over and not be there yet. */
const MOST_FRAMES = 300;

/**
 * Says again what was typed into a field before the page listened. The field shows it already; the page holds what it
 * was served with. So the field is first put back to that, by the setter the page watches, and then to what was typed
 * by the one it does not watch: to the page that is a change as from the keyboard.
 */
function sayAgain(el: Field): void {
  if (el instanceof HTMLSelectElement) {
    el.dispatchEvent(new Event("change", { bubbles: true }));
  } else if (el instanceof HTMLInputElement && (el.type === "checkbox" || el.type === "radio")) {
    if (el.checked === el.defaultChecked) return;
    el.checked = el.defaultChecked;
    el.click();
  } else if (!(el instanceof HTMLInputElement && el.type === "file")) {
    const typed = el.value;
    el.value = el.defaultValue;
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(el), "value")?.set?.call(el, typed);
    el.dispatchEvent(new Event("input", { bubbles: true }));
  } else if (el.files?.length) {
    el.dispatchEvent(new Event("change", { bubbles: true }));
  }
}

/** Nothing typed is lost, not even what was typed in the second before the page woke up. */
export function TypedEarly() {
  useEffect(() => {
    if (window.noteEarly) removeEventListener("input", window.noteEarly, true);
    const waiting = window.typedEarly ?? new Set();
    const said = new Map<EventTarget, number>();
    let frame = 0;
    const look = () => {
      frame = 0;
      for (const t of waiting) {
        if (!isField(t) || !t.isConnected) waiting.delete(t);
        else if (heard(t)) waiting.delete(t);
        else if (takenOver(t)) {
          const tries = (said.get(t) ?? 0) + 1;
          said.set(t, tries);
          const free = heldOf(t)!.value === undefined && heldOf(t)!.checked === undefined;
          // A file is handed over once: said twice it would be read twice.
          const most = t.type === "file" ? 0 : free ? 3 : MOST_FRAMES;
          if (tries > most) waiting.delete(t);
          sayAgain(t);
          // One at a time: the page has to have drawn itself with the first before it hears the second.
          break;
        }
      }
      if (waiting.size) frame = requestAnimationFrame(look);
    };
    // A part of the page can wake up later than the rest: its fields are noted until then.
    const note = (e: Event) => {
      if (!e.target || !isField(e.target) || takenOver(e.target)) return;
      waiting.add(e.target);
      frame ||= requestAnimationFrame(look);
    };
    addEventListener("input", note, true);
    // one frame later: what was taken over in this same breath has its own effects behind it
    frame = requestAnimationFrame(look);
    return () => {
      removeEventListener("input", note, true);
      cancelAnimationFrame(frame);
    };
  }, []);
  return null;
}
