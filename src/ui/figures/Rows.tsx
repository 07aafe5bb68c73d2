"use client";
import dynamic from "next/dynamic";
import { formatMoney } from "@/core/quantity";
import type { FittedRow, Wear } from "@/core/shopReport";
import type { FiguresPageData, SellerFigures } from "@/wire/figures";
import { itemWords, metres } from "../stock/words";
import { JobsBehind } from "./JobsBehind";
import { days, shareWords } from "./words";

const none = () => <div style={{ height: 160 }} />;
const RangeRows = dynamic(() => import("./RowCharts").then((m) => m.RangeRows), { ssr: false, loading: none });
const PairBars = dynamic(() => import("./RowCharts").then((m) => m.PairBars), { ssr: false, loading: none });

/** Fewer cases than this are told in words, without a chart. */
const FEW = 3;
const round = (x: number) => Math.round(x * 10) / 10;

/** What each seller's orders show: days taken against quoted on one ruler, what came wrong or went back, what a panel that stayed cost. */
export function SellerRows({ sellers, currency }: { sellers: readonly SellerFigures[]; currency: string }) {
  const timed = sellers.flatMap((s) =>
    s.took && s.came >= FEW
      ? [{ key: s.seller, at: round(s.took.p50), low: round(s.took.p10), high: round(s.took.p90), against: s.quotedDays }]
      : [],
  );
  const says = timed.map((t) => `${t.key} took ${days(t.at)}, quoted ${days(t.against ?? 0)}`).join("; ");
  return (
    <section>
      <h2 className="sec">Which seller?</h2>
      {sellers.length === 0 && <p className="tells">Nothing was ordered yet.</p>}
      {timed.length > 0 && (
        <>
          <RangeRows rows={timed} unit=" d" says={says} />
          <p className="q mb-2">A dot is the middle of the days taken, its range eight orders in ten. Dashed: days quoted.</p>
        </>
      )}
      {sellers.map((s) => (
        <div key={s.seller} className="mb-3">
          <p>
            <b>{s.seller}</b>, {s.orders} {s.orders === 1 ? "order" : "orders"}.{" "}
            {s.took === null
              ? "None came yet."
              : `Took ${days(s.took.p50)} in the middle, quoted ${days(s.quotedDays ?? 0)}. Went back: ${shareWords(s.returned)}${
                  s.returned.times === 0
                    ? ""
                    : s.wrong.times === s.returned.times
                      ? "; each another part than ordered"
                      : `; ${s.wrong.times} of them another part than ordered`
                }.`}
            {s.perGoodMinor !== null &&
              ` A panel that stayed cost ${formatMoney(s.perGoodMinor, currency)}${s.postageKnown ? ", parcels in it" : ", its parcels not on record"}.`}
          </p>
          <div className="flex flex-wrap gap-x-8">
            <JobsBehind jobs={s.jobs} words="Jobs" />
            <JobsBehind jobs={s.returned.jobs} words="Sent back in" />
          </div>
        </div>
      ))}
    </section>
  );
}

/** What wears: minutes against the plan, machines taken up again, machines lying open. */
export function Wears({ wear }: { wear: Wear }) {
  const few = wear.jobs.length < FEW || !wear.ratio;
  const x = (n: number) => n.toFixed(2);
  const hours = (h: number) => (h < 10 ? `${round(h)} h` : `${Math.round(h)} h`);
  const families = wear.byFamily.map((f) => ({
    key: `Family ${f.family}, ${f.of}`,
    a: round(f.tookMin / f.of),
    b: round(f.plannedMin / f.of),
  }));
  return (
    <section>
      <h2 className="sec">What wears us?</h2>
      <p className="tells">
        {few
          ? `${wear.jobs.length} jobs have both planned and taken minutes: too few to say.`
          : `Hands-on work took ${x(wear.ratio!.p50)} times what was planned in the middle job, ${x(wear.ratio!.p10)} to ${x(wear.ratio!.p90)} times in eight of ten: ${Math.round(wear.tookMin)} of ${Math.round(wear.plannedMin)} minutes.`}
      </p>
      {!few && families.length > 0 && (
        <PairBars
          rows={families}
          unit=" min"
          names={["taken, a job", "planned, a job"]}
          says={families.map((f) => `${f.key}: ${f.a} of ${f.b} min`).join("; ")}
        />
      )}
      {wear.takenUp && wear.takenUp.of >= FEW && (
        <p>
          {wear.takenUp.p90 < 1.5
            ? "Machines are worked on in one go: nine in ten were taken up once."
            : `A machine was taken up ${round(wear.takenUp.p50)} times in the middle, ${round(wear.takenUp.p90)} in the worst tenth: each break of more than 20 minutes is one more set-up.`}
        </p>
      )}
      {wear.openHours && wear.openHours.of >= FEW && (
        <p>
          It lay open {hours(wear.openHours.p50)} in the middle, {hours(wear.openHours.p90)} in the worst tenth. Shut within 8
          hours: {shareWords(wear.shutByNight)}.
        </p>
      )}
      <JobsBehind jobs={wear.shutByNight.jobs} words="Open for longer" />
      <JobsBehind jobs={wear.jobs} words="Jobs behind it" />
    </section>
  );
}

