"use client";
import { type ReactNode, useState } from "react";

/** Something that is made only when it is asked for. */
export function OnDemand({ words, children }: { words: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <div className="flex flex-col gap-2">
      <button type="button" className="btn quiet self-start" aria-expanded={open} onClick={() => setOpen(!open)}>
        {words}
      </button>
      {open && children}
    </div>
  );
}
