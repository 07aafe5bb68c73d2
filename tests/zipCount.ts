import { strFromU8, unzipSync } from "fflate";

interface Told {
  id: string;
  type: string;
  clock: string;
  placed?: string;
  payload: Record<string, unknown>;
}
interface RawBuild {
  subject: { part: string; kind: string };
  tapes?: {
    id: string;
    edge: string;
    shape: { widthMm: number; heightMm: number };
    thicknessMm: number;
    tailMm?: number;
    keepOuts?: { fromMm: number; toMm: number }[];
  }[];
  screwTypes: { id: string; thread: string; lengthMm: number; head: string }[];
  screwGroups: { screws: { id: string; type: string }[] }[];
}
/** What somebody looks at on a part that came, from the trade: a whole lid has hinges and leads, a bare cell neither tabs nor tape. */
const LOOKED_AT: Record<string, string[]> = {
  panel: ["cracks", "code", "connector", "tabs", "films", "tape", "brackets", "sensor"],
  frontUnit: ["cracks", "code", "connector", "tabs", "films", "tape", "brackets", "sensor"],
  lidAssembly: ["cracks", "code", "connector", "hinges", "leads", "films", "sensor"],
  cell: ["cracks", "code", "connector", "films"],
};

/** What a job took from the shop's shelves and gave to them, counted by hand from what it exports; tape in mm. */
export interface Counted {
  tape: Record<string, number>;
  panelsIn: number;
  panelsFitted: number;
  panelsBack: number;
  screwsUsed: number;
  screwsKept: number;
  oldPanels: number;
}

/**
 * Walks an exported job as somebody would with the zip, a calculator and a ruler: events in their order without those taken back, strips
 * walked a tenth of a millimetre at a time. Knows nothing of the product's own sums.
 */
export function countZip(zip: Uint8Array): Counted {
  const files = unzipSync(zip);
  const text = (n: string) => strFromU8(files[n]!);
  const all = (JSON.parse(text("log.json")) as Told[]).sort((a, b) => ((a.placed ?? a.clock) < (b.placed ?? b.clock) ? -1 : 1));
  const undone = new Set(all.filter((e) => e.type === "job.takenBack").map((e) => e.payload.eventId));
  const events = all.filter((e) => e.type !== "job.takenBack" && !undone.has(e.id));
  const snapshot = (hash: unknown) => (JSON.parse(text(`snapshots/${hash}.json`)) as { data: RawBuild }).data;
  const planned = events.filter((e) => e.type === "plan.made" || e.type === "plan.rebuilt").at(-1);
  const build = planned ? snapshot(planned.payload.buildHash) : null;
  const out: Counted = { tape: {}, panelsIn: 0, panelsFitted: 0, panelsBack: 0, screwsUsed: 0, screwsKept: 0, oldPanels: 0 };
  let own = false;
  const good = new Set<unknown>();
  let isIn = false;
  let arrived = false;
  let seated = false;
  const needed = build ? LOOKED_AT[build.subject.kind] : undefined;
  const look = () => {
    if (isIn || own || !arrived || !needed?.every((i) => good.has(i))) return;
    isIn = true;
    out.panelsIn += 1;
  };
  for (const e of events) {
    const p = e.payload;
    if (e.type === "match.ordered") {
      own = p.seller === "Own shelf";
      isIn = own;
      arrived = false;
      good.clear();
    } else if (e.type === "match.arrived") {
      arrived = true;
      good.add("code");
      look();
    } else if (e.type === "match.arrivalChecked") {
      if (p.result === "wrong") good.delete(p.item);
      else good.add(p.item);
      look();
    } else if (e.type === "match.returned") {
      if (isIn && !seated && !own) out.panelsBack += 1;
      isIn = false;
      arrived = false;
      good.clear();
    } else if (e.type === "bond.panelSeated") {
      if (isIn && !seated) out.panelsFitted += 1;
      seated = true;
    } else if (e.type === "open.partOut" && build?.subject.kind === "panel" && p.part === build.subject.part) out.oldPanels += 1;
    else if (e.type === "close.screwAccounted" && p.as === "replaced") out.screwsUsed += 1;
    else if (e.type === "close.screwAccounted" && p.as === "staysOut") out.screwsKept += 1;
    else if (e.type === "bond.tapeLaid" && build) {
      const [, strip, nth] = /^(.*)-(\d+)$/.exec(String(p.piece))!;
      const t = build.tapes!.find((x) => x.id === strip)!;
      const up = t.edge === "left" || t.edge === "right";
      const runs = freeRuns(up ? t.shape.heightMm : t.shape.widthMm, t.keepOuts ?? []);
      const run = runs[Number(nth) - 1]!;
      const mm = Math.ceil(run.long / 10 + (run.atEnd ? (t.tailMm ?? 0) : 0) + 2);
      const wide = up ? t.shape.widthMm : t.shape.heightMm;
      const chosen = events.find((x) => x.type === "plan.tapeChosen" && x.payload.widthMm === wide && x.clock < e.clock);
      for (const ply of (chosen?.payload.pliesMm as number[] | undefined) ?? [t.thicknessMm]) {
        const item = `tape/${wide}x${ply}`;
        out.tape[item] = (out.tape[item] ?? 0) + mm;
      }
    }
  }
  return out;
}

/** Stretches of a strip that are free, in tenths of a millimetre, walked one by one; those under 8 mm hold nothing. */
function freeRuns(longMm: number, keepOuts: readonly { fromMm: number; toMm: number }[]): { long: number; atEnd: boolean }[] {
  const n = Math.round(longMm * 10);
  const runs: { long: number; atEnd: boolean }[] = [];
  let long = 0;
  for (let k = 0; k <= n; k++) {
    const free = k < n && !keepOuts.some((o) => k >= Math.round(o.fromMm * 10) && k < Math.round(o.toMm * 10));
    if (free) long += 1;
    else {
      if (long >= 80) runs.push({ long, atEnd: k === n });
      long = 0;
    }
  }
  return runs;
}
