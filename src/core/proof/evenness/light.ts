import { leastSquares } from "../../numeric";

/** Linear light of an 8-bit value (IEC 61966-2-1). */
export const LINEAR: Float32Array = Float32Array.from({ length: 256 }, (_, i) => {
  const v = i / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
});

/**
 * CIE 1976 u' v' of linear sRGB light; [0, 0] of none.
 * @example chroma(1, 1, 1)[0].toFixed(3) // "0.198"
 */
export function chroma(r: number, g: number, b: number): [number, number] {
  const x = 0.4124 * r + 0.3576 * g + 0.1805 * b;
  const y = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  const z = 0.0193 * r + 0.1192 * g + 0.9505 * b;
  const d = x + 15 * y + 3 * z;
  return d > 0 ? [(4 * x) / d, (9 * y) / d] : [0, 0];
}

/**
 * The exponent that makes a camera's values light again, from patches whose light is known: linear light = srgb^-1(value)^exponent.
 * Its inverse is the tone curve's own exponent.
 * @param values 0 to 255, at least two different ones @param light of each patch, any one unit, more than 0
 * @throws RangeError where the patches do not say it, or do not lie on a power (a local or S-shaped tone curve)
 * @example responseFromSteps([99, 137, 188, 225, 255], [0.125, 0.25, 0.5, 0.75, 1]).toFixed(1) // "1.0"
 */
export function responseFromSteps(values: readonly number[], light: readonly number[]): number {
  const rows = values.flatMap((v, i) => {
    const l = LINEAR[Math.max(0, Math.min(255, Math.round(v)))]!;
    return l > 0 && light[i]! > 0 ? [[Math.log(l), Math.log(light[i]!)] as const] : [];
  });
  const fit = leastSquares(
    rows.map(([x]) => [x, 1]),
    rows.map(([, y]) => y),
    rows.map(() => 1),
  );
  if (!fit) throw new RangeError("steps: at least two patches of different light are needed");
  return fit.x[0]!;
}

/** How far patches lie off a power, in ln: over 0.02 the tone curve is none, or local. @example stepsOff([99, 255], [0.125, 1]) < 0.02 // true */
export function stepsOff(values: readonly number[], light: readonly number[]): number {
  const g = responseFromSteps(values, light);
  const off = values.map((v, i) => Math.log(light[i]!) - g * Math.log(LINEAR[Math.max(1, Math.min(255, Math.round(v)))]!));
  const mean = off.reduce((a, b) => a + b, 0) / off.length;
  return Math.max(...off.map((o) => Math.abs(o - mean)));
}
