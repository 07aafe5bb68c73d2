"use client";
import { addDays, format } from "date-fns";
import { RadioGroup } from "radix-ui";
import { useState } from "react";
import { OWN_SHELF } from "@/core/job";
import { counted, formatMoney } from "@/core/quantity";
import type { OffersReply } from "@/wire/sellers";
import { SaidBox } from "../controls/SaidBox";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { PromiseHint } from "../job/PromiseHint";
import { STATE_WORDS, TEST_WORDS } from "../stock/words";
import { HereWords, hereBy, stockWords } from "./parts";
import { type ListedOffer, offerKey } from "./useCandidates";

/** Asks every seller anew; keeps what each answered. */
export function useAskSellers() {
  const { renew } = useBench();
  const [state, setState] = useState<{ busy: boolean; answers: OffersReply["answers"]; problem: string | null }>({
    busy: false,
    answers: [],
    problem: null,
  });
  const ask = async () => {
    setState((s) => ({ ...s, busy: true, problem: null }));
    const res = await fetch("/api/offers", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    }).catch(() => null);
    const body = (await res?.json().catch(() => null)) as (OffersReply & { problem?: string }) | null;
    if (!res?.ok || !body)
      return setState((s) => ({ ...s, busy: false, problem: body?.problem ?? "The server was not reached. Old prices stand." }));
    setState({ busy: false, answers: body.answers, problem: null });
    renew();
  };
  return { ...state, ask };
}

const asOfWords = (iso: string | null | undefined) => (iso ? format(new Date(iso), "EEE d MMM HH:mm") : null);

/** Whom to order it from: price, stock, days as the shop's record has them, what went back, and what the seller promises. */
export function Sellers({
  offers,
  offer,
  onOffer,
}: {
  offers: readonly ListedOffer[];
  offer: ListedOffer;
  onOffer: (key: string) => void;
}) {
  const { jobId, log, reference, nowMs, view } = useBench();
  const sellers = useAskSellers();
  const promiseAt = view.state.job?.promiseAt ?? null;
  const from = asOfWords(offer.asOf);
  const terms = reference.sellers[offer.seller]?.terms ?? null;
  const silent = sellers.answers.filter((a) => !a.ok);
  const bad = sellers.answers.flatMap((a) => a.problems.map((p) => ({ seller: a.seller, p })));
  return (
    <div className="flex flex-col gap-1.5 text-[15px] leading-[20px]">
      <RadioGroup.Root asChild value={offerKey(offer)} onValueChange={onOffer} aria-label="Seller">
        <ul className="sellers">
          {offers.map((o) => {
            const record = reference.sellers[o.seller]?.record;
            return (
              <li key={offerKey(o)} data-on={o === offer}>
                <label>
                  <RadioGroup.Item className="radio" value={offerKey(o)}>
                    <RadioGroup.Indicator className="dot" />
                  </RadioGroup.Item>
                  <span className="grow">
                    <b>{o.seller}</b>, {o.condition}, {stockWords(o.stock)}
                    <span className="block text-[14px] text-ink-2">
                      {o.shelf
                        ? `${o.shelf.lot}${o.shelf.place ? `, ${o.shelf.place}` : ""}; ${STATE_WORDS[o.shelf.state] ?? o.shelf.state}, ${TEST_WORDS[o.shelf.test ?? "notTested"]}`
                        : record?.orders
                          ? `${record.returned} of ${counted(record.orders, "order")} went back${record.reasons[0] ? `, most often ${RETURN_WORDS[record.reasons[0].reason] ?? record.reasons[0].reason}` : ""}`
                          : "no order of ours yet"}
                    </span>
                  </span>
                  <span className="text-right">
                    <HereWords here={hereBy(nowMs, o.lead, promiseAt)} />
                    <span className="block text-[14px] font-normal text-ink-2">
                      {o.seller === OWN_SHELF
                        ? "lies here"
                        : o.lead.orders
                          ? `P50 to P80, ${counted(o.lead.orders, "order")}`
                          : `says ${o.days} d, default spread (A)`}
                    </span>
                  </span>
                  <b className="mono">{formatMoney(o.priceMinor, o.currency)}</b>
                </label>
              </li>
            );
          })}
        </ul>
      </RadioGroup.Root>
      {terms ? (
        <p>
          <b>
            Guarantee {counted(terms.guaranteeDays, "day")} from arrival, until about{" "}
            {format(addDays(nowMs, o50(offer) + terms.guaranteeDays), "d MMM yyyy")}.
          </b>{" "}
          Not: {terms.excludes}. Goes back within {counted(terms.returnDays, "day")}
          {terms.filmsOffEndsReturn ? (
            <>
              , <b>only with its films on</b>.
            </>
          ) : (
            ", films on or off."
          )}
        </p>
      ) : (
        <p>
          <Mark kind="look" size={16} />{" "}
          {offer.seller === OWN_SHELF
            ? "It lies in your own stock: what it was kept as, and whose guarantee still runs, stands there. The price is what it cost."
            : `${offer.seller} has said nothing of guarantee or returns. Ask before ordering.`}
        </p>
      )}
      <PromiseHint
        jobId={jobId}
        lead={offer.lead}
        onTake={(ms) => log.record({ type: "job.promised", payload: { promiseAt: new Date(ms).toISOString() } })}
      />
      <div className="flex items-center gap-3">
        <button
          type="button"
          className="btn quiet"
          disabled={sellers.busy}
          onClick={() => {
            // Cheaper news must not move the order to another seller unseen.
            onOffer(offerKey(offer));
            void sellers.ask();
          }}
        >
          {sellers.busy ? "Asking the sellers" : "Ask the sellers"}
        </button>
        <span className="q">{from ? `Prices are from ${from}.` : "Prices are from a file."}</span>
      </div>
      <SaidBox said={sellers.problem ? { ok: false, words: sellers.problem } : null} />
      {(silent.length > 0 || bad.length > 0) && (
        <div className="look" role="status" aria-label="What the sellers answered">
          <Mark kind="look" size={22} />
          <ul>
            {silent.map((a) => (
              <li key={a.seller}>
                {a.words} Its prices are from {asOfWords(a.asOf) ?? "a file"}.
              </li>
            ))}
            {bad.slice(0, 4).map((b, i) => (
              <li key={i}>
                {b.seller}: {b.p}
              </li>
            ))}
            {bad.length > 4 && <li>and {bad.length - 4} more rows that could not be read</li>}
          </ul>
        </div>
      )}
      {sellers.answers.length > 0 && silent.length === 0 && bad.length === 0 && (
        <p role="status" className="q">
          {sellers.answers.map((a) => `${a.seller}: ${a.words}`).join(". ")}.
        </p>
      )}
    </div>
  );
}

const o50 = (o: ListedOffer) => o.lead.p50Days;

export const RETURN_WORDS: Record<string, string> = {
  wrongPart: "wrong part",
  cracked: "cracked",
  incomplete: "something missing",
  notAsDescribed: "not as described",
  deadOnTest: "dead on test",
  neverCame: "never came",
  other: "other",
};
