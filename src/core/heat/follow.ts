import type { Build } from "../build";
import type { Jet, Mat } from "./acts";
import { type CalNow, HeatRun, mixAt } from "./heatRun";
import { type Isotherm, isotherms } from "./isotherms";
import { type Edge, type LidModel, lidModel, type Thing } from "./lid";
import { quantile, tapeCells } from "./measure";
import { type HeatOwn, NOTHING_OWN, ownAct, ownLid } from "./own";
import type { CoverKind } from "./properties";
import { workingWindow } from "./window";

/** Something that heated from a moment on, s after the first; `forS` null while it still does. */
export interface HeatStretch {
  atS: number;
  forS: number | null;
  act: Jet | Mat;
}

/** What a thermometer on the heated face read, or a strip that got stiff under the pick. */
export type HeatRead = { atS: number; xMm: number; yMm: number; surfaceC: number; sdK?: number } | { atS: number; stiff: string };

/** What a warming is followed by. */
export interface FollowAsk extends Pick<Build, "lid" | "tapes"> {
  cover: CoverKind;
  coverMm?: number;
  roomC?: number;
  /** The shop's own figures; missing = the defaults. */
  own?: HeatOwn;
  /** From where on the tape lets go, °C. */
  softC: number;
  /** The tape that is to come off. */
  tape: string;
  stretches: readonly HeatStretch[];
  reads: readonly HeatRead[];
  cellMm?: number;
}

/** One strip of tape as it is now. */
export interface StripNow {
  id: string;
  edge: Edge;
  /** The tenth of it that is coldest, and its middle, °C. */
  q10C: number;
  medianC: number;
  soft: boolean;
}

export interface HeatSeen {
  atS: number;
  heating: boolean;
  cal: CalNow;
  /** Whether the model explains what was read. */
  trusted: boolean;
  reads: number;
  /** Strips of the tape that is to come off, coldest first. */
  strips: StripNow[];
  /** Where the coldest of it lies, mm on the lid. */
  coldest: { xMm: number; yMm: number; c: number } | null;
  /** With the heat off: how long the coldest strip stays soft from now, s, and over the tool's range. */
  window: { leftS: number; rangeS: [number, number]; needS: number } | null;
  /** With the heat on: how long until its coldest tenth lets go, s; null where it does not within `AHEAD_S`. */
  softInS: number | null;
  peaksC: Partial<Record<Thing, number>>;
  hottestC: number;
  /** The strip that is coldest now, over the time so far: s, and its coldest tenth over the tool's range, °C. Told with `look`. */
  trace: { s: number; lowC: number; midC: number; highC: number }[];
  lines: Isotherm[];
}

/** How often a strip is kept for its line over time, s. */
const TRACE_S = 5;
/** How far it is looked ahead while it heats, s. */
export const AHEAD_S = 300;
/** Picking: speed along a strip, mm/s, and what is kept in hand, s (adj). */
const PICK_MM_S = 8;
const MARGIN_S = 4;
/** A strip that got stiff is at its softening point to about this, K (adj). */
const STIFF_SD_K = 5;
/** Spread of a contact thermometer in a hand, K (adj). */
const READ_SD_K = 1.5;

/**
 * A warming followed from its log: what heated when, and what was read. The same log gives the same picture on every device and
 * after every reload.
 */
export class Following {
  private readonly m: LidModel;
  private run: HeatRun;
  private readonly kept: { s: number; q10C: Record<string, number[]> }[] = [];
  private taken = 0;
  private at = 0;
  constructor(private ask: FollowAsk) {
    this.m = lidModel(ask, {
      cover: ask.cover,
      ...(ask.coverMm === undefined ? {} : { coverMm: ask.coverMm }),
      ...ownLid(ask.own ?? NOTHING_OWN, ask.roomC),
      cellMm: ask.cellMm ?? 4,
    });
    this.run = this.begin();
  }

  private begin(): HeatRun {
    const first = this.ask.stretches[0]?.act;
    return new HeatRun(this.m, { face: first?.do === "mat" ? first.face : "back" });
  }

