import type { Build } from "../../build";
import type { StockEvent } from "../../stock";
import { itemName, screwItem, tapeItem } from "../../stock/items";
import { tapeFor } from "../../stock/tape";
import { type CutPiece, cutList, piecesOf } from "../../tape";
import { placeOf } from "../clock";
import { fitOf, type JobView, panelIsHere } from "../derived";
import type { JobEvent } from "../event";
import { counting } from "../fold";
import { arrivalItems } from "../match/arrivalItems";
import { mayOrder } from "../match/order";
import type { Snapshots } from "../state";
import { OWN_SHELF } from "./ownShelf";

/** Something a job will still take. */
export interface StockNeed {
  item: string;
  /** Pieces, or mm of tape. */
  count: number;
  /** Of a panel: which one was chosen, and why it must not be ordered with other things. */
  panelHash?: string;
  shut?: string;
}

type Told = StockEvent extends infer E ? (E extends unknown ? Omit<E, "id" | "clock" | "device"> : never) : never;
/** The tapes a piece is of: what was chosen for its width, ply by ply, else what its build says. */
type Chosen = Readonly<Record<string, { pliesMm: readonly number[]; rolls?: readonly Record<string, string>[] | undefined }>>;
const tapesOf = (c: CutPiece, chosen: Chosen): string[] =>
  (chosen[String(c.widthMm)]?.pliesMm ?? [c.thicknessMm]).map((mm) => tapeItem(c.widthMm, mm));
/** The roll a ply of a piece is cut from, where the cut list named one. */
const rollOf = (c: CutPiece, ply: number, chosen: Chosen): { lot?: string } => {
  const lot = chosen[String(c.widthMm)]?.rolls?.[ply]?.[c.id];
  return lot ? { lot } : {};
};
const mmOf = (c: CutPiece): number => tapeFor([c])[c.widthMm] ?? 0;

/** What one job did with panels, tape and screws: told act by act. */
class Teller {
  readonly out: StockEvent[] = [];
  private build: Build | null = null;
  private code: string | null = null;
  private oldCode: string | null = null;
  private cracked = false;
  private number = "";
  private own = false;
  private price: number | undefined;
  /** The line of an order of the shop that brings it. */
  private line: string | undefined;
  private arrived = false;
  private good = new Set<string>();
  /** What the repair replaces. */
  private kind: Build["subject"]["kind"] = "panel";
  /** The lot that lies ready for this job; and how many there were. */
  private lot: string | null = null;
  private lots = 0;
  private seated = false;
  /** Which tape was chosen, by width. */
  private readonly tape: Record<string, Chosen[string]> = {};
  private held = false;

  constructor(private readonly snapshots: Snapshots) {}

  private say(e: JobEvent, ...told: Told[]): void {
    for (const [k, t] of told.entries())
      this.out.push({ ...t, id: `${e.id}.${k}`, clock: placeOf(e), device: e.device } as StockEvent);
  }
  private get panel(): string {
    return itemName("panel", this.code ?? "unknown");
  }
  private kindFrom(hash: string | null | undefined): void {
    const s = hash ? this.snapshots[hash] : undefined;
    if (s?.kind === "build") this.kind = s.data.subject.kind;
  }
  private freshLot(): string {
    this.lots += 1;
    this.lot = `${this.number}-P${this.lots}`;
    return this.lot;
  }
  private take(e: JobEvent): void {
    if (!this.arrived || this.held || this.own || !arrivalItems(this.kind).every((i) => this.good.has(i))) return;
    const lot = this.freshLot();
    this.held = true;
    this.say(
      e,
      {
        type: "stock.received",
        item: this.panel,
        lot,
        count: 1,
        place: "",
        state: "new",
        test: "lookedAt",
        job: this.number,
        ...(this.line === undefined ? {} : { orderLine: this.line }),
        ...(this.price === undefined ? {} : { priceMinor: this.price }),
      },
      { type: "stock.reserved", item: this.panel, count: 1, job: this.number },
    );
  }

