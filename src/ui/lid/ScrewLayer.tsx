import { type Build, indexBuild } from "@/core/build";
import type { JobState } from "@/core/job";
import { type Step, stepRule } from "@/core/teardown";
import { type Frame, fl, fx, fy } from "../draw/Ground";
import { ScrewSide } from "../draw/screws";
import { useScreen } from "./screen";

/** The screw of a step that is next, or null: the first its step still counts. */
function nextScrew(build: Build, step: Step | null, state: JobState) {
  const g = step ? indexBuild(build).group.get(step.target) : undefined;
  const count = step ? stepRule(step.kind).screws : undefined;
  const at = g && count ? g.screws.findIndex((s) => count.toGo(state.screws[s.id])) : -1;
  return g && at >= 0 ? { screw: g.screws[at]!, number: at + 1, group: g } : null;
}

/** Screws at their true holes: cross-hair on the hole, number on one side, silhouette on the other. */
export function ScrewLayer({
  build,
  view,
  f,
  state,
  step,
}: {
  build: Build;
  view: "lid" | "base";
  f: Frame;
  state: JobState;
  step: Step | null;
}) {
  // Screws are drawn at twice their real size, whatever the scale of the drawing.
  const px = 2 * useScreen().pxPerMm;
  const b = indexBuild(build);
  const size =
    view === "lid" ? { w: build.lid.widthMm, h: build.lid.heightMm } : { w: build.base.widthMm, h: build.base.depthMm };
  const next = step ? nextScrew(build, step, state) : null;
  const groups = build.screwGroups.filter(
    (g) => g.view === view && g.under.every((u) => state.parts[u] === "out" || step?.target === g.id || view === "base"),
  );
  const queue = next && next.group.view === view ? next.group.screws.slice(next.number - 1) : [];
  return (
    <g data-layer="screws">
      {queue.slice(0, -1).map((a, i) => (
        <line
          key={a.id}
          x1={fx(f, a.xMm)}
          y1={fy(f, a.yMm)}
          x2={fx(f, queue[i + 1]!.xMm)}
          y2={fy(f, queue[i + 1]!.yMm)}
          className="ord dense"
        />
      ))}
      {groups.flatMap((g) =>
        g.screws.map((s, i) => {
          const type = b.screwType.get(s.type)!;
          const st = state.screws[s.id];
          const isNow = next?.screw.id === s.id;
          const out = st === "out";
          const ofStep = step?.target === g.id;
          const x = fx(f, s.xMm);
          const y = fy(f, s.yMm);
          const side = s.xMm > size.w / 2 ? -1 : 1;
          const sx = x + side * ((type.headDiameterMm * px) / 2 + 15);
          const len = type.lengthMm * px;
          const head = type.headHeightMm * px;
          const seat = Math.min(Math.max(y - len / 2 + head / 2, f.oy + head + 8), f.oy + fl(f, size.h) - len - 10);
          const bx = x - side * 24;
          return (
            <g key={s.id} data-screw={s.id} data-state={st ?? "in"}>
              {isNow && <line x1={x - 2} y1={y} x2={sx} y2={seat + len / 2 - 4} className="hl" strokeWidth={58} />}
              <path d={`M${x - 13} ${y}H${x + 13}M${x} ${y - 13}V${y + 13}`} className="pen1 sink" />
              <circle cx={x} cy={y} r={fl(f, type.headDiameterMm / 2)} className="hole" />
              <ScrewSide
                x={sx}
                y={seat}
                type={type}
                s={px}
                className={`scr${out ? " gone" : ofStep || !step || !step.kind.startsWith("screws") ? "" : " later"}`}
              />
              <g className={`bal${isNow ? " nw" : out ? " dn" : ""}`}>
                <rect x={bx - 11} y={y - 11} width={22} height={22} />
                <text x={bx} y={y + 5.5} className="t16 fb mono" textAnchor="middle">
                  {i + 1}
                </text>
              </g>
            </g>
          );
        }),
      )}
    </g>
  );
}
