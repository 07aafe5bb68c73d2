"use client";

/** A code typed from the machine under test: plain capitals, nothing corrected, what is wrong with it below. */
export function CodeField({
  label,
  value,
  max,
  like,
  problem,
  onText,
}: {
  label: string;
  value: string;
  max: number;
  /** What such a code looks like. */
  like: string;
  /** What is wrong with what was typed; null while nothing is. */
  problem: string | null;
  onText: (text: string) => void;
}) {
  return (
    <label className="field grow">
      <span>{label}</span>
      <input
        className="mono"
        value={value}
        maxLength={max}
        autoComplete="off"
        spellCheck={false}
        placeholder={like}
        aria-invalid={problem !== null}
        onChange={(e) => onText(e.target.value)}
      />
      {problem && <span className="wrong">{problem}</span>}
    </label>
  );
}
