"use client";
import { Popover } from "radix-ui";
import { type ReactNode, useState } from "react";

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
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button
          type="button"
          className="term"
          onPointerEnter={(e) => e.pointerType === "mouse" && setOpen(true)}
          onPointerLeave={(e) => e.pointerType === "mouse" && setOpen(false)}
          onFocus={(e) => e.target.matches(":focus-visible") && setOpen(true)}
          onBlur={() => setOpen(false)}
        >
          {children}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          className="tip"
          sideOffset={4}
          collisionPadding={8}
          onOpenAutoFocus={(e) => e.preventDefault()}
          role="note"
        >
          {WORDS[name]}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