  /** What heats at a moment. */
  private actAt(s: number): Jet | Mat | null {
    const x = this.ask.stretches.find((h) => h.atS <= s + 1e-9 && (h.forS === null || s < h.atS + h.forS - 1e-9));
    return x ? ownAct(this.ask.own ?? NOTHING_OWN, x.act) : null;
  }

  /** The next moment at which something changes or was read. */
  private nextAfter(s: number): number {
    const moments = [
      ...this.ask.stretches.flatMap((h) => [h.atS, ...(h.forS === null ? [] : [h.atS + h.forS])]),
      ...this.ask.reads.slice(this.taken).map((r) => r.atS),
    ];
    return Math.min(Number.POSITIVE_INFINITY, ...moments.filter((x) => x > s + 1e-9));
  }

  /**
   * The log went on. What was told of the past before is gone over again only where it changed.
   * @throws RangeError where a strip is named that this lid has not
   */
  told(ask: FollowAsk): void {
    const past = (a: FollowAsk) =>
      JSON.stringify([
        a.cover,
        a.coverMm,
        a.roomC,
        a.own,
        a.cellMm,
        a.tapes,
        a.lid.pocket,
        a.reads.slice(0, this.taken),
        // A stretch that goes on is the same as long as it had not ended before now.
        a.stretches
          .filter((h) => h.atS < this.at)
          .map((h) => [h.atS, h.forS !== null && h.atS + h.forS < this.at ? h.forS : null, h.act]),
      ]);
    const same = past(ask) === past(this.ask);
    this.ask = ask;
    if (same) return;
    const to = this.at;
    this.run = this.begin();
    this.kept.length = 0;
    this.taken = 0;
    this.at = 0;
    this.to(to);
  }

  /** Time passes up to a moment, s after the first act. What was read meanwhile is taken in where it was read. */
  to(s: number): void {
    this.takeReads();
    while (this.at < s - 1e-9) {
      const keep = (Math.floor(this.at / TRACE_S + 1e-6) + 1) * TRACE_S;
      const next = Math.min(s, this.nextAfter(this.at), keep);
      this.run.step(next - this.at, this.actAt(this.at));
      this.at = next;
      if (next === keep) this.keepNow();
      this.takeReads();
    }
  }

  /** What each of the five runs has of the strips now, for the line over time. */
  private keepNow(): void {
    const each = this.run.tapesEach();
    this.kept.push({ s: this.at, q10C: Object.fromEntries(this.wanted.map((p) => [p.id, each.map((t) => t[p.id]!.q10)])) });
  }

  /** A strip over the time so far, at the strength now believed and over its range. */
  private traceOf(id: string, cal: CalNow): HeatSeen["trace"] {
    const at = [cal.range[0], cal.cal, cal.range[1]].map(mixAt);
    return this.kept.map(({ s, q10C }) => {
      const [lowC, midC, highC] = at.map((w) => w.reduce((c, f, i) => c + f * q10C[id]![i]!, 0)) as [number, number, number];
      return { s, lowC, midC, highC };
    });
  }

  /** Readings up to now; one that came a moment late counts now. */
  private takeReads(): void {
    for (let r = this.ask.reads[this.taken]; r && r.atS <= this.at + 1e-9; r = this.ask.reads[this.taken]) {
      this.taken += 1;
      if ("stiff" in r) this.takeStiff(r.stiff);
      else this.run.read({ xMm: r.xMm, yMm: r.yMm }, r.surfaceC, r.sdK ?? READ_SD_K);
    }
  }

  /** It got stiff: the strip is at its softening point, so the cover over it is as far from it as the model has them apart. */
  private takeStiff(piece: string): void {
    const now = this.run.state();
    const t = now.tapes[piece];
    const place = this.m.inner.placed.find((p) => p.id === piece);
    if (!t || !place) throw new RangeError(`no piece of tape "${piece}" on this lid`);
    const at = { xMm: place.rect.xMm + place.rect.widthMm / 2, yMm: place.rect.yMm + place.rect.heightMm / 2 };
    const mixed = this.surfaceAt(at, now.fields.surface);
    this.run.read(at, mixed + (this.ask.softC - t.median), STIFF_SD_K);
  }

