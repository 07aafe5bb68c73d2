"use client";
import { useEffect, useRef } from "react";
import type { Evenness } from "@/core/proof";

/** Steps of light a contour stands between, against the centre. */
const STEP = 0.05;

/** The lit area in mm: light in steps, the nine points with their values, marks, dips and dead zones. */
export function EvennessDrawing({
  said,
  widthMm,
  heightMm,
}: {
  said: Extract<Evenness, { ok: true }>;
  widthMm: number;
  heightMm: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { nx, ny, light } = said.map;
  useEffect(() => {
    const c = canvas.current;
    const g = c?.getContext("2d");
    if (!c || !g) return;
    const style = getComputedStyle(c);
    const px = g.createImageData(nx, ny);
    const dark = style.getPropertyValue("color");
    const [r, gr, b] = (/\d+, ?\d+, ?\d+/.exec(dark)?.[0].split(",").map(Number) ?? [0, 0, 0]) as [number, number, number];
    for (let i = 0; i < light.length; i++) {
      const step = Math.round(light[i]! / STEP);
      // One ink, denser where there is less light; a line where a step ends.
      const x = i % nx;
      const line =
        (x + 1 < nx && Math.round(light[i + 1]! / STEP) !== step) ||
        (i + nx < light.length && Math.round(light[i + nx]! / STEP) !== step);
      px.data[4 * i] = r;
      px.data[4 * i + 1] = gr;
      px.data[4 * i + 2] = b;
      px.data[4 * i + 3] = line ? 190 : Math.max(0, Math.min(150, (1.05 - light[i]!) * 260));
    }
    g.putImageData(px, 0, 0);
  }, [light, nx, ny]);
  const points = said.rows[9].points;
  return (
    <div className="relative border-2 border-ink text-ink" style={{ aspectRatio: `${widthMm} / ${heightMm}` }}>
      <canvas ref={canvas} width={nx} height={ny} className="absolute inset-0 h-full w-full text-ink" aria-hidden />
      <svg
        viewBox={`0 0 ${widthMm} ${heightMm}`}
        className="dw absolute inset-0 h-full w-full"
        role="img"
        aria-label={`Light over the centre's, nine points: ${points.map((p) => `${Math.round(p.light * 100)} %`).join(", ")}`}
      >
        {points.map((p) => {
          const [x, y] = [p.x * widthMm, p.y * heightMm];
          return (
            <g key={`${p.x} ${p.y}`}>
              <rect x={x - 15} y={y - 8} width={30} height={15} className="pen1" style={{ fill: "var(--sheet)" }} />
              <text x={x} y={y + 4} className="mono" fontSize={11} textAnchor="middle" style={{ fill: "var(--ink)" }}>
                {Math.round(p.light * 100)}
              </text>
            </g>
          );
        })}
        {said.marks.map((m) => (
          <circle
            key={`${m.xMm} ${m.yMm}`}
            cx={m.xMm}
            cy={m.yMm}
            r={Math.sqrt(m.areaMm2 / Math.PI) + 3}
            className="pen3"
            fill="none"
          />
        ))}
        {said.dead.map((d) => (
          <path key={`${d.xMm} ${d.yMm}`} d={`M${d.xMm - 6} ${d.yMm - 6}l12 12m0-12l-12 12`} className="pen3" />
        ))}
        {said.edges.flatMap((e) =>
          e.dips.map((d) => {
            const [x, y] =
              e.edge === "bottom"
                ? [d.atMm, heightMm]
                : e.edge === "top"
                  ? [d.atMm, 0]
                  : e.edge === "left"
                    ? [0, d.atMm]
                    : [widthMm, d.atMm];
            return <circle key={`${e.edge} ${d.atMm}`} cx={x} cy={y} r={7} className="pen3" fill="none" />;
          }),
        )}
      </svg>
    </div>
  );
}
