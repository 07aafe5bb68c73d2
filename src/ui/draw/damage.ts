import type { JobState } from "@/core/job";

type Damage = JobState["triage"]["damage"][number];
interface Area {
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
}

/** A small seeded generator, so that one mark is drawn the same everywhere. */
function seeded(seed: number): () => number {
  let s = seed | 0;
  return () => {
    s = (s + 0x6d2b79f5) | 0;
    let t = Math.imul(s ^ (s >>> 15), 1 | s);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A mark as lines in mm, kept inside the glass. A sketch of kind, place and size: not a picture of the crack. */
export function damageLines(
  d: Pick<Damage, "kind" | "xMm" | "yMm" | "sizeMm" | "direction">,
  glass: Area,
): { lines: [number, number][][]; areas: { x: number; y: number; w: number; h: number; hatch: boolean }[] } {
  const x1 = glass.xMm + glass.widthMm;
  const y1 = glass.yMm + glass.heightMm;
  const clip = (x: number, y: number): [number, number] => [
    Math.max(glass.xMm, Math.min(x1, x)),
    Math.max(glass.yMm, Math.min(y1, y)),
  ];
  const r = seeded(Math.round(d.xMm * 7 + d.yMm * 13 + d.sizeMm));
  const lines: [number, number][][] = [];
  const areas: { x: number; y: number; w: number; h: number; hatch: boolean }[] = [];
  if (d.kind === "crack") {
    const n = 11;
    for (let i = 0; i < n; i++) {
      let a = (i / n) * 6.283 + r() * 0.35;
      const len = (d.sizeMm / 2) * (0.35 + r() * 0.75);
      let x = d.xMm;
      let y = d.yMm;
      const ray: [number, number][] = [clip(x, y)];
      for (let k = 0; k < 5; k++) {
        a += (r() - 0.5) * 0.42;
        x += (Math.cos(a) * len) / 5;
        y += (Math.sin(a) * len) / 5;
        const c = clip(x, y);
        ray.push(c);
        if (c[0] !== x || c[1] !== y) break;
      }
      lines.push(ray);
    }
    for (let k = 1; k <= 2; k++)
      for (let i = 0; i < n; i++)
        if (r() > 0.38)
          lines.push([
            lines[i]![Math.min(k, lines[i]!.length - 1)]!,
            lines[(i + 1) % n]![Math.min(k, lines[(i + 1) % n]!.length - 1)]!,
          ]);
  } else if (d.kind === "lines") {
    for (let i = 0; i < 3; i++) {
      const [x, y] = clip(d.xMm + (r() - 0.5) * d.sizeMm, d.yMm + (r() - 0.5) * d.sizeMm);
      areas.push(
        d.direction === "horizontal"
          ? { x: glass.xMm, y, w: glass.widthMm, h: 0.8, hatch: false }
          : { x, y: glass.yMm, w: 0.8, h: glass.heightMm, hatch: false },
      );
    }
  } else if (d.kind === "deadTouch") {
    // Dashes round the zone: nothing is to be seen on the glass, a finger finds it.
    const [ax, ay] = clip(d.xMm - d.sizeMm / 2, d.yMm - d.sizeMm / 2);
    const [bx, by] = clip(d.xMm + d.sizeMm / 2, d.yMm + d.sizeMm / 2);
    const dash = (x0: number, y0: number, x1: number, y1: number) => {
      const n = Math.max(1, Math.round(Math.hypot(x1 - x0, y1 - y0) / 6));
      for (let k = 0; k < n; k++)
        lines.push([
          [x0 + ((x1 - x0) * k) / n, y0 + ((y1 - y0) * k) / n],
          [x0 + ((x1 - x0) * (k + 0.6)) / n, y0 + ((y1 - y0) * (k + 0.6)) / n],
        ]);
    };
    dash(ax, ay, bx, ay);
    dash(bx, ay, bx, by);
    dash(bx, by, ax, by);
    dash(ax, by, ax, ay);
  } else if (d.kind === "dim") {
    const [ax, ay] = clip(d.xMm - d.sizeMm / 2, d.yMm - d.sizeMm / 3);
    const [bx, by] = clip(d.xMm + d.sizeMm / 2, d.yMm + d.sizeMm / 3);
    areas.push({ x: ax, y: ay, w: Math.max(1, bx - ax), h: Math.max(1, by - ay), hatch: true });
  } else {
    const blot: [number, number][] = [];
    for (let i = 0; i <= 26; i++) {
      const a = (i / 26) * 6.283;
      const q = (d.sizeMm / 2) * (0.72 + 0.28 * Math.sin(a * 3 + d.xMm) + (i < 26 ? 0.18 * r() : 0));
      blot.push(clip(d.xMm + Math.cos(a) * q, d.yMm + Math.sin(a) * q));
    }
    lines.push(blot);
  }
  return { lines, areas };
}
