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

/** What a hand told a field: its text, or whether it is ticked. */
const toldOf = (el: Field): unknown =>
  el instanceof HTMLInputElement && (el.type === "checkbox" || el.type === "radio") ? el.checked : el.value;

/** Whether the page holds what a hand told; a field it does not hold by itself is heard with its first word. */
function heard(el: Field, told: unknown): boolean {
  const held = heldOf(el);
  if (!held) return false;
  if (typeof held.checked === "boolean") return held.checked === told;
  return held.value !== undefined && String(held.value) === told;
}

/** Frames a field is said again for at most: a page may have taken it over and not be there yet. */
const MOST_FRAMES = 300;

/**
 * Says again what was told to a field before the page listened. The page holds what it was served with, and may have drawn
 * the field so again. So the field is first put back to that, by the setter the page watches, and then to what was told by
 * the one it does not watch: to the page that is a change as from the keyboard.
 */
function sayAgain(el: Field, told: unknown): void {
  if (el instanceof HTMLSelectElement) {
    el.value = String(told);
    el.dispatchEvent(new Event("change", { bubbles: true }));
  } else if (typeof told === "boolean") {
    const box = el as HTMLInputElement;
    if (told === box.defaultChecked) return;
    box.checked = box.defaultChecked;
    box.click();
  } else if (!(el instanceof HTMLInputElement && el.type === "file")) {
    el.value = el.defaultValue;
    Object.getOwnPropertyDescriptor(Object.getPrototypeOf(el), "value")?.set?.call(el, told);
    el.dispatchEvent(new Event("input", { bubbles: true }));
  } else if (el.files?.length) {
    el.dispatchEvent(new Event("change", { bubbles: true }));
  }
}

/** For how many frames a field just typed into is looked at; a form of it waits as long, on a slow page a part may wake up very late. */
const DOUBT_FRAMES = 2;

/** What is in doubt of a field the page has taken over: what a hand told it, and what the page held at that moment. */
interface Doubt {
  told: unknown;
  was: unknown;
  frames: number;
}

/** What the page holds of what `toldOf` reads; undefined where it leaves the field to itself. */
const holds = (el: Field): unknown => (typeof toldOf(el) === "boolean" ? heldOf(el)?.checked : heldOf(el)?.value);

/** Nothing typed is lost, not even what was typed in the second before the page woke up. */
export function TypedEarly() {
  useEffect(() => {
    if (window.noteEarly) removeEventListener("input", window.noteEarly, true);
    if (window.holdEarly) removeEventListener("submit", window.holdEarly, true);
    let sent = window.sentEarly;
    window.sentEarly = undefined;
    const waiting = window.typedEarly ?? new Map<EventTarget, unknown>();
    const said = new Map<EventTarget, number>();
    // The page marks a field as its own a moment before it listens: what was told just then shows on the screen and is held by nobody.
    const doubts = new Map<Field, Doubt>();
    let frame = 0;
    let saying = false;
    const look = () => {
      frame = 0;
      for (const [t, d] of doubts) {
        // A page that heard it and thinks otherwise has put the field back, or holds something else by now.
        const lost = t.isConnected && toldOf(t) === d.told && holds(t) === d.was && String(d.was) !== String(d.told);
        if (lost && ++d.frames < DOUBT_FRAMES) continue;
        doubts.delete(t);
        if (lost) waiting.set(t, d.told);
      }
      for (const [t, told] of waiting) {
        if (!isField(t) || !t.isConnected) waiting.delete(t);
        else if (heard(t, told)) waiting.delete(t);
        else if (takenOver(t)) {
          const tries = (said.get(t) ?? 0) + 1;
          said.set(t, tries);
          const free = heldOf(t)!.value === undefined && heldOf(t)!.checked === undefined;
          // A file is handed over once: said twice it would be read twice.
          const most = t.type === "file" ? 0 : free ? 3 : MOST_FRAMES;
          if (tries > most) waiting.delete(t);
          saying = true;
          sayAgain(t, told);
          saying = false;
          // One at a time: the page has to have drawn itself with the first before it hears the second.
          break;
        }
      }
      // All it holds is heard: now it goes.
      if (sent && !waiting.size && !doubts.size && (takenOver(sent[0]) || !sent[0].isConnected)) {
        const [form, by] = sent;
        sent = undefined;
        if (form.isConnected) form.requestSubmit(by);
      }
      if (waiting.size || doubts.size || sent) frame = requestAnimationFrame(look);
    };
    // A form nobody listens to yet would load the page anew, and all that was typed with it.
    const hold = (e: SubmitEvent) => {
      const form = e.target as HTMLFormElement;
      const mine = (t: EventTarget) => isField(t) && t.form === form;
      const unheard = [...waiting.keys(), ...doubts.keys()].some(mine);
      if ((takenOver(form) && !unheard) || form.hasAttribute("action")) return;
      e.preventDefault();
      e.stopPropagation();
      sent = [form, e.submitter];
      frame ||= requestAnimationFrame(look);
    };
    // A part of the page can wake up later than the rest: its fields are noted until then. What is typed on counts.
    const note = (e: Event) => {
      if (saying || !e.target || !isField(e.target)) return;
      const t = e.target;
      if (takenOver(t) && !waiting.has(t)) {
        const was = holds(t);
        // A field of its own, a file, or one no hand reaches.
        if (was === undefined || t.type === "file" || t.ariaHidden === "true") return;
        doubts.set(t, { told: toldOf(t), was, frames: 0 });
      } else waiting.set(t, toldOf(t));
      frame ||= requestAnimationFrame(look);
    };
    addEventListener("input", note, true);
    addEventListener("submit", hold, true);
    // one frame later: what was taken over in this same breath has its own effects behind it
    frame = requestAnimationFrame(look);
    return () => {
      removeEventListener("input", note, true);
      removeEventListener("submit", hold, true);
      cancelAnimationFrame(frame);
    };
  }, []);
  return null;
}
