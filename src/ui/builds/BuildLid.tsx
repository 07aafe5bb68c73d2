import type { Build } from "@/core/build";

const RATIO = 6.5;
const PX = 96 / 25.4 / RATIO;
const px = (mm: number) => Math.round(mm * PX * 10) / 10;
const PAD = 8;

/** A lid at one stated scale with its edges: where a pick goes in, where it must not, and what lies behind. */
export function BuildLid({ build }: { build: Build }) {
  const { widthMm: w, heightMm: h, opening: o, pry } = build.lid;
  const side: Record<string, string> = {
    left: `M${PAD} ${PAD}V${PAD + px(h)}`,
    right: `M${PAD + px(w)} ${PAD}V${PAD + px(h)}`,
    top: `M${PAD} ${PAD}H${PAD + px(w)}`,
    bottom: `M${PAD} ${PAD + px(h)}H${PAD + px(w)}`,
  };
  const words = pry.map((p) => `${p.edge}: ${p.enter ? "a pick goes in" : `not here${p.behind ? `, ${p.behind} behind` : ""}`}`);
  return (
    <svg
      width={px(w) + 2 * PAD}
      height={px(h) + 2 * PAD}
      role="img"
      aria-label={`Lid of ${build.machineModel}, ${w} by ${h} mm at 1:${RATIO}. ${words.join("; ")}`}
      className="dw"
    >
      <rect x={PAD} y={PAD} width={px(w)} height={px(h)} rx={px(build.lid.cornerMm)} className="shell pen1" stroke="var(--ink)" />
      <rect
        x={PAD + px(o.xMm)}
        y={PAD + px(o.yMm)}
        width={px(o.widthMm)}
        height={px(o.heightMm)}
        className="glass pen1"
        stroke="var(--ink)"
      />
      {pry.map((p, i) => (
        <path
          key={i}
          d={side[p.edge]}
          fill="none"
          stroke={p.enter ? "var(--ink)" : "var(--stop)"}
          strokeWidth={p.enter ? 5 : 2.5}
          strokeDasharray={p.enter ? undefined : "4 4"}
        />
      ))}
    </svg>
  );
}
