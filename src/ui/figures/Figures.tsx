"use client";
import dynamic from "next/dynamic";
import { formatMoney, listed, sureWords } from "@/core/quantity";
import type { FiguresPageData } from "@/wire/figures";
import { Hatch } from "../draw/Hatch";
import { CalendarForm } from "./CalendarForm";
import { JobsBehind } from "./JobsBehind";
import { Fitted, Lies, SellerRows, Wears } from "./Rows";
import { days, shareWords } from "./words";

const none = () => <div style={{ height: 220 }} />;
const TurnaroundChart = dynamic(() => import("./Charts").then((m) => m.TurnaroundChart), { ssr: false, loading: none });
const WayByMonth = dynamic(() => import("./Charts").then((m) => m.WayByMonth), { ssr: false, loading: none });
const RightByMonth = dynamic(() => import("./Charts").then((m) => m.RightByMonth), { ssr: false, loading: none });
const SaidAgainstKept = dynamic(() => import("./Charts").then((m) => m.SaidAgainstKept), { ssr: false, loading: none });
const EarnedChart = dynamic(() => import("./Charts").then((m) => m.EarnedChart), { ssr: false, loading: none });

/** Fewer cases than this are told in words, without a chart. */
const FEW = 3;

/** What the shop's jobs say, each as a sentence, with what it may truly be and the jobs behind it. */
export function Figures({ page }: { page: FiguresPageData }) {
  const { figures: f, currency } = page;
  const t = f.turnaround;
  const money = (m: number) => formatMoney(m, currency);
  const done = t.jobs - t.open;
  const turn =
    done < FEW
      ? `${done} of ${t.jobs} jobs are done: too few to say how long they take.`
      : `${t.p50Days === null ? "How long half of them take cannot be told yet" : `Half are done in ${days(t.p50Days)}`}${
          t.p80Days === null ? "" : `, four in five in ${days(t.p80Days)}`
        }. ${t.jobs} jobs, ${t.open} of them still open and counted as at least so long.`;
  const longest = [...f.way].sort((a, b) => b.days - a.days)[0];
  const LONGEST = {
    decision: "waiting for a decision",
    panel: "waiting for the panel",
    bench: "waiting for the bench",
    handOver: "on the bench",
  };
  const loss = f.byFamily.concat(f.byCode).filter((r) => r.leftMinor < 0);
  return (
    <div className="figures">
      <Hatch id="figHatch" />
      <section>
        <h2 className="sec">How long do jobs take?</h2>
        <p className="tells">{turn}</p>
        {done >= FEW && <TurnaroundChart t={t} says={turn} />}
        {longest && done >= FEW && (
          <>
            <p>
              Most of it is {LONGEST[longest.part]}: {days(longest.days)} in the middle of {longest.jobs} jobs.
            </p>
            <WayByMonth months={f.months} says={`Days of each part of the way in ${f.months.length} months`} />
          </>
        )}
      </section>
      <section>
        <h2 className="sec">Right the first time?</h2>
        <p className="tells">{shareWords(f.rightFirst)}.</p>
        <p className="q">Handed over without a panel sent back, lifted again, opened again, or back within 90 days.</p>
        {f.rightFirst.of >= FEW && <RightByMonth months={f.months} says={`Right the first time: ${shareWords(f.rightFirst)}`} />}
        <JobsBehind jobs={f.rightFirst.jobs} words="Not right the first time" />
      </section>
      <section>
        <h2 className="sec">Do we keep promises?</h2>
        <p className="tells">
          {f.promises.of === 0
            ? "No job with a promise is closed yet."
            : `Kept ${shareWords(f.promises)}. Meant is ${sureWords(page.sure)}, ${Math.round(page.sure * 100)} %.`}
        </p>
        {f.promises.of >= FEW && (
          <>
            <SaidAgainstKept rows={f.promised} says={`Days said against days taken of ${f.promised.length} jobs`} />
            <p className="q">A dot over the line came later than it was said first.</p>
          </>
        )}
        <JobsBehind jobs={f.promises.jobs} words="Not kept" />
      </section>
      <section>
        <h2 className="sec">What earns?</h2>
        {f.byFamily.length === 0 ? (
          <p className="tells">No closed job has both a price and the price of its parts on record.</p>
        ) : (
          <>
            <p className="tells">
              {loss.length === 0
                ? "No family and no panel is below the line"
                : `${listed(loss.map((l) => l.key))} ${loss.length === 1 ? "lies" : "lie"} below the line`}
              , after parts, tape, postage and hands-on time.
            </p>
            <EarnedChart
              rows={f.byFamily.map((r) => ({ ...r, key: `Family ${r.key}, ${r.jobs.length}` }))}
              says={f.byFamily.map((r) => `Family ${r.key}: ${money(r.leftMinor)}`).join("; ")}
            />
            <EarnedChart rows={f.byCode.slice(0, 12)} says={f.byCode.map((r) => `${r.key}: ${money(r.leftMinor)}`).join("; ")} />
            <p className="q">
              {currency}: price less parts, tape and every parcel, less hands-on minutes at the bench's rate. What it cost that a
              machine came back is counted where it was repaired first.
            </p>
          </>
        )}
        <JobsBehind jobs={f.worst.map((w) => w.number)} words="Jobs at a loss" />
        <JobsBehind jobs={f.atMost} words="Tape or postage not on record: this much at most" />
        <JobsBehind jobs={f.unknownCost} words="Price or parts not on record, in no sum" />
      </section>
      <SellerRows sellers={page.sellers} currency={currency} />
      <Wears wear={f.wear} />
      <Lies page={page} />
      <Fitted panels={f.panels} machines={f.machines} />
      <section>
        <h2 className="sec">Tables and calendar</h2>
        <p className="flex flex-wrap gap-5">
          {(["jobs", "orders", "stock", "moves", "times"] as const).map((of) => (
            <a key={of} className="link" href={`/api/figures?of=${of}`} download>
              {of[0]!.toUpperCase() + of.slice(1)} as CSV
            </a>
          ))}
        </p>
        <CalendarForm calendar={page.calendar} />
      </section>
    </div>
  );
}
