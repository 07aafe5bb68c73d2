import type { JobCard } from "@/wire/jobCard";
import { damageLines } from "../draw/damage";

/** A lid standing on the shelf at its stated scale, with its damage. Unknown sizes are drawn dashed. */
export function MiniLid({ card, ratio }: { card: JobCard; ratio: number }) {
  const s = 96 / 25.4 / ratio;
  const lid = card.lid ?? { widthMm: 320, heightMm: 214, openingX: 8, openingY: 10, openingW: 304, openingH: 172 };
  const glass = { xMm: lid.openingX, yMm: lid.openingY, widthMm: lid.openingW, heightMm: lid.openingH };
  const px = (mm: number) => Math.round(mm * s * 10) / 10;
  const fixed = card.shelf === "handOver";
  return (
    <svg
      width={px(lid.widthMm) + 4}
      height={px(lid.heightMm) + 4}
      viewBox={`0 0 ${px(lid.widthMm) + 4} ${px(lid.heightMm) + 4}`}
      role="img"
      aria-label={`Lid of ${card.machine} at 1:${ratio}${card.lid ? "" : ", size not known"}`}
    >
      <g transform="translate(2 2)">
        <rect width={px(lid.widthMm)} height={px(lid.heightMm)} rx={px(7)} className={card.lid ? "shell pen2" : "ghost"} />
        <rect x={px(glass.xMm)} y={px(glass.yMm)} width={px(glass.widthMm)} height={px(glass.heightMm)} className="glass pen1" />
        <rect x={px(lid.widthMm * 0.12)} y={px(lid.heightMm) - 6} width={px(30)} height={6} className="hinge pen1" />
        <rect x={px(lid.widthMm * 0.88 - 30)} y={px(lid.heightMm) - 6} width={px(30)} height={6} className="hinge pen1" />
        {!fixed &&
          card.damage.map((d) => {
            const { lines, areas } = damageLines(d, glass);
            return (
              <g key={d.eventId}>
                {areas.map((a, i) => (
                  <rect
                    key={i}
                    x={px(a.x)}
                    y={px(a.y)}
                    width={Math.max(1.2, px(a.w))}
                    height={px(a.h)}
                    className={a.hatch ? "dmg" : "dmgf"}
                    style={a.hatch ? { fill: "var(--stop-wash)" } : undefined}
                  />
                ))}
                {lines.map((l, i) => (
                  <path
                    key={i}
                    d={l.map(([x, y], k) => `${k ? "L" : "M"}${px(x)} ${px(y)}`).join("")}
                    className={d.kind === "blot" ? "dmgf" : "dmg"}
                  />
                ))}
              </g>
            );
          })}
        {ratio === 5 && (
          <g>
            <rect x={px(lid.widthMm / 2) - 16} y={px(lid.heightMm) - 19} width={32} height={18} className="pf" />
            <text x={px(lid.widthMm / 2)} y={px(lid.heightMm) - 5} textAnchor="middle" className="t14" fill="var(--sheet)">
              1:5
            </text>
          </g>
        )}
      </g>
    </svg>
  );
}
