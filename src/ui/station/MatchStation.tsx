"use client";
import { addDays, format } from "date-fns";
import Link from "next/link";
import { Fragment, useMemo, useState } from "react";
import type { Offer } from "@/core/catalogue";
import { candidateOf, fitOf, mayOrder, oldPanelOf, sameCode } from "@/core/job";
import { compareFit, type FitRow, NOT_BY_EYE, type Overall, overallVerdict, type Shown } from "@/core/panel";
import { formatMoney, listed, SOURCE_WORDS } from "@/core/quantity";
import { Plate } from "../controls/Plate";
import { MARK_WORDS, Mark, MarkShape, markOf } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "./RefusalBox";

const overallMark = (o: Overall) =>
  (o.kind === "doNotConnect" ? "look" : o.kind === "ask" ? "ask" : o.kind) as Parameters<typeof Mark>[0]["kind"];
const RANK: Record<Overall["kind"], number> = { same: 0, change: 1, ask: 2, doNotConnect: 3, stop: 4 };

/** Candidates against the old panel and the machine, field by field. */
export function MatchStation() {
  const { log, reference, view, build, offer, nowMs, jobId } = useBench();
  const [picked, setPicked] = useState<string | null>(null);
  const [accepted, setAccepted] = useState<readonly string[]>([]);
  const [arrivalCode, setArrivalCode] = useState("");
  const s = view.state;
  const old = oldPanelOf(view);
  const chosen = candidateOf(view);
  const candidates = useMemo(() => {
    if (!old) return [];
    const size = old.diagonalIn.value;
    return reference.panels
      .filter((p) => size === null || p.data.diagonalIn.value === null || Math.abs(p.data.diagonalIn.value - size) < 0.15)
      .map((p) => {
        const rows = compareFit(old, p.data, build?.data ?? null);
        const overall = overallVerdict(rows);
        const offers = reference.offers.filter((o) => o.panel === p.data.id).sort((a, b) => a.priceMinor - b.priceMinor);
        return { ...p, rows, overall, offer: offers[0] as Offer | undefined };
      })
      .filter((c) => c.offer)
      .sort(
        (a, b) =>
          Number(a.overall.kind === "stop") - Number(b.overall.kind === "stop") ||
          a.overall.looks - b.overall.looks ||
          RANK[a.overall.kind] - RANK[b.overall.kind] ||
          (a.offer?.days ?? 0) - (b.offer?.days ?? 0),
      );
  }, [old, reference, build]);
  const shownId = s.match.order ? s.match.chosen?.panelHash : (picked ?? s.match.chosen?.panelHash ?? candidates[0]?.hash);
  const cur = candidates.find((c) => c.hash === shownId);
  const settled = shownId === s.match.chosen?.panelHash ? fitOf(view) : null;
  const rows = settled?.rows ?? cur?.rows ?? [];
  const overall = settled?.overall ?? cur?.overall;
  const isChosen = cur !== undefined && s.match.chosen?.panelHash === cur.hash;

  const pick = (n: number) => {
    const c = candidates[n];
    if (!c || s.match.order) return;
    setPicked(c.hash);
    setAccepted([]);
  };
  const choose = () =>
    cur &&
    log.record({ type: "match.chosen", payload: { panelHash: cur.hash, code: cur.data.code, buildHash: build?.hash ?? null } });
  const order = () => {
    if (!cur?.offer) return;
    if (!isChosen && !choose()) return;
    log.record({
      type: "match.ordered",
      payload: {
        panelHash: cur.hash,
        seller: cur.offer.seller,
        priceMinor: cur.offer.priceMinor,
        currency: cur.offer.currency,
        dueDays: cur.offer.days,
        acceptedUnknowns: [...accepted],
        confirmed: true,
      },
    });
  };
  const arrive = () => log.record({ type: "match.arrived", payload: { codeRead: arrivalCode.trim() } });
  const waiting = s.match.order && !s.match.arrived;
  offer({
    ...(waiting
      ? { space: () => (arrivalCode.trim() ? arrive() : undefined), scan: (t: string) => setArrivalCode(t) }
      : { enterHeld: s.match.order ? () => undefined : order }),
  });
  if (!old)
    return (
      <div className="flex flex-col gap-4 p-7">
        <h1 className="step">Identify the old panel</h1>
        <div className="empty">
          <b>Nothing to compare with yet.</b> Candidates show here once the old panel is named.{" "}
          <Link className="link" href={`/jobs/${jobId}/identify`}>
            Identify it
          </Link>
        </div>
      </div>
    );
  const destroying = rows.filter((r) => r.destroying && r.verdict === "unknown");
  const asks = rows.filter((r) => r.verdict === "ask");
  const looks = rows.filter((r) => r.look);
  const shut = isChosen
    ? mayOrder(view, accepted)
    : overall?.kind === "stop"
      ? { reason: "This one must not be ordered." }
      : null;
  return (
    <>
      {candidates.length === 0 ? (
        <div className="empty m-5">
          <b>No candidate of this size in the catalogue.</b> {old.code},{" "}
          {old.diagonalIn.value ? `${old.diagonalIn.value} inch` : "size not known"}.
        </div>
      ) : (
        <section aria-label="Candidates" tabIndex={0} style={{ overflowX: "auto", flex: "none" }}>
          <table className="cand w-full">
            <thead>
              <tr>
                <th scope="col">Candidate</th>
                <th scope="col">{rows.length} fields, in table order</th>
                <th scope="col">Verdict</th>
                <th scope="col" className="text-right">
                  {candidates[0]?.offer?.currency}
                </th>
                <th scope="col" className="text-right">
                  Here
                </th>
              </tr>
            </thead>
            <tbody>
              {candidates.map((c, i) => (
                <tr key={c.hash} className={c.hash === shownId ? "on" : ""}>
                  <td>
                    <button
                      type="button"
                      className="mono flex min-h-11 items-center gap-2"
                      aria-pressed={c.hash === shownId}
                      disabled={!!s.match.order}
                      onClick={() => pick(i)}
                    >
                      <b>{c.data.code}</b>
                    </button>
                  </td>
                  <td>
                    <Fingerprint rows={c.hash === shownId ? rows : c.rows} />
                  </td>
                  <td style={{ whiteSpace: "normal", lineHeight: "17px" }}>
                    <span className="flex items-center gap-2">
                      <Mark kind={overallMark(c.hash === shownId && overall ? overall : c.overall)} size={18} />
                      {(c.hash === shownId && overall ? overall : c.overall).short}
                    </span>
                  </td>
                  <td className="mono text-right">
                    {c.offer
                      ? formatMoney(c.offer.priceMinor, c.offer.currency).replace(` ${candidates[0]?.offer?.currency}`, "")
                      : ""}
                  </td>
                  <td className="text-right">{c.offer ? format(addDays(nowMs, c.offer.days), "EEE d") : ""}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      {overall && cur && (
        <div className="flex flex-col gap-3 border-y-[1.5px] border-ink px-[18px] py-2.5">
          <div className="flex items-center justify-between gap-4">
            <h1 className="text-[24px] leading-[28px] font-[740]">
              <Mark kind={overallMark(overall)} size={28} /> {overall.words}
            </h1>
            {!s.match.order && overall.kind !== "stop" && cur.offer && (
              <div style={{ width: 318, flex: "none" }}>
                <Plate
                  small
                  hold
                  keyCap="Enter"
                  line1={`Order, ${formatMoney(cur.offer.priceMinor, cur.offer.currency)}`}
                  line2={cur.offer.seller}
                  onAct={order}
                />
              </div>
            )}
          </div>
          <RefusalBox />
          {shut && !s.match.order && <p className="q">{shut.reason}</p>}
          {!s.match.order && overall.kind !== "stop" && destroying.length > 0 && (
            <fieldset className="look flex-col">
              <legend className="vh">Accept what is not known</legend>
              <p>
                <b>{listed(destroying.map((r) => r.name))} not known.</b> Wrong there, it can destroy the board. Order only if you
                accept to look at the part in hand before it is connected.
              </p>
              {destroying.map((r) => (
                <label key={r.field} className="flex min-h-11 items-center gap-3">
                  <input
                    type="checkbox"
                    checked={accepted.includes(r.field)}
                    onChange={(e) => setAccepted((a) => (e.target.checked ? [...a, r.field] : a.filter((x) => x !== r.field)))}
                  />
                  {r.name}: {r.look}
                </label>
              ))}
            </fieldset>
          )}
          {!s.match.order && asks.map((r) => <AskRow key={r.field} row={r} ready={isChosen} choose={choose} />)}
          {s.match.order && !s.match.arrived && (
            <form
              className="flex items-end gap-3"
              onSubmit={(e) => {
                e.preventDefault();
                arrive();
              }}
            >
              <label className="field grow">
                <span>Code on the label that came</span>
                <input
                  className="mono"
                  value={arrivalCode}
                  onChange={(e) => setArrivalCode(e.target.value)}
                  required
                  maxLength={60}
                />
              </label>
              <button type="submit" className="btn whitespace-nowrap">
                Check in <kbd>Space</kbd>
              </button>
            </form>
          )}
          {s.match.arrived && (
            <p className="q">
              Checked in, label read {s.match.arrived.codeRead}.{" "}
              {sameCode(s.match.arrived.codeRead, cur.data.code) && (
                <Link className="link" href={`/jobs/${jobId}/plan`}>
                  Plan it
                </Link>
              )}
            </p>
          )}
        </div>
      )}
      {s.match.order && looks.length > 0 && <Looks rows={looks} />}
      {rows.length > 0 && (
        <section aria-label="Fields compared" tabIndex={0} style={{ overflowX: "auto", flex: "none" }} className="pb-3">
          <table className="cmp w-full">
            <thead>
              <tr>
                <th scope="col">Field</th>
                <th scope="col">Old</th>
                <th scope="col">{chosen && isChosen ? "New" : "Candidate"}</th>
                <th scope="col">Verdict</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <Fragment key={r.field}>
                  <tr data-v={r.verdict} data-field={r.field}>
                    <th scope="row">{r.name}</th>
                    <td>
                      <Value v={r.old} />
                    </td>
                    <td>
                      <Value v={r.candidate} />
                    </td>
                    <td title={r.reason}>
                      <span className="flex items-center gap-2">
                        <Mark kind={markOf[r.verdict]} size={18} label={MARK_WORDS[markOf[r.verdict]]} />
                        {r.words}
                      </span>
                    </td>
                  </tr>
                  {r.verdict !== "same" && (
                    <tr className="why">
                      <td colSpan={4}>
                        {r.reason}
                        {r.change && ` Needs: ${r.change.part}, ${r.change.minutes} min.`}
                      </td>
                    </tr>
                  )}
                </Fragment>
              ))}
            </tbody>
          </table>
          {!s.match.order && looks.length > 0 && (
            <div className="px-[18px] pt-3">
              <h2 className="sec flex items-center gap-2">
                <Mark kind="look" size={22} />
                Look at when it arrives
              </h2>
              <ul className="grid grid-cols-2 gap-x-5">
                {looks.map((r) => (
                  <li key={r.field} className="flex gap-2 py-1 text-[15px]">
                    <span className="open-sq mt-0.5" />
                    {r.look}
                  </li>
                ))}
              </ul>
            </div>
          )}
        </section>
      )}
    </>
  );
}

const Value = ({ v }: { v: Shown }) =>
  v.source ? (
    <>
      <span className={`mono u u-${v.source}`}>{v.text}</span>
      <abbr className="src" title={SOURCE_WORDS[v.source]}>
        {v.source}
      </abbr>
    </>
  ) : (
    <span className="q">unknown</span>
  );

function Fingerprint({ rows }: { rows: readonly FitRow[] }) {
  return (
    <svg
      width={rows.length * 9.2}
      height={12}
      viewBox={`0 0 ${rows.length * 9.2} 12`}
      role="img"
      aria-label={
        rows
          .filter((r) => r.verdict !== "same")
          .map((r) => `${r.name}: ${MARK_WORDS[markOf[r.verdict]]}`)
          .join(", ") || "all the same"
      }
    >
      {rows.map((r, i) => (
        <g key={r.field} transform={`translate(${i * 9.2} 1) scale(.375)`} className={`mk-${markOf[r.verdict]}`}>
          <MarkShape kind={markOf[r.verdict]} />
        </g>
      ))}
    </svg>
  );
}

function AskRow({ row, ready, choose }: { row: FitRow; ready: boolean; choose: () => unknown }) {
  const { log, view } = useBench();
  const [by, setBy] = useState("");
  const given = view.state.match.asked[row.field];
  const answer = (a: "accepted" | "refused") => {
    if (!by.trim()) return log.refuse({ gate: "ask", reason: "Write who answered first." });
    if (!ready) choose();
    log.record({ type: "match.asked", payload: { field: row.field, answer: a, by: by.trim() } });
  };
  return (
    <div className="look flex-wrap items-end">
      <p className="grow">
        <Mark kind="ask" size={22} /> <b>Ask the customer:</b> {row.name.toLowerCase()} {row.words}.{" "}
        {given && ready && (
          <b>
            {given.answer === "accepted" ? "Accepted" : "Refused"} by {given.by}.
          </b>
        )}
      </p>
      <label className="field" style={{ width: 170 }}>
        <span>Who answered</span>
        <input value={by} maxLength={80} onChange={(e) => setBy(e.target.value)} />
      </label>
      <button type="button" className="btn" onClick={() => answer("accepted")}>
        Accepts
      </button>
      <button type="button" className="btn" onClick={() => answer("refused")}>
        Refuses
      </button>
    </div>
  );
}

/** The part in hand, field by field: agrees or differs, by what means. What is settled shrinks to a line. */
function Looks({ rows }: { rows: readonly FitRow[] }) {
  const { view } = useBench();
  const looks = view.state.match.looks;
  const open = rows.filter((r) => !looks[r.field]);
  const done = rows.filter((r) => looks[r.field]);
  return (
    <div className="border-b-[1.5px] border-ink px-[18px] py-2.5">
      {open.length > 0 && (
        <>
          <h2 className="sec flex items-center gap-2">
            <Mark kind="look" size={22} />
            Look at the part in hand
          </h2>
          <ul className="rows">
            {open.map((r) => (
              <LookRow key={r.field} row={r} />
            ))}
          </ul>
        </>
      )}
      {done.length > 0 && (
        <details open={open.length === 0 && done.some((r) => looks[r.field]!.result === "differs")}>
          <summary className="flex min-h-11 cursor-pointer items-center gap-2 text-[16px]">
            <Mark kind={done.some((r) => looks[r.field]!.result === "differs") ? "stop" : "same"} size={18} />
            <b>{done.length === 1 ? "1 look settled" : `${done.length} looks settled`}</b>
            <span className="q">
              {listed(done.map((r) => `${r.name.split(",")[0]!.toLowerCase()} ${looks[r.field]!.result}`))}
            </span>
          </summary>
          <ul className="rows">
            {done.map((r) => (
              <LookRow key={r.field} row={r} />
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

function LookRow({ row }: { row: FitRow }) {
  const { log, view } = useBench();
  const byEye = !NOT_BY_EYE.includes(row.field);
  const [source, setSource] = useState<"M" | "L" | "D">(byEye ? "M" : "D");
  const [note, setNote] = useState("");
  const given = view.state.match.looks[row.field];
  const look = (result: "agrees" | "differs") =>
    log.record({ type: "match.looked", payload: { field: row.field, result, source, note: note.trim() } });
  return (
    <li style={{ alignItems: "center", flexWrap: "wrap" }}>
      <span className="grow">
        {row.look}
        {given && (
          <b className="block text-[15px]">
            {given.result}, {SOURCE_WORDS[given.source]}
            {given.note && `: ${given.note}`}
          </b>
        )}
      </span>
      {!byEye && (
        <label className="field" style={{ width: 190 }}>
          <span className="vh">{row.name}: which document says so</span>
          <input value={note} maxLength={200} placeholder="Which document says so" onChange={(e) => setNote(e.target.value)} />
        </label>
      )}
      <label className="flex items-center gap-2 text-[15px]">
        <span className="vh">{row.name}: settled by</span>
        <select value={source} style={{ width: 124 }} onChange={(e) => setSource(e.target.value as "M" | "L" | "D")}>
          {byEye && <option value="M">by eye</option>}
          <option value="L">label</option>
          <option value="D">datasheet</option>
        </select>
      </label>
      <button type="button" className="btn quiet" aria-label={`${row.name}: agrees`} onClick={() => look("agrees")}>
        Agrees
      </button>
      <button type="button" className="btn quiet" aria-label={`${row.name}: differs`} onClick={() => look("differs")}>
        Differs
      </button>
    </li>
  );
}
