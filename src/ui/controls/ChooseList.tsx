"use client";
import { Select } from "radix-ui";
import { useEffect, useRef } from "react";
import { Arrow, type ChooseProps, chosenWords } from "./Choose";
import { pageNonce } from "./nonce";

/** Radix takes no empty value: it stands for "nothing chosen" there. */
const EMPTY = "\u0000";

/** The list of `Choose`, fetched when a hand first asks for one. */
export function ChooseList({
  value,
  options,
  onValue,
  label,
  invalid,
  title,
  className = "",
  style,
  openAtOnce,
  focusAtOnce,
}: ChooseProps & { openAtOnce: boolean; focusAtOnce: boolean }) {
  const trigger = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (focusAtOnce && !openAtOnce) trigger.current?.focus();
  }, [focusAtOnce, openAtOnce]);
  return (
    <Select.Root
      value={value || EMPTY}
      defaultOpen={openAtOnce}
      onValueChange={(v) => v !== value && onValue(v === EMPTY ? "" : v)}
    >
      <Select.Trigger
        ref={trigger}
        aria-label={label}
        aria-invalid={invalid || undefined}
        title={title}
        className={`choose ${className}`}
        style={style}
        data-value={value}
      >
        <Select.Value>{chosenWords({ value, options })}</Select.Value>
        <Arrow />
      </Select.Trigger>
      <Select.Portal>
        <Select.Content className="choose-list" position="popper" sideOffset={2} collisionPadding={8}>
          <Select.Viewport nonce={pageNonce()}>
            {options.map(([v, words]) => (
              <Select.Item key={v} value={v || EMPTY} data-value={v}>
                <Select.ItemText>{words}</Select.ItemText>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
