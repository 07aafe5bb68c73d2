import type { Rect } from "@/core/build";
import type { JobState } from "@/core/job";
import { damageLines } from "../draw/damage";
import { type Frame, fl, fx, fy } from "../draw/Ground";

/** Cracks, blots and lines where they were marked. */
export function Damage({ f, list, glass }: { f: Frame; list: JobState["triage"]["damage"]; glass: Rect }) {
  return (
    <g data-layer="damage">
      {list.map((d) => {
        const { lines, areas } = damageLines(d, glass);
        return (
          <g key={d.eventId}>
            {areas.map((a, i) => (
              <rect
                key={i}
                x={fx(f, a.x)}
                y={fy(f, a.y)}
                width={Math.max(1.5, fl(f, a.w))}
                height={fl(f, a.h)}
                className={a.hatch ? "dmg" : "dmgf"}
                style={a.hatch ? { fill: "url(#hStop)" } : undefined}
              />
            ))}
            {lines.map((l, i) => (
              <path
                key={i}
                d={l.map(([x, y], k) => `${k ? "L" : "M"}${fx(f, x)} ${fy(f, y)}`).join("")}
                className={d.kind === "blot" ? "dmgf" : "dmg"}
              />
            ))}
          </g>
        );
      })}
    </g>
  );
}
