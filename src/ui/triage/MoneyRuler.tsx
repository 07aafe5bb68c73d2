import { formatMoney } from "@/core/quantity";

/** Width the choices are drawn in, px of the drawing. */
export const RULER_W = 470;
const W = RULER_W;

/** Money from nothing to the dearest choice, under their bars. */
export function MoneyRuler({ top, worth, currency }: { top: number; worth: number; currency: string }) {
  const x = (m: number) => Math.round((m / top) * W * 10) / 10;
  const step = [2000, 5000, 10_000, 20_000, 50_000, 100_000].find((k) => top / k <= 7) ?? 200_000;
  return (
    <svg
      width="100%"
      height={30}
      viewBox={`0 0 ${W + 4} 30`}
      role="img"
      aria-label={`Money from 0 to ${formatMoney(Math.round(top), currency)}; another machine ${formatMoney(worth, currency)}`}
    >
      <path d={`M0 4H${W}`} className="pen1 sink" />
      {Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => i * step).map((m) => (
        <g key={m}>
          <path d={`M${x(m)} 4v6`} className="pen1 sink" />
          <text x={x(m)} y={24} className="t14 mono i3" textAnchor={m === 0 ? "start" : "middle"}>
            {m / 100}
          </text>
        </g>
      ))}
    </svg>
  );
}
