"use client";
import { useEffect, useRef, useState } from "react";
import { PATTERNS, paintPattern } from "@/core/proof/patterns";

/** Fills the screen with a pattern; tap, Space or arrows go on, F goes full screen. The words fade. */
export function PatternScreen() {
  const canvas = useRef<HTMLCanvasElement>(null);
  const box = useRef<HTMLElement>(null);
  const [at, setAt] = useState(0);
  const [words, setWords] = useState(true);
  const p = PATTERNS[at % PATTERNS.length]!;
  useEffect(() => {
    const c = canvas.current;
    const g = c?.getContext("2d");
    if (!c || !g) return;
    let frame = 0;
    const paint = (t: number) => {
      const k = window.devicePixelRatio || 1;
      const w = Math.round(innerWidth * k);
      const h = Math.round(innerHeight * k);
      if (c.width !== w || c.height !== h) Object.assign(c, { width: w, height: h });
      paintPattern(g, w, h, p.id, t);
      if (p.id === "bar") frame = requestAnimationFrame(paint);
    };
    paint(0);
    const again = () => paint(0);
    addEventListener("resize", again);
    const hide = setTimeout(() => setWords(false), 4000);
    return () => {
      removeEventListener("resize", again);
      cancelAnimationFrame(frame);
      clearTimeout(hide);
    };
  }, [p.id]);
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (e.key === " " || e.key === "ArrowRight" || e.key === "Enter") setAt((n) => n + 1);
      else if (e.key === "ArrowLeft") setAt((n) => n + PATTERNS.length - 1);
      else if (e.key.toLowerCase() === "f") void box.current?.requestFullscreen?.();
      else return;
      setWords(true);
      e.preventDefault();
    };
    addEventListener("keydown", key);
    return () => removeEventListener("keydown", key);
  }, []);
  return (
    <main ref={box} style={{ position: "fixed", inset: 0, background: "#000" }} data-pattern={p.id}>
      <h1 className="vh">Test patterns</h1>
      <canvas
        ref={canvas}
        style={{ width: "100%", height: "100%", display: "block" }}
        role="img"
        aria-label={`Pattern: ${p.name}`}
      />
      <button
        type="button"
        aria-label={`Next pattern after ${p.name}`}
        onClick={() => {
          setAt((n) => n + 1);
          setWords(true);
        }}
        style={{ position: "absolute", inset: 0, background: "transparent" }}
      />
      {words && (
        <p
          style={{
            position: "absolute",
            left: 20,
            bottom: 20,
            background: "#101814",
            color: "#fff",
            padding: "8px 12px",
            fontSize: 18,
          }}
        >
          {p.name}. Tap or Space: next. F: full screen.{" "}
          <a
            href="/pattern.html"
            download="helvane-patterns.html"
            style={{ color: "#fff", textDecoration: "underline", position: "relative" }}
          >
            As one file
          </a>
        </p>
      )}
    </main>
  );
}
