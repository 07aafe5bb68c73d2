"use client";
import type { Build, Thing } from "@/core/build";
import { Hatches } from "../draw/Ground";

const PX = 1.62;

/** One side of the machine, everything of it at its place; a tap selects, or puts where it was told to. */
export function BuildDrawing({
  build,
  view,
  selected,
  onSelect,
  onPlace,
  onNudge,
}: {
  build: Build;
  view: "lid" | "base";
  selected: Thing | null;
  /** True when it took the tap; else the tap is a place. */
  onSelect: (t: Thing) => boolean;
  onPlace: (xMm: number, yMm: number) => void;
  onNudge: (dx: number, dy: number) => void;
}) {
  const size =
    view === "lid"
      ? { w: build.lid.widthMm, h: build.lid.heightMm, r: build.lid.cornerMm }
      : { w: build.base.widthMm, h: build.base.depthMm, r: build.base.cornerMm };
  const on = (kind: Thing["kind"], id: string) => selected?.kind === kind && selected.id === id;
  const middle = (id: string) => {
    const p = build.parts.find((x) => x.id === id && x.view === view)?.shape;
    return p ? { x: p.xMm + p.widthMm / 2, y: p.yMm + p.heightMm / 2 } : null;
  };
  // What the selected part comes after, drawn as lines to it.
  const here = selected?.kind === "part" ? middle(selected.id) : null;
  const blockers = here
    ? (build.parts.find((p) => p.id === selected!.id)?.blockedBy ?? []).flatMap((x) => {
        const to = middle(x);
        return to ? [{ from: here, to, name: x }] : [];
      })
    : [];
  return (
    <svg
      width={size.w * PX + 2}
      height={size.h * PX + 2}
      viewBox={`-0.5 -0.5 ${size.w + 1} ${size.h + 1}`}
      className="dw onshell"
      role="application"
      aria-label={`${view === "lid" ? "Lid from the front" : "Base from below"}. Tap to place, arrow keys move what is selected by 1 mm.`}
      tabIndex={0}
      onClick={(e) => {
        const at = (e.target as Element).closest<SVGElement>("[data-thing]");
        if (at && onSelect({ kind: at.dataset.kind as Thing["kind"], id: at.dataset.thing! })) return;
        const box = e.currentTarget.getBoundingClientRect();
        const k = (size.w + 1) / box.width;
        onPlace(
          Math.round(((e.clientX - box.left) * k - 0.5) * 10) / 10,
          Math.round(((e.clientY - box.top) * k - 0.5) * 10) / 10,
        );
      }}
      onKeyDown={(e) => {
        const d = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
        if (!d) return;
        e.preventDefault();
        onNudge(d[0]!, d[1]!);
      }}
    >
      <Hatches />
      <rect width={size.w} height={size.h} rx={size.r} className="shell" strokeWidth={1} />
      {view === "lid" && (
        <rect
          x={build.lid.opening.xMm}
          y={build.lid.opening.yMm}
          width={build.lid.opening.widthMm}
          height={build.lid.opening.heightMm}
          className="glass"
          strokeWidth={0.5}
        />
      )}
      {build.parts
        .filter((p) => p.view === view && p.shape)
        .sort((a, b) => b.shape!.widthMm * b.shape!.heightMm - a.shape!.widthMm * a.shape!.heightMm)
        .map((p) => (
          <g key={p.id} data-kind="part" data-thing={p.id}>
            <rect
              x={p.shape!.xMm}
              y={p.shape!.yMm}
              width={p.shape!.widthMm}
              height={p.shape!.heightMm}
              rx={1}
              fill="transparent"
              stroke="var(--ink)"
              strokeWidth={on("part", p.id) ? 1.6 : 0.6}
              strokeDasharray={p.out ? undefined : "3 2"}
            />
            {on("part", p.id) && (
              <rect
                x={p.shape!.xMm}
                y={p.shape!.yMm}
                width={p.shape!.widthMm}
                height={p.shape!.heightMm}
                rx={1}
                fill="var(--part-wash)"
              />
            )}
          </g>
        ))}
      {build.parts
        .filter((p) => p.view === view && p.shape && p.shape.widthMm >= 34)
        .map((p) => (
          <text
            key={p.id}
            x={p.shape!.xMm + 2}
            y={p.shape!.yMm + 9}
            fontSize={8.7}
            fontWeight={on("part", p.id) ? 700 : 500}
            className="i2"
            pointerEvents="none"
          >
            {p.name.length * 4.6 < p.shape!.widthMm ? p.name : ""}
          </text>
        ))}
      {blockers.map(({ from, to, name }) => (
        <g key={name} pointerEvents="none">
          <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} className="ord" strokeWidth={1.4} />
          <circle cx={to.x} cy={to.y} r={3} className="pf" />
        </g>
      ))}
      {view === "lid" &&
        build.tapes.map((t) => (
          <rect
            key={t.id}
            x={t.shape.xMm}
            y={t.shape.yMm}
            width={t.shape.widthMm}
            height={t.shape.heightMm}
            data-kind="tape"
            data-thing={t.id}
            stroke="var(--ink)"
            strokeWidth={on("tape", t.id) ? 1.4 : 0.5}
            style={{ fill: "url(#hFoam)" }}
          />
        ))}
      {build.connectors
        .filter((c) => c.view === view)
        .map((c) => (
          <rect
            key={c.id}
            x={c.xMm - 9}
            y={c.yMm - 3}
            width={18}
            height={6}
            data-kind="connector"
            data-thing={c.id}
            className="foot"
            strokeWidth={on("connector", c.id) ? 1.6 : 0.8}
          />
        ))}
      {build.screwGroups
        .filter((g) => g.view === view)
        .flatMap((g) => g.screws.map((s) => ({ g, s })))
        .map(({ g, s }) => (
          <g key={s.id} data-kind="screw" data-thing={s.id}>
            <circle cx={s.xMm} cy={s.yMm} r={5.5} fill="transparent" />
            <circle
              cx={s.xMm}
              cy={s.yMm}
              r={2.4}
              fill={on("screw", s.id) || on("group", g.id) ? "var(--part)" : "var(--sheet)"}
              stroke="var(--ink)"
              strokeWidth={0.8}
            />
            <path d={`M${s.xMm - 4} ${s.yMm}h8M${s.xMm} ${s.yMm - 4}v8`} stroke="var(--ink)" strokeWidth={0.4} />
          </g>
        ))}
    </svg>
  );
}
