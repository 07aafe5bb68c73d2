import dynamic from "next/dynamic";
import type { Build, Rect } from "@/core/build";
import { indexBuild } from "@/core/build";
import { type JobState, seated } from "@/core/job";
import type { Panel } from "@/core/panel";
import { cutList } from "@/core/tape";
import type { Step } from "@/core/teardown";
import { damageLines } from "../draw/damage";
import { type Frame, fl, fx, fy, Ground, Hatches } from "../draw/Ground";
import type { Compared } from "./MatchLayer";
import { Box, PanelShape } from "./PanelShape";
import { ScrewLayer } from "./ScrewLayer";
import { ScrewLegend } from "./ScrewLegend";
import { scaleOf } from "./scale";
import { useScreen } from "./screen";

// Only Match compares: the other stations do without it.
const MatchLayer = dynamic(() => import("./MatchLayer").then((m) => m.MatchLayer));

export type Layer = "outline" | "candidate" | "screws" | "tape" | "cables" | "damage" | "faults" | "hidden";
export const LAYER_WORDS: Record<Layer, string> = {
  outline: "Old",
  candidate: "New",
  screws: "Screws",
  tape: "Tape",
  cables: "Cables",
  damage: "Damage",
  faults: "Faults",
  hidden: "Hidden",
};

const WIDE = 1600;
const HIGH = 1000;

export interface LidDrawingProps {
  build: Build | null;
  view: "lid" | "base";
  layers: ReadonlySet<Layer>;
  state: JobState;
  old: Panel | null;
  candidate: Panel | null;
  /** What Match compares; null on every other station. */
  compared?: Compared | null;
  step?: Step | null;
  /** Held at 1:1 with this point of the part, in mm, in the middle of the pane. */
  heldAt?: { xMm: number; yMm: number } | null;
  onTap?: ((xMm: number, yMm: number) => void) | undefined;
}

export function LidDrawing(p: LidDrawingProps) {
  const { pxPerMm } = useScreen();
  const ratio = scaleOf(p.build, pxPerMm);
  const s = p.heldAt ? pxPerMm : pxPerMm / ratio;
  const f: Frame = p.heldAt ? { ox: 340 - p.heldAt.xMm * s, oy: 280 - p.heldAt.yMm * s, s } : { ox: 48, oy: 36, s };
  const size = p.build
    ? p.view === "lid"
      ? { w: p.build.lid.widthMm, h: p.build.lid.heightMm }
      : { w: p.build.base.widthMm, h: p.build.base.depthMm }
    : { w: 324, h: 216 };
  const tap = p.onTap;
  const what = `${p.view === "lid" ? "Lid seen from the front, hinge down" : "Base seen from below, hinge edge away from you"}${p.build ? ` of ${p.build.machineModel}` : ", machine not known"}`;
  return (
    <svg
      width={WIDE}
      height={HIGH}
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className={`dw ${p.view === "lid" ? "onshell" : "onshell"}`}
      role="img"
      aria-label={what}
      data-scale={p.heldAt ? 1 : ratio}
      onClick={
        tap
          ? (e) => {
              const box = e.currentTarget.getBoundingClientRect();
              const k = WIDE / box.width;
              tap(
                Math.round((((e.clientX - box.left) * k - f.ox) / f.s) * 10) / 10,
                Math.round((((e.clientY - box.top) * k - f.oy) / f.s) * 10) / 10,
              );
            }
          : undefined
      }
    >
      <Hatches />
      <Ground f={f} w={WIDE} h={HIGH} partW={size.w} partH={size.h} />
      {p.build ? (
        p.view === "lid" ? (
          <Lid {...p} build={p.build} f={f} />
        ) : (
          <Base {...p} build={p.build} f={f} />
        )
      ) : (
        <Unknown f={f} state={p.state} />
      )}
      {p.build && p.compared && p.old && p.candidate && !p.heldAt && (
        <MatchLayer f={f} build={p.build} old={p.old} panel={p.candidate} field={p.compared.field} rows={p.compared.rows} />
      )}
      {p.build && p.layers.has("screws") && !p.heldAt && (
        <ScrewLegend build={p.build} view={p.view} f={f} state={p.state} step={p.step ?? null} top={fy(f, size.h)} />
      )}
    </svg>
  );
}

type Inner = LidDrawingProps & { build: Build; f: Frame };

