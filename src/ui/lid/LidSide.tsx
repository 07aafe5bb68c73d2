import { indexBuild } from "@/core/build";
import { seated } from "@/core/job";
import { fl, fx, fy } from "../draw/Ground";
import { Cables } from "./CableLayer";
import { Damage } from "./DamageLayer";
import { HeatLayer } from "./HeatLayer";
import type { Inner } from "./layers";
import { Box, PanelShape } from "./PanelShape";
import { ScrewLayer } from "./ScrewLayer";
import { Tapes } from "./TapeLayer";

/** The lid, seen from the front. */
export function Lid(p: Inner) {
  const { build, f, state, layers } = p;
  const { lid } = build;
  const b = indexBuild(build);
  const bezelOff = build.parts.some((q) => q.role === "bezel" && state.parts[q.id] === "out");
  const panelIn = state.subject !== "out";
  const at = lid.panelAt;
  const target = p.step?.target;
  const shownOld = layers.has("outline") && p.old && !seated(state);
  const shownNew = layers.has("candidate") && p.candidate && (state.subject !== "in" || !p.step);
  return (
    <g>
      <Box f={f} r={{ xMm: 0, yMm: 0, widthMm: lid.widthMm, heightMm: lid.heightMm }} rx={lid.cornerMm} className="shell pen3" />
      {lid.hinges.map((h) => (
        <Box
          key={h.xMm}
          f={f}
          r={{ xMm: h.xMm, yMm: lid.heightMm - 9, widthMm: h.widthMm, heightMm: 9 }}
          className="hinge pen1"
        />
      ))}
      {bezelOff && <Box f={f} r={lid.pocket} className="hid" />}
      {panelIn && <Box f={f} r={lid.opening} className="glass pen1" />}
      {lid.camera && <circle cx={fx(f, lid.camera.xMm)} cy={fy(f, lid.camera.yMm)} r={fl(f, 1.3)} className="pen1 sink" />}
      {p.heat && layers.has("heat") && <HeatLayer f={f} heat={p.heat} />}
      {shownOld && <PanelShape f={f} at={at} panel={p.old!} kind="old" />}
      {shownNew && <PanelShape f={f} at={at} panel={p.candidate!} kind="new" />}
      {layers.has("tape") && <Tapes {...p} />}
      {layers.has("damage") && state.subject === "in" && <Damage f={f} list={state.triage.damage} glass={lid.opening} />}
      {layers.has("cables") && <Cables {...p} view="lid" />}
      {layers.has("faults") &&
        state.prove.faults.map((x, i) => (
          <g key={x.eventId}>
            <circle cx={fx(f, x.xMm)} cy={fy(f, x.yMm)} r={11} className="pen2 sink" />
            <rect
              x={fx(f, x.xMm) - 4}
              y={fy(f, x.yMm) - 4}
              width={8}
              height={8}
              className={x.class === "bright" ? "glass pen2" : "pf"}
            />
            <text x={fx(f, x.xMm) + 16} y={fy(f, x.yMm) - 6} className="t16 fb i1 halo">
              P{i + 1}
            </text>
          </g>
        ))}
      {target && b.part.get(target)?.view === "lid" && b.part.get(target)?.shape && (
        <Box f={f} r={b.part.get(target)!.shape!} className="nowline" />
      )}
      {layers.has("screws") && <ScrewLayer build={build} view="lid" f={f} state={state} step={p.step ?? null} />}
    </g>
  );
}
