import type { Build } from "@/core/build";

/** px per mm at 1:1 and 96 dpi. */
export const PX_PER_MM = 96 / 25.4;

/** The one scale of a job: the largest of these at which lid and base fit the 720 px pane of this screen. */
export function scaleOf(build: Build | null, pxPerMm = PX_PER_MM): number {
  const wide = Math.max(build?.lid.widthMm ?? 324, build?.base.widthMm ?? 0);
  const high = Math.max(build?.lid.heightMm ?? 216, build?.base.depthMm ?? 0);
  return [2, 2.5, 3, 4, 5].find((r) => (wide * pxPerMm) / r <= 630 && (high * pxPerMm) / r <= 470) ?? 5;
}
