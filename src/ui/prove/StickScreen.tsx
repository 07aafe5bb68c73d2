"use client";
import { useEffect, useRef } from "react";
import { mountStick, type StickOptions } from "./stick/mount";

/** The machine under test: patterns, dots marked on them, the touch test. The very code of the file for a stick. */
export function StickScreen({ widthMm, heightMm, start }: Pick<StickOptions, "widthMm" | "heightMm" | "start">) {
  const root = useRef<HTMLElement>(null);
  useEffect(
    () =>
      mountStick(root.current!, {
        widthMm,
        heightMm,
        ...(start ? { start } : {}),
        file: `/pattern.html${widthMm && heightMm ? `?w=${widthMm}&h=${heightMm}` : ""}`,
      }),
    [widthMm, heightMm, start],
  );
  return <main ref={root} style={{ position: "fixed", inset: 0, background: "#000" }} />;
}
