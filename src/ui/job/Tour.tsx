"use client";
import { useState } from "react";
import { SOURCE_WORDS, SOURCES } from "@/core/quantity";

/** Where it is remembered that somebody at this browser has read it. */
export const TOUR_COOKIE = "helvane-tour";

const PARTS: readonly (readonly [mark: string, name: string, words: string])[] = [
  ["a", "The plate", "the one act to do now. Press it, or Space, or the pedal: it is recorded at once. Backspace takes it back."],
  ["b", "The route", "nine stations with what is proven at each. Any can be looked into at any time: G, then its digit."],
  [
    "c",
    "The drawing",
    "the machine as it lies before you, turned the same way. Its title bar says which side and scale; boxes are layers.",
  ],
  [
    "d",
    "The tray",
    "mirrors the bench: power, bit, screws out, film, heat, cautions. What stands there is what the log says, not a wish.",
  ],
];

/** What the parts of this screen mean, marked where they are: for whoever opens the demo for the first time. It holds nothing up. */
export function Tour() {
  const [open, setOpen] = useState(true);
  if (!open) return null;
  const away = () => {
    // biome-ignore lint/suspicious/noDocumentCookie: read by the server before the page is made, so that nothing moves
    document.cookie = `${TOUR_COOKIE}=read; path=/; max-age=31536000; samesite=strict`;
    setOpen(false);
  };
  return (
    <aside className="tour" aria-label="What is what on this screen">
      <div className="flex items-center justify-between gap-3">
        <b>What is what on this screen</b>
        <button type="button" className="btn" onClick={away}>
          Read. Not again
        </button>
      </div>
      <dl>
        {PARTS.map(([mark, name, words]) => (
          <div key={mark}>
            <dt>
              <span className="tourmark">{mark}</span> {name}
            </dt>
            <dd>{words}</dd>
          </div>
        ))}
        <div>
          <dt>Letters and lines</dt>
          <dd>
            how a value is known:{" "}
            {SOURCES.map((s, i) => (
              <span key={s}>
                {i > 0 && ", "}
                <span className={`mono u u-${s}`}>{s}</span> {SOURCE_WORDS[s]}
              </span>
            ))}
            .
          </dd>
        </div>
      </dl>
    </aside>
  );
}
