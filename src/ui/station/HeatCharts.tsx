"use client";
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from "recharts";
import type { HeatSeen } from "@/core/heat";
import { strengthAt } from "@/core/tape";

const TICK = { fontSize: 14, fill: "var(--ink-3)" };
const AXIS = { tick: TICK, stroke: "var(--rule)" } as const;

/** The coldest strip over the pass: its range over what the tool may give, the band in which it lets go, and the ceiling over it. */
export function StripChart({
  trace,
  releaseC,
  ceiling,
}: {
  trace: HeatSeen["trace"];
  releaseC: readonly [number, number];
  ceiling: { c: number; of: string } | null;
}) {
  const last = trace.at(-1);
  if (!last) return <p className="q">Nothing to draw yet: a point every five seconds.</p>;
  const rows = trace.map((t) => ({ s: t.s, mid: t.midC, range: [t.lowC, t.highC] }));
  const top = Math.max(ceiling?.c ?? 0, releaseC[1], ...trace.map((t) => t.highC)) + 5;
  const says = `The coldest strip over ${Math.round(last.s)} s: now ${last.midC.toFixed(1)} °C, ${last.lowC.toFixed(1)} to ${last.highC.toFixed(1)}. It lets go from ${releaseC[0]} °C.${ceiling ? ` Ceiling of ${ceiling.of}: ${ceiling.c} °C.` : ""}`;
  return (
    <figure role="img" aria-label={says} style={{ height: 200 }}>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={rows} margin={{ top: 8, right: 18, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--hair)" />
          <XAxis type="number" dataKey="s" unit=" s" domain={[0, "dataMax"]} {...AXIS} />
          <YAxis type="number" domain={[15, Math.ceil(top / 5) * 5]} unit=" °C" width={62} {...AXIS} />
          <ReferenceArea y1={releaseC[0]} y2={releaseC[1]} fill="var(--mark)" fillOpacity={0.35} />
          {ceiling && <ReferenceLine y={ceiling.c} stroke="var(--stop)" strokeWidth={2.4} />}
          <Area dataKey="range" stroke="none" fill="var(--ink-3)" fillOpacity={0.3} isAnimationActive={false} />
          <Line dataKey="mid" stroke="var(--ink)" strokeWidth={2.4} strokeDasharray="6 4" dot={false} isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  );
}

/** Hours drawn: three days are full strength. */
const DRAWN_MIN = Array.from({ length: 60 }, (_, i) => 10 * 1.09 ** i).filter((m) => m <= 3 * 1440);

/** How strong the tape is over the time since it was pressed, from fast to slow, with what each way of moving it needs. */
export function StrengthChart({ roomC, marks }: { roomC: number; marks: readonly { words: string; min: number }[] }) {
  const rows = DRAWN_MIN.map((m) => ({
    h: m / 60,
    mid: 100 * strengthAt(m, roomC),
    range: [100 * strengthAt(m / 2.5, roomC), 100 * strengthAt(m * 2.5, roomC)],
  }));
  const says = `Strength of the tape at ${roomC} °C: ${[20, 60, 1440, 4320]
    .map((m) => `${Math.round(100 * strengthAt(m, roomC))} % after ${m < 60 ? `${m} min` : `${m / 60} h`}`)
    .join(", ")}.`;
  return (
    <figure role="img" aria-label={says} style={{ height: 200 }}>
      <ResponsiveContainer width="100%" height="100%">
        <ComposedChart data={rows} margin={{ top: 8, right: 18, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--hair)" />
          <XAxis
            type="number"
            dataKey="h"
            scale="log"
            domain={[0.16, 72]}
            ticks={[0.33, 1, 4, 24, 72]}
            tickFormatter={(h: number) => (h < 1 ? `${Math.round(h * 60)} min` : `${h} h`)}
            {...AXIS}
          />
          <YAxis type="number" domain={[0, 100]} ticks={[0, 50, 90]} unit=" %" width={56} {...AXIS} />
          <Area dataKey="range" stroke="none" fill="var(--ink-3)" fillOpacity={0.3} isAnimationActive={false} />
          <Line dataKey="mid" stroke="var(--ink)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
          {marks.map((m) => (
            <ReferenceLine key={m.words} x={Math.max(0.16, m.min / 60)} stroke="var(--part)" strokeDasharray="4 3" />
          ))}
        </ComposedChart>
      </ResponsiveContainer>
    </figure>
  );
}
