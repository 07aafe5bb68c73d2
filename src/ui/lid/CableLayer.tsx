import { indexBuild } from "@/core/build";
import { plugNow } from "@/core/teardown";
import { type Frame, fl, fx, fy } from "../draw/Ground";
import { type Box, placeNames } from "../draw/placeNames";
import type { Inner } from "./layers";

/** Half a plug on the drawing, px. */
const HALF = { w: 24, h: 7 };

/** What stands on this side whatever else: hinges, the camera, the marks of screws; px. */
function standing({ build, f, view, layers }: Inner): Box[] {
  const box = (xMm: number, yMm: number, wMm: number, hMm: number): Box => ({
    x: fx(f, xMm),
    y: fy(f, yMm),
    w: fl(f, wMm),
    h: fl(f, hMm),
  });
  const { lid } = build;
  const hinges = lid.hinges.map((h) =>
    view === "lid" ? box(h.xMm, lid.heightMm - 9, h.widthMm, 9) : box(h.xMm + 10, -5, h.widthMm, 9),
  );
  const marks = layers.has("screws")
    ? build.screwGroups
        .filter((g) => g.view === view)
        .flatMap((g) => g.screws)
        .map((s): Box => ({ x: fx(f, s.xMm) - 14, y: fy(f, s.yMm) - 14, w: 28, h: 28 }))
    : [];
  return [...hinges, ...(view === "lid" && lid.camera ? [box(lid.camera.xMm - 2, lid.camera.yMm - 2, 4, 4)] : []), ...marks];
}

/** The side that is drawn, with a finger's breadth of mat round it: names may reach so far. */
function side({ build, view }: Inner, f: Frame): Box {
  const [w, h] = view === "lid" ? [build.lid.widthMm, build.lid.heightMm] : [build.base.widthMm, build.base.depthMm];
  return { x: fx(f, 0) - 10, y: fy(f, 0) - 10, w: fl(f, w) + 60, h: fl(f, h) + 50 };
}

/** Connectors at their true places, on or off, with the way the hand moves at the one that is next. */
export function Cables(p: Inner & { taken?: readonly Box[] }) {
  const { build, f, state, step, view } = p;
  const at = step ? plugNow(step, state, indexBuild(build)) : null;
  const names = build.connectors
    .filter((c) => c.view === view)
    .map((c) => {
      const now = at?.plug.id === c.id;
      return {
        id: c.id,
        words: `${c.name}, ${state.connectors[c.id] === "off" ? "off" : "on"}`,
        x: fx(f, c.xMm),
        y: fy(f, c.yMm),
        halfW: now ? 36 : HALF.w,
        halfH: now ? 20 : HALF.h,
        bold: now,
      };
    });
  // The arrow of the hand's way stands over the plug that is next.
  const arrows = names.filter((n) => n.bold).map((n): Box => ({ x: n.x - 8, y: n.y - 42, w: 16, h: 32 }));
  const places = placeNames(names, [...standing(p), ...arrows, ...(p.taken ?? [])], side(p, f));
  const wordsOf = new Map(names.map((n) => [n.id, n.words]));
  return (
    <g data-layer="cables">
      {build.connectors
        .filter((c) => c.view === view)
        .map((c) => {
          const off = state.connectors[c.id] === "off";
          const now = at?.plug.id === c.id;
          const x = fx(f, c.xMm);
          const y = fy(f, c.yMm);
          const place = places.get(c.id);
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
              {place?.from && <path d={`M${x} ${y}L${place.x} ${place.y}`} className="pen1 s3" />}
              <text
                x={place?.x ?? x}
                y={(place?.y ?? y + 20) + 5}
                className={`t15 halo ${now ? "fb i1" : "i2"}`}
                textAnchor="middle"
              >
                {wordsOf.get(c.id)}
              </text>
            </g>
          );
        })}
    </g>
  );
}
