"use client";
import {
  Bar,
  BarChart,
  CartesianGrid,
  Cell,
  ErrorBar,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from "recharts";
import type { EarnedBy, MonthFigures, ShopFigures } from "@/core/shopReport";
import { monthWords, PART_WORDS } from "./words";

export const TICK = { fontSize: 14, fill: "var(--ink-3)" };
export const AXIS = { tick: TICK, stroke: "var(--rule)" } as const;
const FILLS = { decision: "var(--sheet-2)", panel: "url(#figHatch)", bench: "var(--rule)", handOver: "var(--ink)" } as const;
const PARTS = ["decision", "panel", "bench", "handOver"] as const;

export function Pane({ says, height, children }: { says: string; height: number; children: React.ReactElement }) {
  return (
    <figure role="img" aria-label={says} style={{ height }}>
      <ResponsiveContainer width="100%" height="100%">
        {children}
      </ResponsiveContainer>
    </figure>
  );
}

/** Share of jobs done within so many days, open ones counted: a step at each job that was done. */
export function TurnaroundChart({ t, says }: { t: ShopFigures["turnaround"]; says: string }) {
  const rows = [
    { days: 0, done: 0 },
    ...t.curve.map((c) => ({ days: Math.round(c.days * 10) / 10, done: Math.round(c.done * 100) })),
  ];
  return (
    <Pane says={says} height={220}>
      <LineChart data={rows} margin={{ top: 8, right: 24, bottom: 4, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--hair)" />
        <XAxis type="number" dataKey="days" unit=" d" domain={[0, "dataMax"]} tickCount={8} {...AXIS} />
        <YAxis type="number" domain={[0, 100]} ticks={[0, 50, 80, 100]} unit=" %" width={56} {...AXIS} />
        <ReferenceLine y={50} stroke="var(--ink-3)" strokeDasharray="4 3" />
        <ReferenceLine y={80} stroke="var(--ink-3)" strokeDasharray="4 3" />
        <Line type="stepAfter" dataKey="done" stroke="var(--ink)" strokeWidth={2.4} dot={false} isAnimationActive={false} />
      </LineChart>
    </Pane>
  );
}

/** Days of each part of the way, month by month, one on the other. */
export function WayByMonth({ months, says }: { months: readonly MonthFigures[]; says: string }) {
  const rows = months.map((m) => ({
    month: m.month,
    ...Object.fromEntries(PARTS.map((p) => [p, m.way.find((w) => w.part === p)?.days ?? 0])),
  }));
  return (
    <>
      <Pane says={says} height={220}>
        <BarChart data={rows} margin={{ top: 8, right: 24, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <XAxis dataKey="month" tickFormatter={monthWords} {...AXIS} />
          <YAxis unit=" d" width={56} {...AXIS} />
          {PARTS.map((p) => (
            <Bar
              key={p}
              dataKey={p}
              stackId="way"
              fill={FILLS[p]}
              stroke="var(--ink)"
              maxBarSize={44}
              isAnimationActive={false}
            />
          ))}
        </BarChart>
      </Pane>
      <p className="flex flex-wrap gap-x-5 gap-y-1 text-[15px]">
        {PARTS.map((p) => (
          <span key={p} className="flex items-center gap-2">
            <svg width="22" height="14" aria-hidden="true">
              <rect x="1" y="1" width="20" height="12" fill={FILLS[p]} stroke="var(--ink)" />
            </svg>
            {PART_WORDS[p]}
          </span>
        ))}
      </p>
    </>
  );
}

/** Right the first time, month by month, each with what it may truly be. */
export function RightByMonth({ months, says }: { months: readonly MonthFigures[]; says: string }) {
  const rows = months
    .filter((m) => m.rightFirst.of > 0)
    .map(({ month, rightFirst: r }) => ({
      month,
      share: Math.round(r.share * 100),
      spread: [Math.round((r.share - r.low) * 100), Math.round((r.high - r.share) * 100)],
    }));
  return (
    <Pane says={says} height={200}>
      <ScatterChart margin={{ top: 8, right: 24, bottom: 4, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--hair)" vertical={false} />
        <XAxis type="category" dataKey="month" allowDuplicatedCategory={false} tickFormatter={monthWords} {...AXIS} />
        <YAxis type="number" dataKey="share" domain={[0, 100]} unit=" %" width={56} {...AXIS} />
        <Scatter data={rows} fill="var(--ink)" isAnimationActive={false}>
          <ErrorBar dataKey="spread" direction="y" stroke="var(--ink)" strokeWidth={1.6} width={8} />
        </Scatter>
      </ScatterChart>
    </Pane>
  );
}

/** Days said against days taken: below the line was kept. */
export function SaidAgainstKept({ rows, says }: { rows: ShopFigures["promised"]; says: string }) {
  const most = Math.ceil(Math.max(1, ...rows.flatMap((r) => [r.saidDays, r.tookDays])));
  return (
    <Pane says={says} height={240}>
      <ScatterChart margin={{ top: 8, right: 24, bottom: 18, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--hair)" />
        <XAxis
          type="number"
          dataKey="saidDays"
          domain={[0, most]}
          unit=" d"
          label={{ value: "said", position: "insideBottomRight", offset: -12, fontSize: 14, fill: "var(--ink-3)" }}
          {...AXIS}
        />
        <YAxis type="number" dataKey="tookDays" domain={[0, most]} unit=" d" width={56} {...AXIS} />
        <ReferenceLine
          segment={[
            { x: 0, y: 0 },
            { x: most, y: most },
          ]}
          stroke="var(--ink)"
          strokeDasharray="4 3"
        />
        <Scatter data={rows as ShopFigures["promised"]} isAnimationActive={false}>
          {rows.map((r) => (
            <Cell key={r.id} fill={r.tookDays > r.saidDays ? "var(--stop)" : "var(--ink)"} />
          ))}
        </Scatter>
      </ScatterChart>
    </Pane>
  );
}

/** What was left of the price, by family or panel; a loss lies left of the line. */
export function EarnedChart({ rows, says }: { rows: readonly EarnedBy[]; says: string }) {
  const data = rows.map((r) => ({ key: r.key, left: r.leftMinor / 100, n: r.jobs.length }));
  return (
    <Pane says={says} height={rows.length * 34 + 40}>
      <BarChart layout="vertical" data={data} margin={{ top: 0, right: 84, bottom: 0, left: 0 }} accessibilityLayer={false}>
        <XAxis type="number" tickCount={5} {...AXIS} />
        <YAxis type="category" dataKey="key" width={150} interval={0} {...AXIS} />
        <ReferenceLine x={0} stroke="var(--ink)" />
        <Bar
          dataKey="left"
          barSize={16}
          isAnimationActive={false}
          label={{ position: "right", fontSize: 15, fill: "var(--ink)", formatter: (v: unknown) => Number(v).toFixed(2) }}
        >
          {data.map((r) => (
            <Cell key={r.key} fill={r.left < 0 ? "var(--stop)" : "var(--ink)"} />
          ))}
        </Bar>
      </BarChart>
    </Pane>
  );
}
