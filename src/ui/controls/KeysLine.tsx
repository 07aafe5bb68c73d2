"use client";
import type { ReactNode } from "react";
import { useBench } from "../job/context";

/** The keys that count on a screen, below everything else; each is a control as well. */
export function KeysLine({ keys, children }: { keys: readonly (readonly [key: string, does: string])[]; children?: ReactNode }) {
  const { press } = useBench();
  return (
    <p className="keys">
      {children}
      {keys.map(([key, does]) => (
        <button key={key} type="button" onClick={() => press(key)}>
          <kbd>{key}</kbd>
          {does}
        </button>
      ))}
    </p>
  );
}
