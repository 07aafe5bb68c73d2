import type { HeatedFace, LidModel, PlacedPiece, Thing } from "./lid";
import { type RectMm, shares } from "./network";
import type { Rig } from "./rig";

/** Figures of every piece of tape, by its id. */
export type Tapes<V> = Record<string, { q10: V; median: V; min: V; max: V }>;

/** Cells of a stretch of tape with how much of it lies in each. */
export interface TapeCells {
  cells: number[];
  share: number[];
  total: number;
}

/**
 * Which cells carry a stretch of tape.
 * @example tapeCells(lidModel(build, { cover: "al" }), { xMm: 0, yMm: 0, widthMm: 0.1, heightMm: 0.1 }).total // 0
 */
export function tapeCells(m: LidModel, rect: RectMm): TapeCells {
  const cells: number[] = [];
  const share: number[] = [];
  let total = 0;
  for (const [c, f] of shares(m.inner.grid, [rect]).entries())
    if (f > 0) {
      cells.push(c);
      share.push(f);
      total += f;
    }
  return { cells, share, total };
}

/**
 * A share of the tape by area: the least temperature with at least that share of it at or under it; NaN where nothing of it lies in
 * the pocket.
 * @param t temperatures of the tape's layer begin at `offset`
 * @example quantile({ cells: [0, 1], share: [1, 1], total: 2 }, [20, 30], 0, 0.5) // 20
 */
export function quantile(tape: TapeCells, t: ArrayLike<number>, offset: number, share: number): number {
  const order = tape.cells.map((c, k) => [t[offset + c]!, tape.share[k]!] as const).sort((a, b) => a[0] - b[0]);
  return atShare(order, tape.total * share);
}

function atShare(order: readonly (readonly [number, number])[], wanted: number): number {
  let sum = 0;
  for (const [x, f] of order) {
    sum += f;
    if (sum >= wanted - 1e-12) return x;
  }
  return order.at(-1)?.[0] ?? Number.NaN;
}

/** The four figures of a stretch of tape. @example tapeFigures({ cells: [0], share: [1], total: 1 }, [40], 0).median // 40 */
export function tapeFigures(tape: TapeCells, t: ArrayLike<number>, offset: number): Tapes<number>[string] {
  const order = tape.cells.map((c, k) => [t[offset + c]!, tape.share[k]!] as const).sort((a, b) => a[0] - b[0]);
  return {
    q10: atShare(order, tape.total * 0.1),
    median: atShare(order, tape.total * 0.5),
    min: order[0]?.[0] ?? Number.NaN,
    max: order.at(-1)?.[0] ?? Number.NaN,
  };
}

/** Looks at all pieces of a lid. */
export class TapeGauge {
  private readonly of: { piece: PlacedPiece; cells: TapeCells }[];
  private readonly offset: number;
  constructor(m: LidModel, face: HeatedFace) {
    this.of = m.inner.placed.map((piece) => ({ piece, cells: tapeCells(m, piece.rect) }));
    this.offset = face.of.tape * face.net.n;
  }
  read(t: ArrayLike<number>): Tapes<number> {
    return Object.fromEntries(this.of.map(({ piece, cells }) => [piece.id, tapeFigures(cells, t, this.offset)]));
  }
}

/** How hot each thing is now; the heated layer counts with its surface, others with their nodes. */
export class ThingGauge {
  private readonly bare: Uint8Array | null;
  constructor(lid: LidModel) {
    // Under a glass front films and display end where the rim begins.
    this.bare = lid.inner.construction === "glassFront" ? Uint8Array.from(lid.inner.share, (f) => (f < 0.5 ? 1 : 0)) : null;
  }
  read(rig: Rig): Record<Exclude<Thing, "battery">, number> & { battery: number | null } {
    const { of, net } = rig.face;
    const hottest = (layer: number, where: Uint8Array | null): number => {
      const [list, o] = layer === 0 ? [rig.surface, 0] : [rig.t, layer * net.n];
      let x = Number.NEGATIVE_INFINITY;
      for (let c = 0; c < net.n; c++) if ((!where || where[c]) && list[o + c]! > x) x = list[o + c]!;
      return x;
    };
    let battery: number | null = null;
    if (rig.battery) {
      battery = Number.NEGATIVE_INFINITY;
      for (const c of rig.battery.cells) battery = Math.max(battery, rig.battery.t[c]!);
    }
    const surface = hottest(0, null);
    return {
      surface,
      cover: of.cover === 0 ? surface : hottest(of.cover, null),
      film: hottest(of.film, this.bare),
      lcd: hottest(of.lcd, this.bare),
      battery,
    };
  }
}
