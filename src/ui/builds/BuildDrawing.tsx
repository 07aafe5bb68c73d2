"use client";
import type { Build, Thing } from "@/core/build";
import { Hatches } from "../draw/Ground";
import { type Box, overlap } from "../draw/placeNames";

const LABEL_MM = 7.4;

/**
 * Names of the parts that have room for theirs, as near to their upper corner as can be: on no screw, no plug, and in no smaller part.
 */
function labelsOf(build: Build, view: "lid" | "base") {
  const taken: Box[] = [
    ...build.connectors.filter((c) => c.view === view).map((c) => ({ x: c.xMm - 9, y: c.yMm - 3, w: 18, h: 6 })),
    ...build.screwGroups
      .filter((g) => g.view === view)
      .flatMap((g) => g.screws)
      .map((q) => ({ x: q.xMm - 4, y: q.yMm - 4, w: 8, h: 8 })),
  ];
  const placed: { part: Build["parts"][number]; xMm: number; yMm: number }[] = [];
  const area = (p: Build["parts"][number]) => (p.shape ? p.shape.widthMm * p.shape.heightMm : 0);
  for (const part of [...build.parts].sort((a, b) => area(a) - area(b))) {
    const s = part.shape;
    const wide = part.name.length * LABEL_MM * 0.54;
    if (part.view !== view || !s) continue;
    const found = (() => {
      for (let yMm = s.yMm + LABEL_MM + 1; yMm <= s.yMm + s.heightMm; yMm += LABEL_MM / 2)
        for (let xMm = s.xMm + 2; xMm + wide <= s.xMm + s.widthMm; xMm += LABEL_MM / 2) {
          const box = { x: xMm, y: yMm - LABEL_MM + 1.5, w: wide, h: LABEL_MM };
          if (taken.every((t) => overlap(t, box) === 0)) return { xMm, yMm, box };
        }
      return null;
    })();
    // What is larger has its name outside of what is smaller, or it would read as the smaller one's.
    taken.push({ x: s.xMm, y: s.yMm, w: s.widthMm, h: s.heightMm });
    if (!found) continue;
    placed.push({ part, xMm: found.xMm, yMm: found.yMm });
  }
  return placed;
}

/** One side of the machine, everything of it at its place; a tap selects, or puts where it was told to. */
export function BuildDrawing({
  build,
  view,
  selected,
  onSelect,
  spot,
  onPlace,
  onPlaceByKey,
  onNudge,
}: {
  build: Build;
  view: "lid" | "base";
  selected: Thing | null;
  /** True when it took the tap; else the tap is a place. */
  onSelect: (t: Thing) => boolean;
  /** A place that was tapped and waits for what goes there. */
  spot: { xMm: number; yMm: number } | null;
  onPlace: (xMm: number, yMm: number) => void;
  onPlaceByKey: () => void;
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
      style={{ width: "100%", height: "auto", maxHeight: 424 }}
      viewBox={`-0.5 -0.5 ${size.w + 1} ${size.h + 1}`}
      className="dw onshell"
      role="application"
      aria-label={`${view === "lid" ? "Lid from the front" : "Base from below"}. Tap to place, or Enter to place on what is selected; arrow keys move what is selected by 1 mm.`}
      tabIndex={0}
      onClick={(e) => {
        const thing = (e.target as Element).closest<SVGElement>("[data-thing]");
        if (thing && onSelect({ kind: thing.dataset.kind as Thing["kind"], id: thing.dataset.thing! })) return;
        // Through the drawing's own matrix: it is scaled to its column and stands in the middle of it.
        const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(e.currentTarget.getScreenCTM()!.inverse());
        onPlace(Math.round(at.x * 10) / 10, Math.round(at.y * 10) / 10);
      }}
      onKeyDown={(e) => {
        if (e.key === "Enter") {
          e.preventDefault();
          return onPlaceByKey();
        }
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
          <rect
            key={p.id}
            data-kind="part"
            data-thing={p.id}
            x={p.shape!.xMm}
            y={p.shape!.yMm}
            width={p.shape!.widthMm}
            height={p.shape!.heightMm}
            rx={1}
            fill={on("part", p.id) ? "var(--part-wash)" : "transparent"}
            stroke="var(--ink)"
            strokeWidth={on("part", p.id) ? 1.6 : 0.6}
            strokeDasharray={p.out ? undefined : "3 2"}
          />
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
      {labelsOf(build, view).map(({ part: p, xMm, yMm }) => (
        <text
          key={p.id}
          x={xMm}
          y={yMm}
          fontSize={LABEL_MM}
          fontWeight={on("part", p.id) ? 700 : 500}
          className="i2"
          style={{ paintOrder: "stroke", stroke: "var(--sheet)", strokeWidth: 1.2, strokeLinejoin: "round" }}
          pointerEvents="none"
        >
          {p.name}
        </text>
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
      {(build.photos ?? [])
        .filter((p) => p.view === view)
        .map((p) => (
          <g key={p.id} data-kind="photo" data-thing={p.id} transform={`translate(${p.xMm} ${p.yMm})`}>
            <rect
              x={-5}
              y={-4}
              width={10}
              height={8}
              rx={1}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={on("photo", p.id) ? 1.6 : 0.8}
            />
            <circle r={2.4} fill={on("photo", p.id) ? "var(--part)" : "none"} stroke="var(--ink)" strokeWidth={0.8} />
          </g>
        ))}
      {spot && <path d={`M${spot.xMm - 6} ${spot.yMm}h12M${spot.xMm} ${spot.yMm - 6}v12`} className="ord" strokeWidth={1.4} />}
    </svg>
  );
}
