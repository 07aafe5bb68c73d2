"use client";
import { useEffect, useRef, useState } from "react";
import { arrivalStatus, candidateOf, fitOf, mayOrder, oldPanelOf } from "@/core/job";
import { counted, formatMoney } from "@/core/quantity";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { StationLink } from "../job/StationLink";
import { RefusalBox } from "../station/RefusalBox";
import { AcceptUnknowns } from "./AcceptUnknowns";
import { ArrivalCheck } from "./ArrivalCheck";
import { AskRow } from "./AskRow";
import { CandidateTable } from "./CandidateTable";
import { ChooseOnly } from "./ChooseOnly";
import { Compared } from "./Compared";
import { Looks } from "./Looks";
import { NeededParts, neededLines } from "./NeededParts";
import { OfferHere } from "./OfferHere";
import { overallMark } from "./parts";
import { ReturnForm, ReturnList } from "./Returns";
import { Sellers } from "./Sellers";
import { type Candidate, type ListedOffer, offerKey, useCandidates } from "./useCandidates";

const tenth = (n: number) => Math.round(n * 10) / 10;

/** Candidates against the old panel and the machine, field by field; then the order, and what came of it. */
export function MatchStation() {
  const { log, reference, view, build, setKeys, nowMs, show } = useBench();
  const [picked, setPicked] = useState<string | null>(null);
  const [accepted, setAccepted] = useState<readonly string[]>([]);
  const [seller, setSeller] = useState<string | null>(null);
  const [have, setHave] = useState<readonly string[]>([]);
  const [arrivalCode, setArrivalCode] = useState("");
  const [at, setAt] = useState<string | null>(null);
  const [side, setSide] = useState(false);
  const s = view.state;
  const { order, arrived } = s.match;
  const old = oldPanelOf(view);
  const candidates = useCandidates(old);
  const chosen = s.match.chosen?.panelHash;
  const shownId = order ? chosen : (picked ?? chosen ?? candidates[0]?.hash);
  const listedCur = candidates.find((c) => c.hash === shownId);
  const isChosen = shownId !== undefined && shownId === chosen;
  // What was ordered is on record even when nobody offers it any more.
  const panel = listedCur?.data ?? (isChosen ? candidateOf(view) : null);
  const settled = isChosen ? fitOf(view) : null;
  const rows = settled?.rows ?? listedCur?.rows ?? [];
  const overall = settled?.overall ?? listedCur?.overall;
  const offerOf = (c: Candidate): ListedOffer =>
    (c.hash === shownId && c.offers.find((o) => offerKey(o) === seller)) || c.offers[0]!;
  const cur = listedCur ? offerOf(listedCur) : null;
  const needed = neededLines(rows);
  const lines = needed.filter((l) => !have.includes(l.what));
  const total = (cur?.priceMinor ?? 0) + lines.reduce((n, l) => n + l.priceMinor * l.count, 0);

  const shownRows = useRef(rows);
  shownRows.current = rows;
  useEffect(() => {
    show({ panel: panel ?? null, field: at, rows: shownRows.current });
  }, [show, panel, at]);
  useEffect(() => () => show(null), [show]);

  const pick = (n: number) => {
    const c = candidates[n];
    if (!c || order) return;
    setPicked(c.hash);
    setAccepted([]);
    setSeller(null);
    setHave([]);
  };
  const choose = () =>
    listedCur &&
    log.record({
      type: "match.chosen",
      payload: { panelHash: listedCur.hash, code: listedCur.data.code, buildHash: build?.hash ?? null },
    });
  const buy = () => {
    if (!listedCur || !cur) return;
    if (cur.stock === 0)
      return log.refuse({ gate: "order", reason: `${cur.seller} has none in stock. Pick another seller, or ask them anew.` });
    if (!isChosen && !choose()) return;
    const terms = reference.sellers[cur.seller]?.terms;
    const done = log.record({
      type: "match.ordered",
      payload: {
        panelHash: listedCur.hash,
        seller: cur.seller,
        priceMinor: cur.priceMinor,
        currency: cur.currency,
        dueDays: cur.days,
        acceptedUnknowns: [...accepted],
        confirmed: true,
        days: { p50: tenth(cur.lead.p50Days), p80: tenth(cur.lead.p80Days), orders: cur.lead.orders },
        lines,
        ...(terms
          ? {
              guarantee: {
                days: terms.guaranteeDays,
                excludes: terms.excludes,
                filmsOffEndsReturn: terms.filmsOffEndsReturn,
              },
            }
          : {}),
      },
    });
    if (!done) return;
    setArrivalCode("");
    setAt(null);
  };
  const arrive = () => {
    if (arrivalCode.trim()) log.record({ type: "match.arrived", payload: { codeRead: arrivalCode.trim() } });
  };
  const differing = rows.filter((r) => r.verdict !== "same").map((r) => r.field);
  const walk = (dir: "up" | "down" | "left" | "right") => {
    if (dir === "left" || dir === "right") {
      const i = candidates.findIndex((c) => c.hash === shownId);
      pick((i + (dir === "right" ? 1 : -1) + candidates.length) % Math.max(1, candidates.length));
    } else if (differing.length) {
      const i = at === null ? -1 : differing.indexOf(at);
      const next = dir === "down" ? i + 1 : i < 0 ? differing.length - 1 : i - 1;
      setAt(differing[next] ?? null);
    }
  };
  setKeys({
    arrow: walk,
    keys: { v: () => setSide((x) => !x) },
    ...(order && !arrived
      ? { space: arrive, scan: (t: string) => setArrivalCode(t) }
      : { enterHeld: order ? () => undefined : buy }),
  });
  if (!old)
    return (
      <div className="flex flex-col gap-4 p-7">
        <h1 className="step">Identify the old panel</h1>
        <div className="empty">
          <b>Nothing to compare with yet.</b> Candidates show here once the old panel is named.{" "}
          <StationLink className="link" to="identify">
            Identify it
          </StationLink>
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
  const check = arrivalStatus(s);
  return (
    <>
      {candidates.length === 0 ? (
        <div className="empty m-5">
          <h1 className="text-[24px] leading-[28px] font-[740]">No candidate of this size is on offer.</h1> {old.code},{" "}
          {old.diagonalIn.value ? `${old.diagonalIn.value} inch` : "size not known"}. Write down the first offer below, of the
          same code or of another.
        </div>
      ) : (
        <CandidateTable
          candidates={candidates}
          shown={{ hash: shownId, rows, overall }}
          locked={!!order}
          came={!!arrived}
          offerOf={offerOf}
          nowMs={nowMs}
          promiseAt={s.job?.promiseAt ?? null}
          onPick={pick}
        />
      )}
      {overall && panel && (
        <div className="flex flex-col gap-2 border-y-[1.5px] border-ink px-[18px] py-2.5">
          <div className="flex items-center justify-between gap-4">
            <h1 className="text-[24px] leading-[28px] font-[740]">
              <Mark kind={overallMark(overall)} size={28} /> {overall.words}
            </h1>
            {!order && overall.kind !== "stop" && cur && (
              <div style={{ width: 322, flex: "none" }}>
                <Plate
                  small
                  hold
                  keyCap="Enter"
                  line1={`Order, ${formatMoney(total, cur.currency)}`}
                  line2={lines.length ? `${cur.seller}, with ${counted(lines.length, "part")}` : cur.seller}
                  onAct={buy}
                />
              </div>
            )}
          </div>
          <RefusalBox />
          {shut && !order && <p className="q">{shut.reason}</p>}
          {!order && overall.kind !== "stop" && cur && <ChooseOnly chosen={isChosen} shut={shut !== null} onChoose={choose} />}
          {!order && overall.kind !== "stop" && destroying.length > 0 && (
            <AcceptUnknowns rows={destroying} accepted={accepted} onAccept={setAccepted} />
          )}
          {!order && asks.map((r) => <AskRow key={r.field} row={r} ready={isChosen} choose={choose} />)}
          {!order && !side && overall.kind !== "stop" && listedCur && cur && (
            <>
              <Sellers offers={listedCur.offers} offer={cur} onOffer={setSeller} />
              {needed.length > 0 && <NeededParts needed={needed} have={have} currency={cur.currency} onHave={setHave} />}
            </>
          )}
          {order && (
            <p className="q">
              Ordered from {order.seller}, {formatMoney(order.priceMinor, order.currency)}
              {order.line && `, line ${order.line} of the shop's order`}
              {order.lines?.map((l) => `, ${l.what} ${formatMoney(l.priceMinor * l.count, order.currency)}`).join("")}.{" "}
              {order.days &&
                !arrived &&
                `Likely in ${order.days.p50} ${order.days.p50 === 1 ? "day" : "days"}, ${order.days.p80} in the bad case. `}
              {arrived && `Checked in, label read ${arrived.codeRead}. `}
              {arrived && check.open.length === 0 && check.wrong.length === 0 && (
                <StationLink className="link" to="plan">
                  Plan it
                </StationLink>
              )}
            </p>
          )}
        </div>
      )}
      {!order && <OfferHere code={old.code} open={candidates.length === 0} />}
      <ReturnList />
      {order && panel && (
        <>
          {check.wrong.length > 0 && <ReturnForm />}
          <ArrivalCheck panel={panel} code={arrivalCode} onCode={setArrivalCode} onArrive={arrive} />
          {looks.length > 0 && <Looks rows={looks} />}
        </>
      )}
      {rows.length > 0 && (
        <Compared
          rows={rows}
          candidates={candidates}
          shown={shownId}
          at={at}
          side={side}
          isNew={isChosen}
          looks={order ? [] : looks}
          onSide={() => setSide((x) => !x)}
          onAt={setAt}
          onPick={(h) => pick(candidates.findIndex((c) => c.hash === h))}
        />
      )}
      {order && check.wrong.length === 0 && <ReturnForm />}
    </>
  );
}
