"use client";
import { type ReactNode, useState } from "react";
import type { Build } from "@/core/build";
import { readLength, readNumber } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { Tick } from "../controls/Tick";

/** A text that is put when it is left; an empty one is put only where it may be. */
export function Txt({
  label,
  value,
  max = 60,
  empty = false,
  width,
  placeholder,
  lines,
  onPut,
}: {
  label: string;
  value: string;
  max?: number;
  /** More than one line: for a sentence. */
  lines?: number;
  empty?: boolean;
  width?: number;
  placeholder?: string;
  onPut: (text: string) => void;
}) {
  const put = (at: HTMLInputElement | HTMLTextAreaElement) => {
    const text = at.value.replace(/\s+/g, " ").trim();
    if (text === value) return;
    if (text || empty) onPut(text);
    else at.value = value;
  };
  const shared = { className: "cell", defaultValue: value, maxLength: max, placeholder };
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: it holds its input, or its textarea
    <label className={`field${lines ? "" : " grow"}`} style={width ? { width, flexGrow: 0 } : undefined}>
      <span>{label}</span>
      {lines ? (
        <textarea key={value} {...shared} rows={lines} style={{ resize: "vertical" }} onBlur={(e) => put(e.target)} />
      ) : (
        <input key={value} {...shared} onBlur={(e) => put(e.target)} />
      )}
    </label>
  );
}

/** A number with its unit in the label; what is out of its range is said, kept on screen, and not put. */
export function Num({
  label,
  value,
  from,
  to,
  width = 104,
  empty,
  onPut,
}: {
  label: string;
  value: number | null;
  from: number;
  to: number;
  width?: number;
  /** What an empty field means; without it a number has to stand there. */
  empty?: () => void;
  onPut: (n: number) => void;
}) {
  const [wrong, setWrong] = useState<string | null>(null);
  return (
    <label className="field" style={{ width }}>
      <span>{label}</span>
      <input
        key={value ?? ""}
        className="cell"
        inputMode="decimal"
        defaultValue={value ?? ""}
        aria-invalid={wrong !== null}
        onBlur={(e) => {
          const text = e.target.value.trim().replace(",", ".");
          if (text === "" && empty) {
            setWrong(null);
            if (value !== null) empty();
            return;
          }
          const n = (/\bmm\b/.test(label) ? readLength(text) : readNumber(text)) ?? Number.NaN;
          if (text === "" || !Number.isFinite(n) || n < from || n > to) return setWrong(`${from} to ${to}`);
          setWrong(null);
          if (n !== value) onPut(n);
        }}
      />
      {wrong && <span className="wrong text-[14px]">{wrong}</span>}
    </label>
  );
}

/** One of a fixed list. */
export function Pick<T extends string>({
  label,
  value,
  of,
  words,
  width,
  onPut,
}: {
  label: string;
  value: T;
  of: readonly T[];
  words?: (k: T) => string;
  width?: number;
  onPut: (k: T) => void;
}) {
  return (
    <label className="field grow" style={width ? { width, flexGrow: 0 } : undefined}>
      <span>{label}</span>
      <Choose className="cell" value={value} options={of.map((k) => [k, words ? words(k) : k])} onValue={onPut} />
    </label>
  );
}

export function Check({ words, on, onPut }: { words: string; on: boolean; onPut: (on: boolean) => void }) {
  return (
    <label className="flex min-h-9 items-center gap-2 text-[15px]">
      <Tick on={on} onPut={onPut} />
      {words}
    </label>
  );
}

export const Row = ({ children }: { children: ReactNode }) => <div className="flex flex-wrap items-end gap-2">{children}</div>;

/** Things of a build to tick: what something comes after, lies under, or has freed. */
export function Ticks({
  legend,
  from,
  on,
  onPut,
}: {
  legend: string;
  from: readonly { id: string; name: string }[];
  on: readonly string[];
  onPut: (next: string[]) => void;
}) {
  return (
    <fieldset className="flex flex-wrap gap-x-4">
      <legend className="font-bold">{legend}</legend>
      {from.map((p) => (
        <Check
          key={p.id}
          words={p.name}
          on={on.includes(p.id)}
          onPut={(yes) => onPut(yes ? [...on, p.id] : on.filter((x) => x !== p.id))}
        />
      ))}
    </fieldset>
  );
}

/** Parts that come away, other than this one. */
export const movable = (b: Build, but: string) => b.parts.filter((p) => p.id !== but && p.out);
