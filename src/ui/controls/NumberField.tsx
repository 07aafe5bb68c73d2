"use client";
import { useCallback } from "react";
import { readLength, readNumber } from "@/core/quantity";

/** A number typed with either decimal mark; what is none, or out of its range, is said where it stands and nothing is sent. */
export function NumberField({
  label,
  value,
  onText,
  min,
  max,
  width,
  required = false,
}: {
  label: string;
  value: string;
  onText: (text: string) => void;
  min: number;
  max: number;
  width?: number;
  required?: boolean;
}) {
  const n = /\bmm\b/.test(label) ? readLength(value) : readNumber(value);
  const wrong =
    value.trim() === "" ? "" : n === null ? `"${value}" is not a number` : n < min || n > max ? `${min} to ${max}` : "";
  // Inches are put over into mm as soon as the field is left or sent: the forms read mm.
  const over = () => {
    if (n !== null && readNumber(value) === null) onText(String(n));
  };
  const say = useCallback((el: HTMLInputElement | null) => el?.setCustomValidity(wrong), [wrong]);
  return (
    <label className="field" style={width ? { width } : undefined}>
      <span>{label}</span>
      <input
        ref={say}
        inputMode="decimal"
        autoComplete="off"
        maxLength={12}
        required={required}
        value={value}
        aria-invalid={wrong !== ""}
        onChange={(e) => onText(e.target.value)}
        onBlur={over}
        onKeyDown={(e) => e.key === "Enter" && over()}
      />
      {wrong && <span className="wrong">{wrong}</span>}
    </label>
  );
}
