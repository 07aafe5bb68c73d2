"use client";
import { type ReactNode, useId, useRef } from "react";

const WORDS = {
  p50: "P50: half of such jobs are through by then. P80: four in five are. Both from the plan's own minutes, spread as the timed jobs of this family here were.",
  family: "How the panel is held and what has to come away first: which of eight ways a machine of this kind is put together.",
  openPass: "Checks made while the machine lies open, when what is wrong can still be mended without opening it again.",
  closedPass: "Checks made once it is closed: what only shows then.",
  begun: "Some steps of this station are done and others are not. The work goes on at the station the plate names.",
  sources:
    "Where a value is from: M measured by hand, L read from the label, E from the EDID, D a datasheet, S a seller's word, G guessed from the code, A a default that can be changed.",
} as const;
export type TermName = keyof typeof WORDS;

/** A word of the trade with what it means: on hover, on focus, and by a tap. */
export function Term({ name, children }: { name: TermName; children: ReactNode }) {
  const id = useId();
  const tip = useRef<HTMLSpanElement>(null);
  const show = (at: HTMLElement, on: boolean) => {
    const t = tip.current;
    if (!t) return;
    if (!on) return t.hidePopover();
    t.showPopover();
    const r = at.getBoundingClientRect();
    t.style.left = `${Math.max(8, Math.min(r.left, window.innerWidth - t.offsetWidth - 8))}px`;
    t.style.top = `${r.bottom + 4 + t.offsetHeight > window.innerHeight ? r.top - t.offsetHeight - 4 : r.bottom + 4}px`;
  };
  return (
    <>
      <button
        type="button"
        className="term"
        aria-describedby={id}
        onPointerEnter={(e) => e.pointerType === "mouse" && show(e.currentTarget, true)}
        onPointerLeave={(e) => e.pointerType === "mouse" && show(e.currentTarget, false)}
        onFocus={(e) => e.currentTarget.matches(":focus-visible") && show(e.currentTarget, true)}
        onBlur={(e) => show(e.currentTarget, false)}
        onClick={(e) => show(e.currentTarget, true)}
      >
        {children}
      </button>
      <span id={id} ref={tip} popover="manual" role="note" className="tip">
        {WORDS[name]}
      </span>
    </>
  );
}