  /** The heated face at a place now, °C, were the tool of this strength: what a thermometer laid there would show. */
  surfaceFor(strength: number, at: { xMm: number; yMm: number }): number {
    const w = mixAt(strength);
    return this.run.surfaceAt(at).reduce((c, t, i) => c + t * w[i]!, 0);
  }

  private surfaceAt(at: { xMm: number; yMm: number }, surface: Float64Array): number {
    const { domain, nx, ny } = this.m;
    const i = Math.min(nx - 1, Math.max(0, Math.floor(((at.xMm - domain.xMm) / domain.widthMm) * nx)));
    const j = Math.min(ny - 1, Math.max(0, Math.floor(((at.yMm - domain.yMm) / domain.heightMm) * ny)));
    return surface[j * nx + i]!;
  }

  private get wanted() {
    return this.m.inner.placed.filter((p) => p.tape === this.ask.tape);
  }

  /**
   * What is seen now.
   * @param look also how long it stays soft, or how long until it is: takes longer
   */
  seen(look = true): HeatSeen {
    const now = this.run.state();
    const { softC } = this.ask;
    const act = this.actAt(this.at);
    const strips = this.wanted
      .map((p): StripNow => {
        const t = now.tapes[p.id]!;
        return { id: p.id, edge: p.edge, q10C: t.q10, medianC: t.median, soft: t.q10 >= softC };
      })
      .sort((a, b) => a.q10C - b.q10C);
    const first = strips[0];
    const needS = first ? this.wanted.find((p) => p.id === first.id)!.lengthMm / PICK_MM_S + MARGIN_S : 0;
    return {
      atS: this.at,
      heating: act !== null,
      cal: now.cal,
      trusted: this.run.trusted,
      reads: this.taken,
      strips,
      coldest: first ? this.coldestOf(first.id, now.fields.layers) : null,
      window: look && first && !act ? { ...workingWindow(this.run, { piece: first.id, softC, maxS: AHEAD_S }), needS } : null,
      softInS: look && first && act ? this.softIn(first.id, act) : null,
      peaksC: Object.fromEntries(Object.entries(now.peaks).map(([k, p]) => [k, p.maxC])),
      hottestC: Math.max(...now.fields.surface),
      trace: look && first ? this.traceOf(first.id, now.cal) : [],
      lines: isotherms(now.fields.surface, this.m, this.m.domain, [softC]),
    };
  }

  private coldestOf(piece: string, layers: Float64Array): HeatSeen["coldest"] {
    const { grid, placed } = this.m.inner;
    const face = this.m.inner.face(this.run.face);
    const { cells } = tapeCells(this.m, placed.find((p) => p.id === piece)!.rect);
    const o = face.of.tape * face.net.n;
    let least = cells[0];
    for (const c of cells) if (layers[o + c]! < layers[o + least!]!) least = c;
    if (least === undefined) return null;
    return {
      xMm: grid.x0Mm + ((least % grid.nx) + 0.5) * grid.dxMm,
      yMm: grid.y0Mm + (Math.floor(least / grid.nx) + 0.5) * grid.dyMm,
      c: layers[o + least]!,
    };
  }

  /** How long until the coldest tenth of a strip lets go if it goes on like this, at the likely strength; s. */
  private softIn(piece: string, act: Jet | Mat): number | null {
    const cells = tapeCells(this.m, this.m.inner.placed.find((p) => p.id === piece)!.rect);
    const rig = this.run.heatingAt(this.run.cal().cal, act);
    const offset = rig.face.of.tape * rig.face.net.n;
    const from = rig.s;
    while (rig.s - from < AHEAD_S) {
      if (quantile(cells, rig.t, offset, 0.1) >= this.ask.softC) return rig.s - from;
      rig.step(act.do === "jet" ? act : null);
    }
    return null;
  }
}