const KIND_WORDS = {
  panel: "Panels",
  tape: "Tape",
  film: "Film, cloth, foam",
  screw: "Screws",
  tool: "Tools",
  part: "Parts",
  donor: "Donors",
} as const;

/** What lies in the shop: its worth, how long it lasts, what expires. */
export function Lies({ page }: { page: FiguresPageData }) {
  const { lies, currency } = page;
  const kinds = lies.byKind.map((k) => ({ key: `${KIND_WORDS[k.kind]}, ${k.lots}`, a: k.minor / 100 }));
  return (
    <section>
      <h2 className="sec">What lies?</h2>
      <p className="tells">
        {lies.lots === 0
          ? "Nothing is on record in the stock."
          : `${formatMoney(lies.valueMinor, currency)} in ${lies.lots} lots${lies.unpriced ? `, ${lies.unpriced} of them without a price and in no sum` : ""}.`}
        {lies.breaches > 0 && ` ${lies.breaches} times more was used than stood on record.`}
      </p>
      {kinds.length > 1 && (
        <PairBars
          rows={kinds}
          unit=""
          decimals={2}
          names={null}
          says={kinds.map((k) => `${k.key}: ${k.a.toFixed(2)} ${currency}`).join("; ")}
        />
      )}
      {kinds.length > 1 && <p className="q">{currency}, what lies at what it cost; beside each kind how many lots.</p>}
      <ul className="rows">
        {lies.tape.map((t) => (
          <li key={t.item}>
            <b>{itemWords(t.item)}</b>
            <span className="grow text-right">
              {metres(t.leftMm)}
              {t.days === null ? ", too little used to say how long it lasts" : `, lasts about ${t.days} days`}
            </span>
          </li>
        ))}
        {lies.expiring.map((e) => (
          <li key={e.lot}>
            <b>{itemWords(e.item)}</b>
            <span className="grow text-right">
              {e.lot}, good until {e.expires.slice(0, 10)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What became of what was fitted: by panel, and by machine. */
export function Fitted({ panels, machines }: { panels: readonly FittedRow[]; machines: readonly FittedRow[] }) {
  const told = panels.filter((p) => p.held.of >= FEW);
  const back = panels.reduce((n, p) => n + p.held.jobs.length, 0);
  const fitted = panels.reduce((n, p) => n + p.fitted, 0);
  const pc = (x: number) => Math.round(x * 100);
  const list = (rows: readonly FittedRow[]) =>
    rows.map((p) => (
      <div key={p.key} className="mb-2">
        <p>
          <b className="mono">{p.key}</b>: {p.fitted} fitted{p.ageDays && `, the oldest tenth ${days(p.ageDays.p90)} ago`}
          {p.sentBack > 0 && `, ${p.sentBack} sent back before`}. Held 90 days: {shareWords(p.held)}
          {p.young > 0 && `; ${p.young} younger, in no share`}.
        </p>
        <div className="flex flex-wrap gap-x-8">
          <JobsBehind jobs={p.held.jobs} words="Came back" />
          <JobsBehind jobs={p.jobs} words="Jobs" />
        </div>
      </div>
    ));
  return (
    <section>
      <h2 className="sec">What held?</h2>
      <p className="tells">
        {fitted === 0
          ? "No panel that was fitted is handed over yet."
          : `${fitted} panels fitted; ${back === 0 ? "no machine" : back === 1 ? "one machine" : `${back} machines`} came back within 90 days.`}
      </p>
      {told.length > 0 && (
        <>
          <RangeRows
            rows={told.map((p) => ({ key: p.key, at: pc(1 - p.held.share), low: pc(1 - p.held.high), high: pc(1 - p.held.low) }))}
            unit=" %"
            says={told.map((p) => `${p.key}: ${pc(1 - p.held.share)} % came back`).join("; ")}
          />
          <p className="q mb-2">Came back within 90 days, of those out so long, with what it may truly be.</p>
        </>
      )}
      {list(panels)}
      {machines.length > 0 && (
        <details>
          <summary>By machine ({machines.length})</summary>
          {list(machines)}
        </details>
      )}
    </section>
  );
}
