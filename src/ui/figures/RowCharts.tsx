"use client";
import { Bar, BarChart, CartesianGrid, ErrorBar, Legend, Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import { AXIS, Pane } from "./Charts";

/** A row of a figure: its middle, where it may truly be or where eight in ten lie, and what it is held against. */
export interface Row {
  key: string;
  at: number;
  low: number;
  high: number;
  against?: number | null;
}

const ROW = 38;
const LEFT = 170;

/** Rows on one ruler: a dot with its range, and a hollow mark for what it is held against. */
export function RangeRows({ rows, unit, says, most }: { rows: readonly Row[]; unit: string; says: string; most?: number }) {
  const dots = rows.map((r) => ({ ...r, spread: [r.at - r.low, r.high - r.at] }));
  const held = rows.flatMap((r) => (r.against == null ? [] : [{ key: r.key, at: r.against }]));
  return (
    <Pane says={says} height={rows.length * ROW + 40}>
      <ScatterChart margin={{ top: 4, right: 28, bottom: 4, left: 0 }} accessibilityLayer={false}>
        <CartesianGrid stroke="var(--hair)" vertical={false} />
        <XAxis type="number" dataKey="at" unit={unit} domain={[0, most ?? "auto"]} {...AXIS} />
        <YAxis type="category" dataKey="key" width={LEFT} interval={0} reversed allowDuplicatedCategory={false} {...AXIS} />
        <Scatter data={dots} fill="var(--ink)" isAnimationActive={false}>
          <ErrorBar dataKey="spread" direction="x" stroke="var(--ink)" strokeWidth={1.6} width={8} />
        </Scatter>
        {held.length > 0 && (
          <Scatter
            data={held}
            isAnimationActive={false}
            shape={({ cx, cy }: { cx?: number; cy?: number }) => (
              <rect
                x={(cx ?? 0) - 5}
                y={(cy ?? 0) - 11}
                width={10}
                height={22}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={1.6}
                strokeDasharray="3 2"
              />
            )}
          />
        )}
      </ScatterChart>
    </Pane>
  );
}

/** Lengths beside each other on one ruler; the second, where there is one, hollow. */
export function PairBars({
  rows,
  unit,
  says,
  names,
  decimals,
}: {
  rows: readonly { key: string; a: number; b?: number }[];
  unit: string;
  says: string;
  names: readonly [string, string] | null;
  /** Always so many; missing = as few as say it. */
  decimals?: number;
}) {
  return (
    <Pane says={says} height={rows.length * (names ? 50 : 34) + (names ? 68 : 40)}>
      <BarChart
        layout="vertical"
        data={rows as { key: string; a: number; b?: number }[]}
        margin={{ top: 0, right: 72, bottom: 0, left: 0 }}
        barGap={2}
        accessibilityLayer={false}
      >
        <XAxis type="number" unit={unit} tickCount={5} {...AXIS} />
        <YAxis type="category" dataKey="key" width={LEFT} interval={0} {...AXIS} />
        <Bar
          dataKey="a"
          name={names?.[0] ?? ""}
          barSize={14}
          fill="var(--ink)"
          stroke="var(--ink)"
          isAnimationActive={false}
          label={{
            position: "right",
            fontSize: 15,
            fill: "var(--ink)",
            formatter: (v: unknown) => (decimals === undefined ? short(Number(v)) : Number(v).toFixed(decimals)),
          }}
        />
        {names && (
          <Bar
            dataKey="b"
            name={names[1]}
            barSize={14}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeDasharray="4 3"
            isAnimationActive={false}
            label={{
              position: "right",
              fontSize: 15,
              fill: "var(--ink-3)",
              formatter: (v: unknown) => (decimals === undefined ? short(Number(v)) : Number(v).toFixed(decimals)),
            }}
          />
        )}
        {names && (
          <Legend
            verticalAlign="bottom"
            align="left"
            formatter={(n: string) => <span style={{ color: "var(--ink)", fontSize: 15 }}>{n}</span>}
          />
        )}
      </BarChart>
    </Pane>
  );
}

const short = (v: number): string => (v >= 100 ? String(Math.round(v)) : v.toFixed(v >= 10 ? 1 : 2).replace(/\.?0+$/, ""));
