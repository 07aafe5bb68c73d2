"use client";
import { Checkbox } from "radix-ui";

/** A box that is ticked or not; its words stand in the label around it. */
export function Tick({
  on,
  onPut,
  disabled,
  label,
}: {
  on: boolean;
  onPut: (on: boolean) => void;
  disabled?: boolean;
  label?: string;
}) {
  return (
    <Checkbox.Root
      className="tick"
      checked={on}
      disabled={disabled ?? false}
      aria-label={label}
      onCheckedChange={(to) => onPut(to === true)}
    >
      <Checkbox.Indicator asChild>
        <svg width="14" height="12" viewBox="0 0 14 12" aria-hidden="true">
          <path d="M1 6.5l4 4L13 1" fill="none" stroke="currentColor" strokeWidth="2.4" />
        </svg>
      </Checkbox.Indicator>
    </Checkbox.Root>
  );
}
