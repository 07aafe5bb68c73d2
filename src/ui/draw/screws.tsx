import { type ScrewType, screwPaths } from "@/core/build";

type Head = Pick<ScrewType, "head" | "headDiameterMm" | "headHeightMm" | "lengthMm" | "thread">;

const r2 = (v: number) => Math.round(v * 100) / 100;

/** A screw from the side, true to its head and length; seat at (x, y), shank down. `s` in px per mm. */
export function ScrewSide({
  x,
  y,
  type,
  s,
  className = "scr",
}: {
  x: number;
  y: number;
  type: Head;
  s: number;
  className?: string;
}) {
  const [head, shank] = screwPaths(type, s);
  return (
    <g transform={`translate(${r2(x)} ${r2(y)})`} className={className}>
      <path d={head} />
      <path d={shank} />
    </g>
  );
}

function recess(kind: ScrewType["drive"], r: number): string {
  if (kind === "cross") {
    const a = r * 0.62;
    const b = r * 0.17;
    const c = r * 0.12;
    return `M${-b} ${-a}Q0 ${-a - c} ${b} ${-a}L${b * 0.95} ${-b * 0.95}L${a} ${-b}Q${a + c} 0 ${a} ${b}L${b * 0.95} ${b * 0.95}L${b} ${a}Q0 ${a + c} ${-b} ${a}L${-b * 0.95} ${b * 0.95}L${-a} ${b}Q${-a - c} 0 ${-a} ${-b}L${-b * 0.95} ${-b * 0.95}Z`;
  }
  if (kind === "slot") return `M${-r * 0.86} ${-r * 0.13}H${r * 0.86}V${r * 0.13}H${-r * 0.86}Z`;
  const k = kind === "lobe5" ? 5 : kind === "tri" ? 3 : 6;
  let d = "";
  for (let i = 0; i <= 120; i++) {
    const t = (i / 120) * Math.PI * 2;
    const q = r * (0.48 + 0.14 * Math.cos(k * t));
    d += `${i ? "L" : "M"}${r2(q * Math.sin(t))} ${r2(-q * Math.cos(t))}`;
  }
  return `${d}Z`;
}

/** A screw head from above with its recess. */
export function ScrewTop({
  x,
  y,
  r,
  drive,
  className = "scr",
}: {
  x: number;
  y: number;
  r: number;
  drive: ScrewType["drive"];
  className?: string;
}) {
  return (
    <g transform={`translate(${r2(x)} ${r2(y)})`} className={className}>
      <circle r={r} />
      <path d={recess(drive, r)} className="rec" />
    </g>
  );
}
