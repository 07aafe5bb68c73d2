"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import { ghostWatch, stripesIn, type TouchSample, touchCode, touchCoverage } from "@/core/proof/touchTest";

/** A 14-inch glass, where nobody says what it measures, mm. */
const [USUAL_W, USUAL_H] = [309, 174];
const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;

interface Kept {
  stage: "draw" | "watch" | "done";
  /** Cells touched, row by row. */
  cells: number[];
  taps: number[];
  watchedS: number;
}
function readKept(key: string): Kept | null {
  try {
    const k = JSON.parse(sessionStorage.getItem(key) ?? "null") as Kept | null;
    return k && Array.isArray(k.cells) && Array.isArray(k.taps) && Number.isFinite(k.watchedS) ? k : null;
  } catch {
    return null;
  }
}

/** Draw over the glass, then hands off; a short code says what was found. Joins that are no strokes are gaps, never lines. */
export function TouchScreen({ widthMm, heightMm }: { widthMm: number | null; heightMm: number | null }) {
  const [w, h] = [widthMm ?? USUAL_W, heightMm ?? USUAL_H];
  const box = useRef<HTMLElement>(null);
  const samples = useRef<TouchSample[]>([]);
  const [stage, setStage] = useState<"draw" | "watch" | "done">("draw");
  const [drawn, setDrawn] = useState(0);
  const [taps, setTaps] = useState<number[]>([]);
  const [watchedS, setWatched] = useState(0);
  const key = `helvane-touch-${w}x${h}`;
  // What was drawn and watched lasts over a reload of this tab; while the page was away nothing was watched.
  useEffect(() => {
    const was = readKept(key);
    if (!was) return;
    const cells = touchCoverage({ widthMm: w, heightMm: h, samples: [] });
    samples.current = was.cells.map((k, i) => ({
      xMm: (((k % cells.nx) + 0.5) / cells.nx) * w,
      yMm: ((Math.floor(k / cells.nx) + 0.5) / cells.ny) * h,
      tS: -1e6 + i,
      id: -1 - i,
    }));
    setDrawn(samples.current.length);
    setTaps(was.taps);
    setWatched(was.watchedS);
    setStage(was.stage);
  }, [key, w, h]);
  const cover = touchCoverage({ widthMm: w, heightMm: h, samples: samples.current.slice(0, drawn) });
  // The clock of the watch stands still while the page is hidden: nothing is seen then.
  useEffect(() => {
    if (stage !== "watch") return;
    let last = performance.now();
    const t = setInterval(() => {
      const now = performance.now();
      const step = (now - last) / 1000;
      last = now;
      if (!document.hidden && step < 5) setWatched((s) => s + step);
    }, 250);
    return () => clearInterval(t);
  }, [stage]);
  const add = useCallback(
    (e: PointerEvent) => {
      if (e.pointerType !== "touch") return;
      if ((e.target as HTMLElement).closest("button")) return;
      const r = box.current!.getBoundingClientRect();
      const all = e.getCoalescedEvents?.() ?? [];
      for (const c of all.length ? all : [e])
        samples.current.push({
          xMm: ((c.clientX - r.left) / r.width) * w,
          yMm: ((c.clientY - r.top) / r.height) * h,
          tS: c.timeStamp / 1000,
          id: c.pointerId,
        });
      setDrawn(samples.current.length);
    },
    [w, h],
  );
  useEffect(() => {
    const el = box.current!;
    const tap = (e: PointerEvent) => {
      if (stage === "draw") add(e);
      else if (stage === "watch" && e.pointerType === "touch" && !(e.target as HTMLElement).closest("button"))
        setTaps((t) => [...t, watchedS]);
    };
    const move = (e: PointerEvent) => {
      if (stage === "draw" && e.buttons > 0) add(e);
    };
    el.addEventListener("pointerdown", tap);
    el.addEventListener("pointermove", move);
    return () => {
      el.removeEventListener("pointerdown", tap);
      el.removeEventListener("pointermove", move);
    };
  }, [stage, add, watchedS]);
  const watch = ghostWatch({ watchedS, taps });
  const stripes = stripesIn(cover);
  const code = touchCode({
    coveredPerMille: Math.floor(cover.share * 1000),
    missed: cover.missed.length,
    columns: stripes.columns.length,
    rows: stripes.rows.length,
    watchedS: Math.floor(watchedS),
    ghosts: watch.events,
  });
  useEffect(() => {
    if (drawn === 0 && stage === "draw") return;
    const gone = new Set(cover.missed.map(([i, j]) => j * cover.nx + i));
    const cells = Array.from({ length: cover.nx * cover.ny }, (_, k) => k).filter((k) => !gone.has(k));
    sessionStorage.setItem(key, JSON.stringify({ stage, cells, taps, watchedS } satisfies Kept));
  });
  const anew = () => {
    sessionStorage.removeItem(key);
    samples.current = [];
    setDrawn(0);
    setTaps([]);
    setWatched(0);
    setStage("draw");
  };
  const missed = new Set(cover.missed.map(([i, j]) => j * cover.nx + i));
  return (
    <main
      ref={box}
      data-stage={stage}
      style={{ position: "fixed", inset: 0, background: "#101814", color: "#F4F6F0", touchAction: "none", userSelect: "none" }}
    >
      <h1 className="vh">Touch test</h1>
      {stage === "draw" && (
        <svg
          viewBox={`0 0 ${cover.nx} ${cover.ny}`}
          preserveAspectRatio="none"
          role="img"
          aria-label={`${Math.floor(cover.share * 100)} % of the glass touched`}
          style={{ position: "absolute", inset: 0, width: "100%", height: "100%", pointerEvents: "none" }}
        >
          {Array.from({ length: cover.nx * cover.ny }, (_, k) => (
            <rect
              key={k}
              x={k % cover.nx}
              y={Math.floor(k / cover.nx)}
              width={0.96}
              height={0.96}
              fill={missed.has(k) ? "#202B25" : "#FFCA16"}
            />
          ))}
        </svg>
      )}
      <div
        style={{
          position: "absolute",
          left: "50%",
          top: "50%",
          transform: "translate(-50%,-50%)",
          textAlign: "center",
          maxWidth: 560,
        }}
      >
        <p style={{ background: "#101814", padding: "8px 16px", fontSize: 20 }}>
          {stage === "draw" ? (
            <>
              Draw over the whole glass with one finger, slowly, edges too; begin beside these words and draw through them.{" "}
              <b>{Math.floor(cover.share * 100)} %</b>
              {cover.missed.length > 0 && cover.share > 0.9 && `, ${cover.missed.length} cells missing`}
            </>
          ) : stage === "watch" ? (
            <>
              Hands off, glass wiped and dry. <b>{clock(watchedS)}</b> watched, {watch.events} taps.{" "}
              {watch.verdict === "under"
                ? `Fewer than ${watch.upperPerHour.toFixed(1)} an hour.`
                : watch.verdict === "over"
                  ? "More than 6 an hour."
                  : `${clock(Math.max(0, watch.needS - watchedS))} more, if nothing comes.`}
            </>
          ) : (
            <>
              Type this at the bench:
              <b data-code style={{ display: "block", font: "600 40px/56px monospace", letterSpacing: 2, userSelect: "text" }}>
                {code}
              </b>
              {Math.floor(cover.share * 1000) / 10} % answers, {watch.events} taps in {clock(watchedS)}
            </>
          )}
        </p>
        <p style={{ display: "flex", gap: 12, justifyContent: "center" }}>
          {stage === "draw" && (
            <button
              type="button"
              className="btn"
              onClick={() => setStage("watch")}
              style={{ background: "#F4F6F0", color: "#101814" }}
            >
              Hands off: watch for ghost taps
            </button>
          )}
          {stage !== "done" && (
            <button
              type="button"
              className="btn"
              onClick={() => setStage("done")}
              style={{ background: "#F4F6F0", color: "#101814" }}
            >
              Done: show the code
            </button>
          )}
          {(drawn > 0 || stage !== "draw") && (
            <button type="button" className="btn" onClick={anew} style={{ background: "#F4F6F0", color: "#101814" }}>
              Begin anew
            </button>
          )}
          {stage === "done" && (
            <button
              type="button"
              className="btn"
              onClick={() => setStage("watch")}
              style={{ background: "#F4F6F0", color: "#101814" }}
            >
              Watch on
            </button>
          )}
        </p>
      </div>
    </main>
  );
}
