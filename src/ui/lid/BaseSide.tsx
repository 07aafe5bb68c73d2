import { fl, fx, fy } from "../draw/Ground";
import { nameBox } from "../draw/placeNames";
import { Cables } from "./CableLayer";
import type { Inner } from "./layers";
import { Box } from "./PanelShape";
import { ScrewLayer } from "./ScrewLayer";

/** The base, seen from below. */
export function Base(p: Inner) {
  const { build, f, state, layers } = p;
  const { base } = build;
  const cover = build.parts.find((q) => q.role === "baseCover");
  const off = cover && state.parts[cover.id] === "out";
  const now = p.step?.target;
  const named =
    layers.has("hidden") || off
      ? build.parts
          .filter((q) => q.view === "base" && q.shape && q.role !== "baseCover" && q.role !== "cover")
          .map((q) => {
            const r = q.shape!;
            return {
              part: q,
              words: off || r.widthMm < 90 ? q.name : `${q.name}, under the cover`,
              x: fx(f, r.xMm + r.widthMm / 2),
              y: r.widthMm < 60 ? fy(f, r.yMm + r.heightMm) + 12 : fy(f, r.yMm + r.heightMm / 2),
            };
          })
      : [];
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
      {named.map(({ part: q, words, x, y }) => (
        <g key={q.id}>
          <Box f={f} r={q.shape!} rx={2} className={off ? "pen2 sink" : "hid"} />
          <text x={x} y={y + 5} className="t15 i2 halo" textAnchor="middle">
            {words}
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
      {(off || layers.has("cables")) && <Cables {...p} view="base" taken={named.map((n) => nameBox(n, n.x, n.y))} />}
      {layers.has("screws") && <ScrewLayer build={build} view="base" f={f} state={state} step={p.step ?? null} />}
    </g>
  );
}
