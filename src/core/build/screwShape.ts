import type { ScrewType } from "./schema";

type Head = Pick<ScrewType, "head" | "headDiameterMm" | "headHeightMm" | "lengthMm" | "thread">;

const r2 = (v: number) => Math.round(v * 100) / 100;
/** Shank diameter from a metric thread's name, mm. @example shankMm("M2.5") // 2.5 */
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
  const t = Math.max(0.09 * s, d * 0.09);
  let p = `M${r2(-d / 2)} 0`;
  for (let i = 0; i < n; i++)
    p += `L${r2(-d / 2)} ${r2(i * st + st * 0.12)}L${r2(-d / 2 + t)} ${r2(i * st + st * 0.56)}L${r2(-d / 2)} ${r2((i + 1) * st)}`;
  p += `L${r2(-d / 2 + d * 0.2)} ${r2(length)}H${r2(d / 2 - d * 0.2)}L${r2(d / 2)} ${r2(length - st * 0.1)}`;
  for (let i = n - 1; i >= 0; i--) p += `L${r2(d / 2 - t)} ${r2(i * st + st * 0.56)}L${r2(d / 2)} ${r2(i * st + st * 0.12)}`;
  return `${p}Z`;
}

/**
 * A screw from the side as two closed paths, head and shank, true to each other: seat at 0, shank downwards.
 * @param s units per mm
 * @returns path data with absolute commands; the whole is `headHeightMm + lengthMm` high
 * @example screwPaths(build.screwTypes[0], 1).length // 2
 */
export function screwPaths(type: Head, s: number): [head: string, shank: string] {
  const d = shankMm(type.thread) * s;
  return [headPath(type.head, type.headDiameterMm * s, type.headHeightMm * s, d), threadPath(type.lengthMm * s, d, s)];
}