function Damage({ f, list, glass }: { f: Frame; list: JobState["triage"]["damage"]; glass: Rect }) {
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

function Unknown({ f, state }: { f: Frame; state: JobState }) {
  const r = { xMm: 0, yMm: 0, widthMm: 324, heightMm: 216 };
  const glass = { xMm: 7, yMm: 10, widthMm: 310, heightMm: 174 };
  return (
    <g>
      <Box f={f} r={r} rx={7} className="ghost" />
      <Box f={f} r={glass} className="ghost" />
      <Damage f={f} list={state.triage.damage} glass={glass} />
      <text x={fx(f, 162)} y={fy(f, 200)} className="t16 i2" textAnchor="middle">
        No build for this machine yet: size not known.
      </text>
    </g>
  );
}

function Lid(p: Inner) {
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

function Tapes({ build, f, state, step }: Inner) {
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

function Cables({ build, f, state, step, view }: Inner) {
  return (
    <g data-layer="cables">
      {build.connectors
        .filter((c) => c.view === view)
        .map((c) => {
          const off = state.connectors[c.id] === "off";
          const now = step?.target === c.id;
          const x = fx(f, c.xMm);
          const y = fy(f, c.yMm);
          return (
            <g key={c.id}>
              {now && <rect x={x - 36} y={y - 20} width={72} height={40} rx={20} className="nowfill" />}
              <rect x={x - 24} y={y - 7} width={48} height={14} className={off ? "ghost" : "foot pen2"} />
              {now && (
                <path
                  d={
                    step?.kind === "cableOn"
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

function Base(p: Inner) {
  const { build, f, state, layers } = p;
  const { base } = build;
  const cover = build.parts.find((q) => q.role === "baseCover");
  const off = cover && state.parts[cover.id] === "out";
  const now = p.step?.target;
  return (
    <g>
      <Box
        f={f}
        r={{ xMm: 0, yMm: 0, widthMm: base.widthMm, heightMm: base.depthMm }}
        rx={base.cornerMm}
        className="shell pen3"
      />
      {build.lid.hinges.map((h) => (
        <Box key={h.xMm} f={f} r={{ xMm: h.xMm + 10, yMm: -5, widthMm: h.widthMm, heightMm: 9 }} className="hinge pen1" />
      ))}
      {!off && (
        <>
          <Box f={f} r={{ xMm: 40, yMm: 33, widthMm: base.widthMm - 80, heightMm: 7 }} rx={3.5} className="foot pen1" />
          <Box f={f} r={{ xMm: 36, yMm: base.depthMm - 36, widthMm: 44, heightMm: 8 }} rx={4} className="foot pen1" />
          <Box
            f={f}
            r={{ xMm: base.widthMm - 80, yMm: base.depthMm - 36, widthMm: 44, heightMm: 8 }}
            rx={4}
            className="foot pen1"
          />
        </>
      )}
      {(layers.has("hidden") || off) &&
        build.parts
          .filter((q) => q.view === "base" && q.shape && q.role !== "baseCover" && q.role !== "cover")
          .map((q) => (
            <g key={q.id}>
              <Box f={f} r={q.shape!} rx={2} className={off ? "pen2 sink" : "hid"} />
              <text
                x={fx(f, q.shape!.xMm + q.shape!.widthMm / 2)}
                y={
                  q.shape!.widthMm < 60
                    ? fy(f, q.shape!.yMm + q.shape!.heightMm) + 17
                    : fy(f, q.shape!.yMm + q.shape!.heightMm / 2) + 5
                }
                className="t15 i2 halo"
                textAnchor="middle"
              >
                {off || q.shape!.widthMm < 90 ? q.name : `${q.name}, under the cover`}
              </text>
            </g>
          ))}
      {build.parts
        .filter((q) => q.view === "base" && q.role === "cover" && q.shape)
        .map((q) => (
          <g key={q.id}>
            {now === q.id && (
              <circle
                cx={fx(f, q.shape!.xMm + q.shape!.widthMm / 2)}
                cy={fy(f, q.shape!.yMm + q.shape!.heightMm / 2)}
                r={26}
                className="nowfill"
              />
            )}
            <circle
              cx={fx(f, q.shape!.xMm + q.shape!.widthMm / 2)}
              cy={fy(f, q.shape!.yMm + q.shape!.heightMm / 2)}
              r={fl(f, q.shape!.widthMm / 2)}
              className={state.parts[q.id] === "out" ? "ghost" : "foot pen2"}
            />
          </g>
        ))}
      {(off || layers.has("cables")) && <Cables {...p} view="base" />}
      {layers.has("screws") && <ScrewLayer build={build} view="base" f={f} state={state} step={p.step ?? null} />}
    </g>
  );
}
