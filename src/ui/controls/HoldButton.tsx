"use client";
import { useState } from "react";

/** Held for most of a second, because it counts several at once. */
export function HoldButton({ words, onAct }: { words: string; onAct: () => void }) {
  const [timer, setTimer] = useState<ReturnType<typeof setTimeout> | null>(null);
  const start = () => {
    if (!timer)
      setTimer(
        setTimeout(() => {
          setTimer(null);
          onAct();
        }, 800),
      );
  };
  const stop = () => {
    if (timer) clearTimeout(timer);
    setTimer(null);
  };
  return (
    <button
      type="button"
      className="btn whitespace-nowrap"
      aria-pressed={timer !== null}
      onPointerDown={start}
      onPointerUp={stop}
      onPointerLeave={stop}
      onKeyDown={(e) => {
        if (e.key === "Enter" || e.key === " ") {
          e.preventDefault();
          if (!e.repeat) start();
        }
      }}
      onKeyUp={stop}
      onContextMenu={(e) => e.preventDefault()}
    >
      {timer ? "Keep holding" : words} <kbd>Hold</kbd>
    </button>
  );
}
