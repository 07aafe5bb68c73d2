import { chanceBy, doneBy, type PromiseInput, promiseDate, type RescueOption, rescue, saidBy } from "@/core/promise";

interface Ask {
  id: string;
  seed: string;
  sure: number;
  input: PromiseInput;
  dueMin: number | null;
  options: RescueOption[];
  lateMinorPerDay: number;
}
interface Said {
  id: string;
  p50Min: number;
  byMin: number;
  late: number | null;
  rescues: { id: string; late: number; costMinor: number; byMin: number }[];
}

/** Over this chance a promise is watched, and what could be done is worked out (adj). */
const BREAKS_AT = 0.2;

// Each is said as soon as it is known; what could be done about the late ones comes after all dates.
self.onmessage = (e: MessageEvent<Ask[]>) => {
  const late: Said[] = [];
  for (const a of e.data) {
    const p = promiseDate(a.input, { seed: a.seed });
    const said: Said = {
      id: a.id,
      p50Min: p.p50Min,
      byMin: saidBy(doneBy(p.doneMin, a.sure), a.input.handover),
      late: a.dueMin === null ? null : 1 - chanceBy(p.doneMin, a.dueMin),
      rescues: [],
    };
    self.postMessage(said);
    if ((said.late ?? 0) > BREAKS_AT) late.push(said);
  }
  for (const said of late) {
    const a = e.data.find((x) => x.id === said.id)!;
    const { rows } = rescue(a.input, a.dueMin!, a.options, {
      lateMinorPerDay: a.lateMinorPerDay,
      seed: a.seed,
      breaksAt: BREAKS_AT,
      sure: a.sure,
    });
    const rescues = rows
      .map((r) => ({
        id: r.id,
        late: r.chanceLate,
        costMinor: r.costMinor,
        byMin: saidBy(r.promiseMin, a.input.handover),
      }))
      .sort((x, y) => x.costMinor - y.costMinor);
    self.postMessage({ ...said, rescues } satisfies Said);
  }
};
