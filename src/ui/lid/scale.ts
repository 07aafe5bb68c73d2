import type { Build } from "@/core/build";

/** px per mm at 1:1 and 96 dpi. */
export const PX_PER_MM = 96 / 25.4;

/** The one scale of a job: the largest of 1:2, 1:2.5, 1:3 at which lid and base fit the 720 px pane. */
export function scaleOf(build: Build | null): number {
  const wide = Math.max(build?.lid.widthMm ?? 324, build?.base.widthMm ?? 0);
  const high = Math.max(build?.lid.heightMm ?? 216, build?.base.depthMm ?? 0);
  return [2, 2.5, 3].find((r) => (wide * PX_PER_MM) / r <= 630 && (high * PX_PER_MM) / r <= 470) ?? 3;
}
