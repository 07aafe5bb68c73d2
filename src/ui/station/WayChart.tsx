"use client";
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from "recharts";
import type { Way } from "@/core/identify";
import { formatMoney } from "@/core/quantity";

/** One place of the chance axis: what each way costs there, in minor units. */
export type WayPoint = { percent: number } & Record<Way, number>;

const LINES: readonly { way: Way; words: string; stroke: string; dash?: string; width: number }[] = [
  { way: "model", words: "by model", stroke: "var(--ink)", width: 3 },
  { way: "edid", words: "EDID first", stroke: "var(--part)", dash: "9 4", width: 2 },
  { way: "label", words: "open first", stroke: "var(--ink)", dash: "2 3", width: 1.5 },
];
const TEXT = { fontSize: 14, fill: "var(--ink-3)", fontFamily: "var(--mono)" };

/** What each way to know costs over the chance that an order by model is wrong; drawn when it is looked at. */
export default function WayChart({
  points,
  percentNow,
  breakEven,
  currency,
  says,
}: {
  points: readonly WayPoint[];
  percentNow: number;
  breakEven: number | null;
  currency: string;
  says: string;
}) {
  const money = (v: number) => formatMoney(Math.round(v), currency);
  return (
    <figure role="img" aria-label={says} style={{ height: CHART_H }}>
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={points as WayPoint[]} margin={{ top: 10, right: 14, bottom: 2, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--hair)" vertical={false} />
          <XAxis
            dataKey="percent"
            type="number"
            domain={[0, 100]}
            ticks={[0, 25, 50, 75, 100]}
            unit=" %"
            tick={TEXT}
            stroke="var(--rule)"
          />
          <YAxis width={84} tick={TEXT} stroke="var(--rule)" tickFormatter={money} tickCount={4} />
          <ReferenceArea
            x1={Math.max(0, percentNow - 1)}
            x2={Math.min(100, percentNow + 1)}
            fill="var(--mark)"
            fillOpacity={0.9}
          />
          {breakEven !== null && <ReferenceLine x={breakEven} stroke="var(--part)" strokeDasharray="3 2" />}
          <Tooltip
            isAnimationActive={false}
            formatter={(v) => money(Number(v))}
            labelFormatter={(p) => `wrong in ${Math.round(Number(p))} % of orders`}
            contentStyle={{ background: "var(--sheet)", border: "1.5px solid var(--ink)", borderRadius: 0, fontSize: 14 }}
          />
          {LINES.map((l) => (
            <Line
              key={l.way}
              dataKey={l.way}
              name={l.words}
              stroke={l.stroke}
              strokeWidth={l.width}
              {...(l.dash ? { strokeDasharray: l.dash } : {})}
              dot={false}
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}

const CHART_H = 150;
