import { indexBuild } from "@/core/build";
import { plugNow } from "@/core/teardown";
import { fx, fy } from "../draw/Ground";
import type { Inner } from "./layers";

/** Connectors at their true places, on or off, with the way the hand moves at the one that is next. */
export function Cables({ build, f, state, step, view }: Inner) {
  const at = step ? plugNow(step, state, indexBuild(build)) : null;
  return (
    <g data-layer="cables">
      {build.connectors
        .filter((c) => c.view === view)
        .map((c) => {
          const off = state.connectors[c.id] === "off";
          const now = at?.plug.id === c.id;
          const x = fx(f, c.xMm);
          const y = fy(f, c.yMm);
          return (
            <g key={c.id}>
              {now && <rect x={x - 36} y={y - 20} width={72} height={40} rx={20} className="nowfill" />}
              <rect x={x - 24} y={y - 7} width={48} height={14} className={off ? "ghost" : "foot pen2"} />
              {now && (
                <path
                  d={
                    !at?.off
                      ? `M${x} ${y - 40}V${y - 12}M${x - 7} ${y - 20}L${x} ${y - 11}L${x + 7} ${y - 20}`
                      : `M${x} ${y - 12}V${y - 40}M${x - 7} ${y - 32}L${x} ${y - 41}L${x + 7} ${y - 32}`
                  }
                  className="pen3 sink"
                />
              )}
              <text x={x} y={y + 25} className={`t15 halo ${now ? "fb i1" : "i2"}`} textAnchor="middle">
                {`${c.name}, ${off ? "off" : "on"}`}
              </text>
            </g>
          );
        })}
    </g>
  );
}
