import type { ChangedDrawing, Drawn } from "@/core/job";

/** px per mm on the sheet: one side, or two with the legend beside them. */
const SCALE = { one: 1.3, two: 0.95 } as const;
const CLASS: Record<Drawn["what"], string> = {
  shell: "shell pen1",
  hinge: "hinge pen1",
  glass: "glass pen1",
  new: "newp wash outlined",
  plug: "foot pen2",
  screw: "hole",
  screwNew: "newp solid",
  tape: "newp solid",
  part: "newp pen2",
  dot: "dmgf",
};

function Shape({ d, i, S }: { d: Drawn; i: number; S: number }) {
  if (d.what === "screw" || d.what === "screwNew")
    return <circle key={i} cx={d.x * S} cy={d.y * S} r={3} className={CLASS[d.what]} />;
  if (d.what === "dot")
    return <path key={i} d={`M${d.x * S - 5} ${d.y * S}h10M${d.x * S} ${d.y * S - 5}v10`} className="pen2 sstop" />;
  return (
    <g key={i}>
      <rect x={d.x * S} y={d.y * S} width={d.w * S} height={d.h * S} className={CLASS[d.what]} />
      {d.n !== undefined && (
        <text
          x={d.what === "part" ? d.x * S - 4 : (d.x + d.w) * S + 3}
          y={(d.y + d.h / 2) * S + 5}
          className="t14 fb i1 halo"
          textAnchor={d.what === "part" ? "end" : "start"}
        >
          {d.n}
        </text>
      )}
    </g>
  );
}

/** The machine on the hand-over sheet, with what this repair changed. */
export function ChangedMachine({ drawing }: { drawing: ChangedDrawing }) {
  const S = drawing.sides.length > 1 ? SCALE.two : SCALE.one;
  return (
    <figure className="flex flex-wrap items-center gap-x-5 gap-y-2" aria-label="What was changed on the machine">
      <div className="flex flex-wrap gap-3">
        {drawing.sides.map((side) => (
          <div key={side.name}>
            <svg
              width={side.widthMm * S + 24}
              height={side.heightMm * S + 8}
              viewBox={`-4 -4 ${side.widthMm * S + 24} ${side.heightMm * S + 8}`}
              className="dw onshell max-w-full"
              style={{ height: "auto" }}
              role="img"
              aria-label={`${side.name}: ${drawing.legend.map((l) => l.words).join(", ")}`}
            >
              {side.shapes.map((d, i) => (
                <Shape key={i} d={d} i={i} S={S} />
              ))}
            </svg>
            <p className="q">{side.name}</p>
          </div>
        ))}
      </div>
      <figcaption className="min-w-[180px] flex-1">
        <ul className="flex flex-col gap-1">
          {drawing.legend.map((l) => (
            <li key={l.what} className="flex items-center gap-2 text-[16px]">
              <svg width={22} height={14} viewBox="0 0 22 14" className="dw" aria-hidden="true">
                {["screw", "screwNew"].includes(l.what) ? (
                  <circle cx={11} cy={7} r={4} className={CLASS[l.what]} />
                ) : l.what === "dot" ? (
                  <path d="M6 7h10M11 2v10" className="pen2 sstop" />
                ) : (
                  <rect x={1} y={2} width={20} height={10} className={CLASS[l.what]} />
                )}
              </svg>
              {l.words}
            </li>
          ))}
        </ul>
        {drawing.named.length > 0 && <p className="q">{drawing.named.join(". ")}.</p>}
      </figcaption>
    </figure>
  );
}
