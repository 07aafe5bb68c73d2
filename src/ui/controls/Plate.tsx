"use client";
import { useCallback, useEffect, useRef, useState } from "react";

export interface PlateProps {
  line1: string;
  line2?: string;
  keyCap?: string;
  number?: string | number;
  onAct: () => void;
  /** Spends money or cannot be undone: has to be held. */
  hold?: boolean;
  small?: boolean;
  disabledWhy?: string | null;
  /** Sends the form it stands in; `onAct` is then the form's. */
  submit?: boolean;
}

const HOLD_MS = 800;

/** The plate: the one thing to do now. The whole plate is the button; Space and the pedal do the same. */
export function Plate({
  line1,
  line2,
  keyCap = "Space",
  number,
  onAct,
  hold = false,
  small = false,
  disabledWhy = null,
  submit = false,
}: PlateProps) {
  const [held, setHeld] = useState(false);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const stop = useCallback(() => {
    if (timer.current) clearTimeout(timer.current);
    timer.current = null;
    setHeld(false);
  }, []);
  // What is done is what was read when the hold began: a plate that says something else by now does nothing.
  const says = [line1, line2, disabledWhy].join("|");
  useEffect(() => {
    if (says) return stop;
  }, [says, stop]);
  const start = () => {
    if (!hold || disabledWhy || timer.current) return;
    setHeld(true);
    timer.current = setTimeout(() => {
      stop();
      onAct();
    }, HOLD_MS);
  };
  return (
    <button
      type={submit ? "submit" : "button"}
      className={`plate${small ? " small" : ""}`}
      data-plate
      disabled={!!disabledWhy}
      onClick={hold || submit ? undefined : onAct}
      onPointerDown={hold ? start : undefined}
      onPointerUp={hold ? stop : undefined}
      onPointerLeave={hold ? stop : undefined}
      onKeyDown={
        hold
          ? (e) => {
              if (e.key === "Enter" || e.key === " ") {
                e.preventDefault();
                e.stopPropagation();
                if (!e.repeat) start();
              }
            }
          : undefined
      }
      onKeyUp={hold ? stop : undefined}
    >
      {number !== undefined && (
        <span className="no" style={{ flex: "none" }}>
          {number}
        </span>
      )}
      <span>
        <b>{line1}</b>
        {(disabledWhy ?? line2) && <i>{disabledWhy ?? (held ? "Keep holding" : line2)}</i>}
      </span>
      <kbd>{hold ? `Hold ${keyCap}` : keyCap}</kbd>
    </button>
  );
}
