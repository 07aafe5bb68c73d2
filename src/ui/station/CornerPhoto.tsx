"use client";
import { type PointerEvent as Pointer, useEffect, useId, useRef, useState } from "react";
import { askEvenness } from "@/client/evenness";
import { Mark } from "../draw/Mark";

type At = [number, number];
const NAMES = ["top left", "top right", "bottom right", "bottom left"] as const;
/** Sides of a side are asked of a person below this. */
const SURE = 0.6;
/** The loupe shows so much of the photo's width. */
const LOUPE = 0.05;

/** A photo with the corners of its lit area: found, and dragged by hand under a loupe, or moved by arrow keys. */
export function CornerPhoto({
  file,
  name,
  corners,
  onCorners,
}: {
  file: File;
  name: string;
  corners: At[] | null;
  /** Corners as they are now; `by` a person once one was moved. */
  onCorners: (corners: At[], by: "found" | "hand") => void;
}) {
  const [size, setSize] = useState<{ w: number; h: number } | null>(null);
  const [says, setSays] = useState<string | null>("Looking for its corners");
  const [wrong, setWrong] = useState(false);
  const [held, setHeld] = useState<number | null>(null);
  const [url, setUrl] = useState("");
  const svg = useRef<SVGSVGElement>(null);
  const tell = useRef(onCorners);
  tell.current = onCorners;
  const clip = useId();
  useEffect(() => {
    const u = URL.createObjectURL(file);
    setUrl(u);
    setSize(null);
    setWrong(false);
    setSays("Looking for its corners");
    const stop = askEvenness({ kind: "suggest", file }, (a) => {
      if (a.kind === "wrong") {
        setWrong(true);
        return setSays(a.words);
      }
      if (a.kind !== "suggested") return;
      const [w, h] = [a.widthPx, a.heightPx];
      setSize({ w, h });
      const guess: At[] = [
        [w * 0.2, h * 0.2],
        [w * 0.8, h * 0.2],
        [w * 0.8, h * 0.8],
        [w * 0.2, h * 0.8],
      ];
      tell.current(a.corners ?? guess, a.corners ? "found" : "hand");
      setWrong(!a.corners || a.confidence < SURE);
      setSays(
        !a.corners
          ? "No lit screen with four corners is seen here: drag the four marks onto its corners."
          : a.confidence < SURE
            ? "An edge is not sure: see under the loupe that every mark lies on its corner."
            : null,
      );
    });
    return () => {
      stop();
      URL.revokeObjectURL(u);
    };
  }, [file]);
  const put = (k: number, x: number, y: number) => {
    if (!corners || !size) return;
    const to: At = [Math.min(size.w - 1, Math.max(1, x)), Math.min(size.h - 1, Math.max(1, y))];
    setSays(null);
    setWrong(false);
    onCorners(
      corners.map((c, i) => (i === k ? to : c)),
      "hand",
    );
  };
  const drag = (e: Pointer, k: number) => {
    const m = svg.current?.getScreenCTM();
    if (!m || !(e.buttons & 1)) return;
    const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse());
    put(k, p.x, p.y);
  };
  return (
    <figure className="flex flex-col gap-1">
      {size && corners && (
        <svg
          ref={svg}
          viewBox={`0 0 ${size.w} ${size.h}`}
          width="100%"
          aria-label={`${name}, corners of its lit area`}
          role="group"
          style={{ touchAction: "none", background: "#000", display: "block" }}
        >
          <image href={url} width={size.w} height={size.h} />
          <polygon
            points={corners.map((c) => c.join(",")).join(" ")}
            fill="none"
            stroke="#FFCA16"
            strokeWidth="2"
            vectorEffect="non-scaling-stroke"
          />
          {held !== null && corners[held] && (
            <Loupe url={url} size={size} at={corners[held]} others={corners} clip={clip} left={corners[held][0] > size.w / 2} />
          )}
          {corners.map((c, k) => (
            <circle
              key={NAMES[k]}
              role="button"
              tabIndex={0}
              aria-label={`Corner ${NAMES[k]}, ${Math.round(c[0])}, ${Math.round(c[1])} px: drag it, or arrow keys`}
              cx={c[0]}
              cy={c[1]}
              r={size.w * 0.045}
              fill={held === k ? "transparent" : "rgba(255,202,22,.25)"}
              stroke="#FFCA16"
              strokeWidth="2"
              vectorEffect="non-scaling-stroke"
              style={{ cursor: "grab", outline: "none" }}
              onFocus={() => setHeld(k)}
              onBlur={() => setHeld(null)}
              onPointerDown={(e) => {
                e.currentTarget.setPointerCapture(e.pointerId);
                setHeld(k);
              }}
              onPointerMove={(e) => drag(e, k)}
              onPointerUp={() => setHeld(null)}
              onKeyDown={(e) => {
                const by = e.shiftKey ? 10 : 1;
                const d = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[e.key];
                if (!d) return;
                e.preventDefault();
                e.stopPropagation();
                put(k, c[0] + d[0]!, c[1] + d[1]!);
              }}
            />
          ))}
        </svg>
      )}
      {says && (
        <figcaption role="status" className="flex items-start gap-2 text-[15px] leading-[19px]">
          {wrong && <Mark kind="look" size={18} />} {says}
        </figcaption>
      )}
    </figure>
  );
}

/** The place under the mark, many times as large, with the edges that meet in it. */
function Loupe({
  url,
  size,
  at,
  others,
  clip,
  left,
}: {
  url: string;
  size: { w: number; h: number };
  at: At;
  others: readonly At[];
  clip: string;
  left: boolean;
}) {
  const side = Math.min(size.w, size.h) * 0.42;
  const zoom = side / (size.w * LOUPE);
  const x0 = left ? size.w * 0.02 : size.w * 0.98 - side;
  const y0 = at[1] > size.h / 2 ? size.h * 0.03 : size.h * 0.97 - side;
  const t = `translate(${x0 + side / 2} ${y0 + side / 2}) scale(${zoom}) translate(${-at[0]} ${-at[1]})`;
  return (
    <g pointerEvents="none" data-loupe="">
      <clipPath id={clip}>
        <rect x={x0} y={y0} width={side} height={side} />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        <rect x={x0} y={y0} width={side} height={side} fill="#000" />
        <g transform={t}>
          <image href={url} width={size.w} height={size.h} style={{ imageRendering: "pixelated" }} />
          <polygon
            points={others.map((c) => c.join(",")).join(" ")}
            fill="none"
            stroke="#FFCA16"
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
          />
        </g>
      </g>
      <rect
        x={x0}
        y={y0}
        width={side}
        height={side}
        fill="none"
        stroke="#FFCA16"
        strokeWidth="2"
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
}
