import type { Photo } from "@/core/proof";
import { CROSS_INSET, type Tile } from "@/core/proof";
import { seededRandom } from "./randomActs";

/** What is wrong with a panel: which sub-pixels of which pixel are stuck, panel px. */
export interface Stuck {
  x: number;
  y: number;
  lit: boolean;
  subs: readonly ("R" | "G" | "B")[];
}

/**
 * A close-up of one sixth of a screen, traced pixel by photo pixel: sub-pixels side by side with dark gaps, a tilted phone, its lens's soft
 * spot, light falling off, noise. Knows nothing of what finds the dots again.
 * @returns the photo and where its four crosses lie in it, TL, TR, BR, BL
 */
export function closeUpPhoto(o: {
  tile: Tile;
  screen: readonly [number, number, number];
  stuck: readonly Stuck[];
  pxPerPx: number;
  seed: number;
  blur?: number;
  /** Held straight, a fifth of the photo dark on every side: where marks lie before a hand puts them. */
  straight?: boolean;
  /** Fine places in a panel pixel, each way. */
  fine?: number;
}): { photo: Photo; crosses: [number, number][] } {
  const { tile, screen, stuck, pxPerPx: s } = o;
  const r = seededRandom(o.seed);
  const [w, h] = [tile.w - 2 * CROSS_INSET, tile.h - 2 * CROSS_INSET];
  const [mx, my] = o.straight ? [(w * s) / 3, (h * s) / 3] : [24, 24];
  const [pw, ph] = [Math.round(w * s + 2 * mx), Math.round(h * s + 2 * my)];
  // Photo to panel by a plain tilt: bilinear between the crosses, moved by up to 8 photo px each.
  const jog = () => (o.straight ? 0 : (r() - 0.5) * 16);
  const crosses: [number, number][] = [
    [mx + jog(), my + jog()],
    [pw - mx + jog(), my + jog()],
    [pw - mx + jog(), ph - my + jog()],
    [mx + jog(), ph - my + jog()],
  ];
  const H = toTile(crosses, w, h);
  const rgba = new Uint8ClampedArray(pw * ph * 4);
  const gamma = (v: number) => 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
  const glow = faceOf(tile, screen, stuck, o.fine ?? 15);
  // A photo pixel takes the light of its whole face, and the lens spreads it a little over its neighbours.
  const reach = (0.5 + (o.blur ?? 0.4)) / s;
  for (let j = 0; j < ph; j++)
    for (let i = 0; i < pw; i++) {
      const [x, y] = H(i + 0.5, j + 0.5);
      rgba[(j * pw + i) * 4 + 3] = 255;
      if (x < -1 || y < -1 || x > w + 1 || y > h + 1) continue;
      const sum = glow(x, y, reach);
      const fall = 1 - 0.25 * ((i / pw - 0.5) ** 2 + (j / ph - 0.5) ** 2) * 2;
      for (let c = 0; c < 3; c++) {
        const noise = (r() + r() + r() - 1.5) * 0.012;
        rgba[(j * pw + i) * 4 + c] = gamma(Math.max(0, 0.28 * fall * sum[c]! + 0.002 + noise));
      }
    }
  return { photo: { width: pw, height: ph, rgba }, crosses };
}

/** The face of a tile as fine places, summed up, so that the mean light of any rectangle of it is four look-ups. */
function faceOf(tile: Tile, screen: readonly [number, number, number], stuck: readonly Stuck[], fine: number) {
  const [w, h] = [tile.w - 2 * CROSS_INSET, tile.h - 2 * CROSS_INSET];
  const [fw, fh] = [w * fine + 1, h * fine + 1];
  const wrong = new Map(stuck.map((k) => [`${k.x - tile.x - CROSS_INSET},${k.y - tile.y - CROSS_INSET}`, k]));
  const SUB = ["R", "G", "B"] as const;
  const sums = SUB.map(() => new Float64Array(fw * fh));
  for (let y = 1; y < fh; y++)
    for (let c = 0; c < 3; c++) {
      const own = sums[c]!;
      let row = 0;
      for (let x = 1; x < fw; x++) {
        const [px, py] = [Math.floor((x - 1) / fine), Math.floor((y - 1) / fine)];
        // Three stripes side by side, each with a dark rim.
        const at = ((x - 1) % fine) - (c * fine) / 3;
        const lit = at >= fine / 15 && at < fine / 3 - fine / 15 && (y - 1) % fine >= 1 && (y - 1) % fine < fine - 1;
        const k = wrong.get(`${px},${py}`);
        row += lit ? 4 * (k?.subs.includes(SUB[c]!) ? Number(k.lit) : screen[c]!) : 0;
        own[y * fw + x] = own[(y - 1) * fw + x]! + row;
      }
    }
  // Between the fine places the sum is drawn straight: a rectangle ends where it ends, not at the next fine place.
  const sumTo = (s: Float64Array, x: number, y: number): number => {
    const [i, j] = [Math.min(fw - 2, Math.floor(x)), Math.min(fh - 2, Math.floor(y))];
    const [a, b] = [x - i, y - j];
    const k = j * fw + i;
    return (s[k]! * (1 - a) + s[k + 1]! * a) * (1 - b) + (s[k + fw]! * (1 - a) + s[k + fw + 1]! * a) * b;
  };
  return (x: number, y: number, reach: number): [number, number, number] => {
    const clip = (v: number, most: number) => Math.max(0, Math.min(most, v * fine));
    const [x0, x1, y0, y1] = [clip(x - reach, fw - 1), clip(x + reach, fw - 1), clip(y - reach, fh - 1), clip(y + reach, fh - 1)];
    const area = Math.max(1e-9, (x1 - x0) * (y1 - y0));
    return sums.map((s) => (sumTo(s, x1, y1) - sumTo(s, x1, y0) - sumTo(s, x0, y1) + sumTo(s, x0, y0)) / area) as [
      number,
      number,
      number,
    ];
  };
}

/** From photo px to tile px, a homography by Gauss. */
function toTile(from: readonly [number, number][], w: number, h: number): (x: number, y: number) => [number, number] {
  const to = [
    [0, 0],
    [w, 0],
    [w, h],
    [0, h],
  ];
  const a: number[][] = [];
  for (const [k, [x, y]] of from.entries()) {
    const [u, v] = to[k]! as [number, number];
    a.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]);
  }
  for (let c = 0; c < 8; c++) {
    let p = c;
    for (let k = c; k < 8; k++) if (Math.abs(a[k]![c]!) > Math.abs(a[p]![c]!)) p = k;
    [a[c], a[p]] = [a[p]!, a[c]!];
    for (let k = 0; k < 8; k++) {
      if (k === c) continue;
      const f = a[k]![c]! / a[c]![c]!;
      for (let q = c; q < 9; q++) a[k]![q]! -= f * a[c]![q]!;
    }
  }
  const H = a.map((row, k) => row[8]! / row[k]!);
  return (x, y) => {
    const d = H[6]! * x + H[7]! * y + 1;
    return [(H[0]! * x + H[1]! * y + H[2]!) / d, (H[3]! * x + H[4]! * y + H[5]!) / d];
  };
}
