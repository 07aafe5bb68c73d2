"use client";
import type { HingeAnswer } from "@/core/hinge";

export interface DrawnReading {
  id: string;
  kind: "left" | "right" | "front" | "rear";
  xMm: number;
  yMm: number;
  mm: number | null;
}

/** Lid closed, seen from above, hinges at the top: where each figure is read, what it reads, and how each hinge moves. */
export function HingesDrawing({
  widthMm,
  depthMm,
  middleMm,
  spanMm,
  readings,
  answer,
}: {
  widthMm: number;
  depthMm: number;
  /** From the left edge to midway between the hinges. */
  middleMm: number;
  spanMm: number;
  readings: readonly DrawnReading[];
  answer: HingeAnswer | null;
}) {
  const across = (x: number) => middleMm + x;
  const pick = answer?.pick;
  const arrow = (side: "left" | "right") => {
    if (!pick || pick.slacken === "none" || (pick.slacken !== "both" && pick.slacken !== side)) return null;
    const v = side === "left" ? pick.move.vL : pick.move.vR;
    const x0 = across(side === "left" ? -spanMm / 2 : spanMm / 2);
    const y0 = 34;
    // Hundredths drawn as centimetres: far enough to be seen, capped where it would leave the lid.
    const dx = Math.max(-40, Math.min(40, pick.move.u * 120));
    const dy = Math.max(-24, Math.min(60, v * 120));
    if (Math.hypot(dx, dy) < 2) return null;
    const n = Math.hypot(dx, dy);
    const [ex, ey] = [dx / n, dy / n];
    const tip = [x0 + dx, y0 + dy];
    return (
      <path
        key={side}
        d={`M${x0} ${y0}L${tip[0]} ${tip[1]}M${tip[0]! - 9 * ex + 6 * ey} ${tip[1]! - 9 * ey - 6 * ex}L${tip[0]} ${tip[1]}L${tip[0]! - 9 * ex - 6 * ey} ${tip[1]! - 9 * ey + 6 * ex}`}
        className="pen3"
        fill="none"
      />
    );
  };
  const label = (r: DrawnReading) =>
    r.mm === null ? "?" : `${r.mm > 0 ? "+" : r.mm < 0 ? "−" : ""}${Math.abs(r.mm).toFixed(2)}`;
  return (
    <svg
      viewBox={`-46 -26 ${widthMm + 92} ${depthMm + 52}`}
      width="100%"
      style={{ maxHeight: 250 }}
      className="dw"
      role="img"
      aria-label={`Closed lid from above: ${readings.map((r) => `${r.id} ${label(r)} mm`).join(", ")}`}
    >
      <rect x={0} y={0} width={widthMm} height={depthMm} rx={8} className="pen2 sink" fill="none" />
      <rect x={-2} y={-2} width={widthMm + 4} height={depthMm + 4} rx={9} className="pen1 sink" fill="none" />
      {[-spanMm / 2, spanMm / 2].map((x) => (
        <rect key={x} x={across(x) - 15} y={-9} width={30} height={18} className="pen2" style={{ fill: "url(#hMetal)" }} />
      ))}
      {(["left", "right"] as const).map(arrow)}
      {readings.map((r) => {
        const side = r.kind === "left" ? -1 : r.kind === "right" ? 1 : 0;
        const x = across(r.xMm);
        return (
          <g key={r.id}>
            <circle
              cx={x}
              cy={r.yMm}
              r={3.2}
              className={r.mm === null ? "pen1" : "pf"}
              fill={r.mm === null ? "none" : undefined}
            />
            <text
              x={x + side * 6}
              y={side ? r.yMm + 5 : r.kind === "front" ? r.yMm + 18 : r.yMm - 8}
              className="t14 mono"
              textAnchor={side === 0 ? "middle" : side < 0 ? "end" : "start"}
            >
              {label(r)}
            </text>
          </g>
        );
      })}
      <text x={widthMm / 2} y={depthMm / 2} className="t14 i3" textAnchor="middle">
        lid minus base, mm
      </text>
    </svg>
  );
}
