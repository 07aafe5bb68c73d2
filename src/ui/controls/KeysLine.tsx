import type { ReactNode } from "react";

/** The keys that count on a screen, below everything else. */
export function KeysLine({ keys, children }: { keys: readonly (readonly [key: string, does: string])[]; children?: ReactNode }) {
  return (
    <p className="keys">
      {children}
      {keys.map(([key, does]) => (
        <span key={key}>
          <kbd>{key}</kbd>
          {does}
        </span>
      ))}
    </p>
  );
}