  act(e: JobEvent): void {
    switch (e.type) {
      case "job.opened":
        this.number = e.payload.number;
        break;
      case "triage.concluded":
        this.cracked = e.payload.verdict === "panel";
        break;
      case "identify.panelRead":
        this.oldCode = e.payload.code;
        break;
      case "match.chosen":
        this.code = e.payload.code;
        this.kindFrom(e.payload.buildHash);
        break;
      case "plan.made":
      case "plan.rebuilt": {
        const s = this.snapshots[e.payload.buildHash];
        this.build = s?.kind === "build" ? s.data : this.build;
        this.kindFrom(e.payload.buildHash);
        break;
      }
      case "match.ordered":
        this.own = e.payload.seller === OWN_SHELF;
        this.price = this.own ? undefined : e.payload.priceMinor;
        this.line = e.payload.line;
        this.arrived = false;
        this.good.clear();
        if (this.own) {
          this.held = true;
          // One that came for this job, and lies on the shelf for it, is the one it takes.
          this.say(
            e,
            { type: "stock.released", item: this.panel, job: this.number },
            { type: "stock.reserved", item: this.panel, count: 1, job: this.number },
          );
        }
        break;
      case "match.arrived":
        // The label was read and is the one ordered: that is this item of the check.
        this.arrived = true;
        this.good.add("code");
        this.take(e);
        break;
      case "match.arrivalChecked":
        if (e.payload.result === "wrong") this.good.delete(e.payload.item);
        else this.good.add(e.payload.item);
        this.take(e);
        break;
      case "match.returned":
        // Sent back to a seller it is gone; put back on the own shelf it is only no longer kept.
        if (this.held && !this.seated)
          this.say(
            e,
            { type: "stock.released", item: this.panel, job: this.number },
            ...(this.own
              ? []
              : [{ type: "stock.scrapped", item: this.panel, count: 1, lot: this.lot ?? "", why: "returned" } as Told]),
          );
        this.arrived = false;
        this.held = false;
        this.own = false;
        this.lot = null;
        this.good.clear();
        break;
      case "plan.tapeChosen":
        this.tape[String(e.payload.widthMm)] = e.payload;
        break;
      case "bond.tapeLaid": {
        const c = this.build && cutList(this.build).find((x) => x.id === e.payload.piece);
        if (c)
          this.say(
            e,
            ...tapesOf(c, this.tape).map((item, ply) => ({
              type: "stock.used" as const,
              item,
              count: mmOf(c),
              job: this.number,
              ...rollOf(c, ply, this.tape),
            })),
          );
        break;
      }
      case "close.partTaped": {
        const t = e.payload.with === "new" ? this.build?.tapes.find((x) => x.id === e.payload.tape) : undefined;
        for (const c of t ? piecesOf(t) : [])
          this.say(e, { type: "stock.used", item: tapesOf(c, {})[0]!, count: mmOf(c), job: this.number });
        break;
      }
      case "bond.panelSeated":
        if (this.held && !this.seated) {
          const lot = this.lot === null ? {} : { lot: this.lot };
          this.say(e, { type: "stock.used", item: this.panel, count: 1, job: this.number, ...lot });
        }
        this.seated = true;
        break;
      case "swap.panelLifted":
        if (this.held && this.seated)
          this.say(
            e,
            {
              type: "stock.salvaged",
              item: this.panel,
              lot: this.freshLot(),
              count: 1,
              place: "",
              state: "opened",
              donor: this.number,
            },
            { type: "stock.reserved", item: this.panel, count: 1, job: this.number },
          );
        this.seated = false;
        break;
      case "open.partOut":
        if (this.build?.subject.part === e.payload.part && this.build.subject.kind === "panel")
          this.say(e, {
            type: "stock.salvaged",
            item: itemName("donor", `panel ${this.oldCode ?? "unknown"}`),
            lot: `${this.number}-old`,
            count: 1,
            place: "",
            state: this.cracked ? "cracked" : "unknown",
            donor: this.number,
          });
        break;
      case "close.screwAccounted": {
        const group = this.build?.screwGroups.find((g) => g.screws.some((x) => x.id === e.payload.screw));
        const typeId = group?.screws.find((x) => x.id === e.payload.screw)?.type;
        const type = this.build?.screwTypes.find((t) => t.id === typeId);
        if (!type) break;
        const item = screwItem(type);
        if (e.payload.as === "replaced") this.say(e, { type: "stock.used", item, count: 1, job: this.number });
        if (e.payload.as === "staysOut")
          this.say(e, {
            type: "stock.salvaged",
            item,
            lot: `${this.number}-${e.payload.screw}`,
            count: 1,
            place: "",
            state: "used",
            donor: this.number,
          });
        break;
      }
      case "job.closed":
        // Nothing stays kept for a job that goes no further.
        if (this.held && !this.seated) this.say(e, { type: "stock.released", item: this.panel, job: this.number });
        break;
    }
  }
}

/**
 * What a job took from the shop's stock and gave to it, act by act: never typed twice. The ids are made of the act's own, so that
 * telling it again doubles nothing, and what is taken back in the job is gone here.
 * @param events of one job, any order; tape in mm, all else in pieces
 * @example stockFromJob([], {}).length // 0
 */
export function stockFromJob(events: readonly JobEvent[], snapshots: Snapshots): StockEvent[] {
  const told = new Teller(snapshots);
  for (const e of counting(events)) told.act(e);
  return told.out;
}

/**
 * The stock's own log as the fold of the stock reads it: what was taken back is left out.
 * @example stockFromLog([]).length // 0
 */
export const stockFromLog = (events: readonly JobEvent[]): StockEvent[] =>
  counting(events).flatMap((e) =>
    e.type.startsWith("stock.") && e.type !== "stock.ordered" && e.type !== "stock.orderMoved"
      ? [{ ...e.payload, type: e.type, id: e.id, clock: placeOf(e), device: e.device } as unknown as StockEvent]
      : [],
  );

/**
 * What a job will still take: the panel while none is here or on its way, and the tape of what is not laid yet, mm. A panel that may
 * not be ordered says why.
 * @example stockNeeds({ state: emptyState(), snapshots: {} }, null).length // 0
 */
export function stockNeeds(v: JobView, build: Build | null): StockNeed[] {
  const s = v.state;
  if (s.closed || s.handedOn) return [];
  const needs: StockNeed[] = [];
  if (s.match.chosen && !s.match.order && !panelIsHere(s)) {
    const { code, panelHash } = s.match.chosen;
    const along = fitOf(v)?.rows.find((r) => r.verdict === "change" && r.change && r.change.costMinor > 0);
    const shut = mayOrder(v, [])?.reason ?? (along ? `It takes ${along.change!.part} with it: order both in its Match.` : null);
    needs.push({ item: itemName("panel", code), count: 1, panelHash, ...(shut ? { shut } : {}) });
  }
  if (!build || build.subject.bringsTape || s.subject === "fixed" || s.bond.pressed) return needs;
  const by = new Map<string, number>();
  for (const c of cutList(build))
    if (!s.bond.laid[c.id]) for (const item of tapesOf(c, s.tape)) by.set(item, (by.get(item) ?? 0) + mmOf(c));
  for (const [item, count] of by) needs.push({ item, count });
  return needs;
}
