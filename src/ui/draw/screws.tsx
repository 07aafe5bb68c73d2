import type { ScrewType } from "@/core/build";

type Head = Pick<ScrewType, "head" | "headDiameterMm" | "headHeightMm" | "lengthMm" | "thread">;

const r2 = (v: number) => Math.round(v * 100) / 100;
/** Shank diameter from a metric thread's name. @example shankMm("M2.5") // 2.5 */
export const shankMm = (thread: string): number => Number(/^M(\d+(?:\.\d+)?)/.exec(thread)?.[1] ?? 2);

function headPath(kind: ScrewType["head"], w: number, h: number, d: number): string {
  if (kind === "pan")
    return `M${-w / 2} 0V${-h * 0.45}Q${-w / 2} ${-h} ${-w * 0.22} ${-h}H${w * 0.22}Q${w / 2} ${-h} ${w / 2} ${-h * 0.45}V0Z`;
  if (kind === "csk") return `M${-w / 2} ${-h}H${w / 2}L${d / 2} 0H${-d / 2}Z`;
  return `M${-w / 2} ${-h}H${w / 2}V0H${-w / 2}Z`;
}

function threadPath(length: number, d: number, s: number): string {
  const pitch = 0.4 * s;
  const n = Math.max(2, Math.round(length / (pitch * 1.15)));
  const st = length / n;
  const t = Math.max(1.1, d * 0.09);
  let p = `M${r2(-d / 2)} 0`;
  for (let i = 0; i < n; i++)
    p += `L${r2(-d / 2)} ${r2(i * st + st * 0.12)}L${r2(-d / 2 + t)} ${r2(i * st + st * 0.56)}L${r2(-d / 2)} ${r2((i + 1) * st)}`;
  p += `L${r2(-d / 2 + d * 0.2)} ${r2(length + d * 0.08)}H${r2(d / 2 - d * 0.2)}L${r2(d / 2)} ${r2(length)}`;
  for (let i = n - 1; i >= 0; i--) p += `L${r2(d / 2 - t)} ${r2(i * st + st * 0.56)}L${r2(d / 2)} ${r2(i * st + st * 0.12)}`;
  return `${p}Z`;
}

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
  const d = shankMm(type.thread) * s;
  return (
    <g transform={`translate(${r2(x)} ${r2(y)})`} className={className}>
      <path d={headPath(type.head, type.headDiameterMm * s, type.headHeightMm * s, d)} />
      <path d={threadPath(type.lengthMm * s, d, s)} />
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
