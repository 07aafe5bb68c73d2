import dynamic from "next/dynamic";
import type { JobState } from "@/core/job";
import { type Frame, fx, fy, Ground, Hatches } from "../draw/Ground";
import { Base } from "./BaseSide";
import { Damage } from "./DamageLayer";
import { Lid } from "./LidSide";
import type { LidDrawingProps } from "./layers";
import { Box } from "./PanelShape";
import { ScrewLegend } from "./ScrewLegend";
import { scaleOf } from "./scale";
import { useScreen } from "./screen";

// Only Match compares: the other stations do without it.
export const loadMatchLayer = () => import("./MatchLayer").then((m) => m.MatchLayer);
const MatchLayer = dynamic(loadMatchLayer);

const WIDE = 1600;
const HIGH = 1000;

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

/** A machine nobody has described: the damage is marked all the same. */
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
