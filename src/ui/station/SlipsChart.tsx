"use client";
import { Bar, BarChart, Cell, ResponsiveContainer, XAxis, YAxis } from "recharts";

/** One step with its minutes, planned and done. */
export interface SlipRow {
  id: string;
  title: string;
  planned: number;
  actual: number;
  slipped: boolean;
}

/** Height of one step, px: two lines of its name. */
const ROW = 44;
const NAMES = 208;

/** Minutes per step: outline is the plan, solid what it took. */
export default function SlipsChart({ rows, says }: { rows: readonly SlipRow[]; says: string }) {
  const most = Math.max(...rows.flatMap((r) => [r.planned, r.actual]));
  return (
    <figure role="img" aria-label={says} style={{ height: rows.length * ROW + 30 }}>
      <ResponsiveContainer width="100%" height="100%">
        <BarChart
          layout="vertical"
          data={rows as SlipRow[]}
          margin={{ top: 0, right: 62, bottom: 0, left: 0 }}
          barGap={-14}
          accessibilityLayer={false}
        >
          <XAxis
            type="number"
            domain={[0, Math.ceil(most)]}
            unit=" min"
            tick={{ fontSize: 14, fill: "var(--ink-3)" }}
            stroke="var(--rule)"
            allowDecimals={false}
            tickCount={4}
          />
          <YAxis type="category" dataKey="title" width={NAMES} interval={0} stroke="var(--rule)" tick={<Name rows={rows} />} />
          <Bar
            dataKey="actual"
            barSize={10}
            isAnimationActive={false}
            label={{
              position: "right",
              fontSize: 15,
              fill: "var(--ink)",
              offset: 8,
              formatter: (v: unknown) => `${Number(v).toFixed(1)} min`,
            }}
          >
            {rows.map((r) => (
              <Cell key={r.id} fill={r.slipped ? "var(--stop)" : "var(--part)"} />
            ))}
          </Bar>
          <Bar dataKey="planned" barSize={18} isAnimationActive={false} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
        </BarChart>
      </ResponsiveContainer>
    </figure>
  );
}

/** The name of a step beside its bar, on two lines where it is long; heavy where it slipped. */
function Name({
  x,
  y,
  payload,
  rows,
}: {
  x?: number;
  y?: number;
  payload?: { value: string; index: number };
  rows: readonly SlipRow[];
}) {
  if (!payload) return null;
  const lines: string[] = [""];
  for (const word of payload.value.split(" ")) {
    const last = lines.at(-1)!;
    if (last && last.length + word.length > 25) lines.push(word);
    else lines[lines.length - 1] = last ? `${last} ${word}` : word;
  }
  const shown = lines.length > 2 ? [lines[0]!, `${lines[1]} …`] : lines;
  return (
    <g>
      <title>{payload.value}</title>
      {shown.map((t, i) => (
        <text
          key={i}
          x={(x ?? 0) - 8}
          y={(y ?? 0) + 5 + (i - (shown.length - 1) / 2) * 17}
          textAnchor="end"
          fontSize={15}
          fontWeight={rows[payload.index]?.slipped ? 700 : 400}
          fill={rows[payload.index]?.slipped ? "var(--ink)" : "var(--ink-2)"}
        >
          {t}
        </text>
      ))}
    </g>
  );
}
