import { type FamilyLetter, familySection, type SectionStuff } from "@/core/build";

/** px per mm of the drawing. */
const S = 6;
const FILL: Record<SectionStuff, { className: string; fill?: string }> = {
  metal: { className: "pk", fill: "url(#secMetal)" },
  plastic: { className: "shell" },
  rubber: { className: "pk", fill: "url(#secFoam)" },
  glass: { className: "glass" },
  panel: { className: "glass" },
  film: { className: "pkp", fill: "url(#secFilm)" },
  tape: { className: "nowfill" },
  screw: { className: "scr" },
  lamp: { className: "pks", fill: "url(#secStop)" },
  board: { className: "pf" },
};
const TOWARDS = { left: [-1, 0], right: [0.82, -0.57], front: [0, -1], back: [0, 1] } as const;

/** The hatches of the sections, once on a page: direction tells the material, as on every drawing. */
export function SectionHatches() {
  const lines = (id: string, turn: number, c: string) => (
    <pattern id={id} width={4.5} height={4.5} patternUnits="userSpaceOnUse" patternTransform={`rotate(${turn})`}>
      <path d="M0 0V4.5" className={c} />
    </pattern>
  );
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <defs>
        {lines("secMetal", 45, "pk")}
        {lines("secStop", 45, "pks")}
        {lines("secFilm", 135, "pkp")}
        <pattern id="secFoam" width={5} height={5} patternUnits="userSpaceOnUse">
          <circle cx={1.4} cy={1.4} r={0.9} className="pf" />
          <circle cx={3.9} cy={3.9} r={0.9} className="pf" />
        </pattern>
      </defs>
    </svg>
  );
}

/** A family cut through at the lid's edge, front up: what lies at the rim, and where the pick or the driver goes. */
export function FamilySection({ family }: { family: FamilyLetter }) {
  const { pieces, pick, driver } = familySection(family);
  const named = pieces.flatMap((p) => p.name ?? []);
  const top = driver?.from === "front" || pick?.from === "front" ? -44 : -14;
  const low = Math.max(...pieces.map((p) => (p.y + p.h) * S));
  const bar = low + 14;
  const bottom = Math.max(bar + 10, driver?.from === "back" ? low + 40 : 0);
  const tool = (at: { x: number; y: number; from: keyof typeof TOWARDS }, kind: "pick" | "driver") => {
    const [dx, dy] = TOWARDS[at.from];
    const [x, y] = [at.x * S, at.y * S];
    const [bx, by] = [x + dx * 26, y + dy * 26];
    const [nx, ny] = [-dy, dx];
    const wide = kind === "pick" ? 3.2 : 1.6;
    return (
      <g data-tool={kind}>
        <path
          d={`M${x} ${y}L${bx + nx * wide} ${by + ny * wide}L${bx - nx * wide} ${by - ny * wide}Z`}
          className="nowfill"
          stroke="var(--now-line)"
          strokeWidth={1.4}
        />
        {kind === "driver" && <path d={`M${bx} ${by}L${bx + dx * 8} ${by + dy * 8}`} className="pen3 sink" />}
      </g>
    );
  };
  return (
    <svg
      width={212}
      height={bottom - top}
      viewBox={`-36 ${top} 212 ${bottom - top}`}
      className="dw flex-none"
      role="img"
      aria-label={`Section of family ${family}, from the edge inward: ${named.join(", ")}`}
    >
      {pieces.map((p, i) => {
        const f = FILL[p.stuff];
        return (
          <rect
            key={i}
            x={p.x * S}
            y={p.y * S}
            width={Math.min(p.w, 28 - p.x) * S}
            height={p.h * S}
            className={f.className}
            style={f.fill ? { fill: f.fill } : undefined}
          />
        );
      })}
      {pieces.some((p) => p.x + p.w > 28) && <path d={`M${28 * S} ${-10}V${low + 6}`} className="ghost" />}
      {pick && tool(pick, "pick")}
      {driver && tool(driver, "driver")}
      <path d={`M0 ${bar}h${10 * S}M0 ${bar - 3}v6M${10 * S} ${bar - 3}v6`} className="pen1 s3" />
      <text x={10 * S + 8} y={bar + 5} className="t14 mono i3">
        10 mm
      </text>
    </svg>
  );
}
