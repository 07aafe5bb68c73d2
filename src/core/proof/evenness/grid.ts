/**
 * Gaussian blur by three box passes each way, edges mirrored.
 * @param sigma in cells
 * @example blurred(new Float32Array([1, 1, 1, 1]), 2, 2, 1)[0] // 1
 */
export function blurred(src: Float32Array, w: number, h: number, sigma: number): Float32Array {
  const r = Math.max(1, Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2));
  const a = Float32Array.from(src);
  const b = new Float32Array(a.length);
  for (let k = 0; k < 3; k++) {
    for (let y = 0; y < h; y++) boxLine(a, b, y * w, 1, w, r);
    for (let x = 0; x < w; x++) boxLine(b, a, x, w, h, r);
  }
  return a;
}

/** One box pass along a line, its ends mirrored. */
function boxLine(from: Float32Array, to: Float32Array, start: number, step: number, n: number, r: number): void {
  const period = 2 * n;
  const at = (i: number): number => {
    let k = i % period;
    if (k < 0) k += period;
    return from[start + step * (k < n ? k : period - 1 - k)]!;
  };
  let sum = 0;
  for (let i = -r; i <= r; i++) sum += at(i);
  const size = 2 * r + 1;
  for (let i = 0; i < n; i++) {
    to[start + step * i] = sum / size;
    const enter = i + r + 1;
    const leave = i - r;
    sum += (enter < n ? from[start + step * enter]! : at(enter)) - (leave >= 0 ? from[start + step * leave]! : at(leave));
  }
}

/**
 * Connected parts of a mask, four neighbours each; cell numbers of each part.
 * @param least parts smaller than this are left out
 * @example parts(Uint8Array.from([1, 0, 1, 1]), 2, 2).length // 1
 */
export function parts(mask: Uint8Array, w: number, h: number, least = 1): Int32Array[] {
  const seen = new Uint8Array(mask.length);
  const stack = new Int32Array(mask.length);
  const list = new Int32Array(mask.length);
  const out: Int32Array[] = [];
  for (let s = 0; s < mask.length; s++) {
    if (!mask[s] || seen[s]) continue;
    let top = 0;
    let n = 0;
    stack[top++] = s;
    seen[s] = 1;
    while (top) {
      const i = stack[--top]!;
      list[n++] = i;
      const x = i % w;
      const y = (i - x) / w;
      if (x > 0 && mask[i - 1] && !seen[i - 1]) {
        seen[i - 1] = 1;
        stack[top++] = i - 1;
      }
      if (x < w - 1 && mask[i + 1] && !seen[i + 1]) {
        seen[i + 1] = 1;
        stack[top++] = i + 1;
      }
      if (y > 0 && mask[i - w] && !seen[i - w]) {
        seen[i - w] = 1;
        stack[top++] = i - w;
      }
      if (y < h - 1 && mask[i + w] && !seen[i + w]) {
        seen[i + w] = 1;
        stack[top++] = i + w;
      }
    }
    if (n >= least) out.push(list.slice(0, n));
  }
  return out;
}
