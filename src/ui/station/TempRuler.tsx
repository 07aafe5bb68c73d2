import { Hatch } from "../draw/Hatch";

const W = 500;
const H = 108;
const FROM = 20;

/** Temperatures on one line: where tape lets go, the coldest and the hottest of it, and the lowest ceiling. °C. */
export function TempRuler({
  releaseC,
  coldC,
  hotC,
  ceiling,
}: {
  releaseC: readonly [number, number];
  coldC: number;
  hotC: number;
  ceiling: { c: number; of: string } | null;
}) {
  const to = Math.max(90, Math.ceil(((ceiling?.c ?? 0) + 5) / 10) * 10, Math.ceil((hotC + 5) / 10) * 10);
  const x = (c: number) => Math.round(((Math.min(to, Math.max(FROM, c)) - FROM) / (to - FROM)) * (W - 4) * 10) / 10 + 2;
  const ticks = Array.from({ length: Math.floor((to - FROM) / 10) + 1 }, (_, i) => FROM + 10 * i);
  const gap = ceiling ? ceiling.c - hotC : null;
  return (
    <>
      <Hatch id="hOver" />
      <svg
        viewBox={`0 0 ${W} ${H}`}
        width="100%"
        role="img"
        aria-label={`Tape lets go at ${releaseC[0]} to ${releaseC[1]} °C. Coldest ${coldC.toFixed(1)} °C, hottest surface ${hotC.toFixed(1)} °C${ceiling ? `, ${ceiling.of} ${ceiling.c} °C at most` : ""}.`}
        className="dw"
      >
        <text x={(x(releaseC[0]) + x(releaseC[1])) / 2} y={29} className="t15 i1" textAnchor="middle">
          lets go {releaseC[0]} to {releaseC[1]}
        </text>
        <path d={`M${x(releaseC[0])} 42V35H${x(releaseC[1])}V42`} className="pen2" fill="none" />
        <rect x={x(FROM)} y={46} width={x(34) - x(FROM)} height={20} className="heat-1" />
        <rect x={x(34)} y={46} width={x(releaseC[0]) - x(34)} height={20} className="heat-3" />
        <rect x={x(releaseC[0])} y={46} width={x(releaseC[1]) - x(releaseC[0])} height={20} className="heat-4" />
        <rect
          x={x(releaseC[1])}
          y={46}
          width={Math.max(0, x(ceiling?.c ?? to) - x(releaseC[1]))}
          height={20}
          className="heat-5"
        />
        <rect x={x(FROM)} y={46} width={x(to) - x(FROM)} height={20} className="pen2" fill="none" />
        {ceiling && (
          <>
            <rect x={x(ceiling.c)} y={46} width={x(to) - x(ceiling.c)} height={20} fill="url(#hOver)" />
            <path d={`M${x(ceiling.c)} 44V72`} className="heat-top" />
            <text x={W - 2} y={13} className="t15 fb heat-word" textAnchor="end">
              {ceiling.of} {ceiling.c}
            </text>
          </>
        )}
        <path d={`M${x(coldC)} 56H${x(hotC)}`} className="pen3" />
        {[coldC, hotC].map((c, i) => (
          <circle key={i === 0 ? "cold" : "hot"} cx={x(c)} cy={56} r={6.5} className="heat-dot" />
        ))}
        {ticks.map((c) => (
          <g key={c}>
            <path d={`M${x(c)} 66v6`} className="pen1" />
            <text x={x(c)} y={87} className="t15 mono i2" textAnchor={c === FROM ? "start" : c === to ? "end" : "middle"}>
              {c === FROM ? "20 °C" : c}
            </text>
          </g>
        ))}
        <text x={Math.max(40, x(coldC))} y={105} className="t15 fb i1" textAnchor="middle">
          tape {coldC.toFixed(1)}
        </text>
        <text x={W - 2} y={105} className="t15 i1" textAnchor="end">
          surface {hotC.toFixed(1)}
          {gap === null ? "" : gap >= 0 ? `, ${gap.toFixed(1)} K below` : `, ${(-gap).toFixed(1)} K over`}
        </text>
      </svg>
    </>
  );
}
