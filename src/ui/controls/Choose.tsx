"use client";
import { type CSSProperties, useRef, useState } from "react";
import type { ChooseList } from "./ChooseList";

/** A value and what is said for it. */
export type Choice<T extends string> = readonly [value: T, words: string];

export interface ChooseProps<T extends string = string> {
  value: T;
  options: readonly Choice<T>[];
  onValue: (value: T) => void;
  /** Its name, where no label stands around it. */
  label?: string;
  invalid?: boolean;
  title?: string;
  className?: string;
  style?: CSSProperties;
}

/** The list once it was fetched: a page carries it only when a hand asks for one. */
let fetched: typeof ChooseList | null = null;
const OPENS = new Set(["Enter", " ", "ArrowDown", "ArrowUp"]);

/** What a trigger says of its value. */
export const chosenWords = <T extends string>(p: Pick<ChooseProps<T>, "value" | "options">): string =>
  p.options.find(([v]) => v === p.value)?.[1] ?? p.value;

/** One of several, from a list that opens: by mouse, by touch, by arrows and first letters. */
export function Choose<T extends string>(props: ChooseProps<T>) {
  const [List, setList] = useState<{ at: typeof ChooseList; open: boolean; focus: boolean } | null>(
    fetched ? { at: fetched, open: false, focus: false } : null,
  );
  const trigger = useRef<HTMLButtonElement>(null);
  const want = async (open: boolean) => {
    const { ChooseList } = await import("./ChooseList");
    fetched = ChooseList;
    setList((now) => now ?? { at: ChooseList, open, focus: document.activeElement === trigger.current });
  };
  if (List) return <List.at {...(props as unknown as ChooseProps)} openAtOnce={List.open} focusAtOnce={List.focus} />;
  return (
    <button
      ref={trigger}
      type="button"
      role="combobox"
      aria-expanded={false}
      aria-haspopup="listbox"
      aria-label={props.label}
      aria-invalid={props.invalid || undefined}
      title={props.title}
      className={`choose ${props.className ?? ""}`}
      style={props.style}
      data-value={props.value}
      onClick={() => void want(true)}
      onKeyDown={(e) => {
        if (!OPENS.has(e.key)) return;
        e.preventDefault();
        void want(true);
      }}
    >
      <span>{chosenWords(props)}</span>
      <Arrow />
    </button>
  );
}

/** The sign that a list opens here. */
export const Arrow = () => (
  <svg width="10" height="7" viewBox="0 0 10 7" aria-hidden="true">
    <path d="M1 1l4 4.5L9 1" fill="none" stroke="currentColor" strokeWidth="1.6" />
  </svg>
);
