import { cutList } from "@/core/tape";
import { fx, fy } from "../draw/Ground";
import type { Inner } from "./layers";
import { Box } from "./PanelShape";

/** Old tape until the first new strip is laid, then the cut list. */
export function Tapes({ build, f, state, step }: Inner) {
  const laid = Object.keys(state.bond.laid).length > 0 || step?.kind === "tapeLay" || step?.kind === "linerPull";
  if (state.subject !== "out" && laid) return null;
  if (!laid)
    return (
      <g data-layer="tape">
        {build.tapes.map((t) => {
          const gone = !!state.tapesOut[t.id];
          const now = step?.target === t.id;
          return (
            <g key={t.id}>
              {now && (
                <Box
                  f={f}
                  r={{ xMm: t.shape.xMm - 3, yMm: t.shape.yMm - 3, widthMm: t.shape.widthMm + 6, heightMm: t.shape.heightMm + 6 }}
                  className="nowfill"
                />
              )}
              <Box f={f} r={t.shape} className={gone ? "ghost" : "sink pen1"} fill={gone ? "none" : "url(#hFoam)"} />
              {t.tailMm > 0 && !gone && (
                <Box
                  f={f}
                  r={{ xMm: t.shape.xMm, yMm: t.shape.yMm + t.shape.heightMm, widthMm: t.shape.widthMm, heightMm: t.tailMm }}
                  className="sink pen1"
                />
              )}
            </g>
          );
        })}
      </g>
    );
  return (
    <g data-layer="tape">
      {cutList(build).map((c, i) => {
        const r = c.upright
          ? { xMm: c.xMm, yMm: c.yMm, widthMm: c.widthMm, heightMm: c.lengthMm }
          : { xMm: c.xMm, yMm: c.yMm, widthMm: c.lengthMm, heightMm: c.widthMm };
        const done = !!state.bond.laid[c.id];
        const bare = !!state.bond.linersPulled[c.id];
        const side = c.edge === "right" ? -1 : 1;
        return (
          <g key={c.id}>
            {step?.target === c.id && (
              <Box
                f={f}
                r={{ xMm: r.xMm - 3, yMm: r.yMm - 3, widthMm: r.widthMm + 6, heightMm: r.heightMm + 6 }}
                className="nowfill"
              />
            )}
            <Box
              f={f}
              r={r}
              className={done ? "spart pen2" : "ghost"}
              fill={done ? (bare ? "url(#hFoam)" : "url(#hFilm)") : "none"}
            />
            <text
              x={fx(f, r.xMm + r.widthMm / 2) + side * 16}
              y={fy(f, r.yMm + r.heightMm / 2) + 5}
              className="t15 mono i1 halo"
              textAnchor={side > 0 ? "start" : "end"}
            >{`T${i + 1}  ${c.widthMm} × ${c.lengthMm} mm`}</text>
          </g>
        );
      })}
    </g>
  );
}
