"use client";
import { useMemo, useState } from "react";
import { send } from "@/client/send";
import { OFFER_COLUMNS, type OfferColumn, readAmount, readOffersText, type TypedOffer } from "@/core/catalogue";
import { counted, formatMoney, listed, readNumber } from "@/core/quantity";
import type { OffersKept } from "@/wire/sellers";
import { Choose } from "../controls/Choose";
import { SaidBox } from "../controls/SaidBox";
import { useSaid } from "../controls/useSaid";

const CONDITIONS = ["new", "pulled", "refurbished", "used"] as const;
const COLUMN_WORDS: Readonly<Record<OfferColumn, string>> = {
  code: "part code",
  price: "price",
  currency: "currency",
  seller: "seller",
  condition: "condition",
  days: "days",
  stock: "in stock",
  other: "not used",
};

/** An offer in three fields, or a page of them pasted in: any code, any seller, known or not. */
export function OfferByHand({
  code = "",
  currency,
  sellers,
  onKept,
  open = false,
}: {
  code?: string;
  currency: string;
  sellers: readonly string[];
  onKept: (kept: OffersKept) => void;
  open?: boolean;
}) {
  const [f, set] = useState({ code, price: "", seller: "", condition: "new" as TypedOffer["condition"], days: "5" });
  /** Onto what the form holds at that moment: two fields told at once keep both. */
  const put = (part: Partial<typeof f>) => set((was) => ({ ...was, ...part }));
  const [pasted, setPasted] = useState("");
  const [columns, setColumns] = useState<OfferColumn[] | null>(null);
  const { said, setSaid } = useSaid();
  const [busy, setBusy] = useState(false);
  const days = Math.min(365, Math.max(0, Math.round(readNumber(f.days) ?? 0)));
  const read = useMemo(
    () =>
      pasted.trim() ? readOffersText(pasted, { seller: f.seller.trim(), currency, days, condition: f.condition }, columns) : null,
    [pasted, columns, f.seller, f.condition, days, currency],
  );
  const nameless = read?.offers.filter((o) => !o.seller).length ?? 0;
  const keep = async (offers: Omit<TypedOffer, "line">[]) => {
    setBusy(true);
    const r = await send<OffersKept>("PUT", "/api/offers", { offers });
    setBusy(false);
    if (!r.ok) return setSaid(r.said);
    const more = [
      r.body.newPanels.length ? `${listed(r.body.newPanels)} recorded, everything about it unknown yet` : "",
      r.body.newSellers.length ? `${listed(r.body.newSellers)} has no record here yet` : "",
    ].filter(Boolean);
    setSaid({ ok: true, words: `${counted(r.body.offers, "offer")} kept. ${more.join(". ")}${more.length ? "." : ""}` });
    setPasted("");
    put({ price: "" });
    onKept(r.body);
  };
  const one = () => {
    const priceMinor = readAmount(f.price);
    if (!f.code.trim()) return setSaid({ ok: false, words: "Part code: write it as the offer has it." });
    if (priceMinor === null)
      return setSaid({ ok: false, words: `Price: "${f.price}" is not an amount. Write it as 84.20 or 84,20.` });
    if (!f.seller.trim()) return setSaid({ ok: false, words: "Seller: write who offers it." });
    void keep([{ code: f.code.trim(), seller: f.seller.trim(), condition: f.condition, priceMinor, currency, days }]);
  };
  return (
    <details className="byhand" open={open}>
      <summary className="btn quiet">Write down an offer</summary>
      <form
        className="flex flex-col gap-3 pt-3"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          one();
        }}
      >
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          <label className="field">
            <span>Part code</span>
            <input
              className="mono"
              value={f.code}
              maxLength={40}
              autoComplete="off"
              onChange={(e) => put({ code: e.target.value })}
            />
          </label>
          <label className="field">
            <span>Price, {currency}</span>
            <input
              value={f.price}
              inputMode="decimal"
              maxLength={20}
              autoComplete="off"
              onChange={(e) => put({ price: e.target.value })}
            />
          </label>
          <label className="field">
            <span>Seller</span>
            <input
              value={f.seller}
              maxLength={60}
              list="known-sellers"
              autoComplete="off"
              onChange={(e) => put({ seller: e.target.value })}
            />
            <datalist id="known-sellers">
              {sellers.map((s) => (
                <option key={s} value={s} />
              ))}
            </datalist>
          </label>
          <label className="field">
            <span>Condition</span>
            <Choose
              value={f.condition}
              options={CONDITIONS.map((c) => [c, c])}
              onValue={(condition) => set({ ...f, condition })}
            />
          </label>
          <label className="field">
            <span>Days until it comes</span>
            <input value={f.days} inputMode="numeric" maxLength={3} onChange={(e) => put({ days: e.target.value })} />
          </label>
          <div className="field justify-end">
            <button type="submit" className="btn" disabled={busy}>
              Keep this offer
            </button>
          </div>
        </div>
        <label className="field">
          <span>Or paste a page or a table of offers</span>
          <textarea
            className="mono"
            rows={3}
            value={pasted}
            spellCheck={false}
            onChange={(e) => {
              setPasted(e.target.value);
              setColumns(null);
            }}
          />
          <span className="hint">What a line does not say is taken from the fields above.</span>
        </label>
        {read && (
          <>
            {read.columns.length > 0 && (
              <p className="flex flex-wrap gap-3">
                {read.columns.map((c, i) => (
                  <label key={i} className="field">
                    <span>
                      Column {i + 1}
                      {read.headings?.[i] ? `, “${read.headings[i]}”` : ""}
                    </span>
                    <Choose
                      value={c}
                      options={OFFER_COLUMNS.map((o) => [o, COLUMN_WORDS[o]])}
                      onValue={(v) => setColumns(read.columns.map((x, k) => (k === i ? v : x)))}
                    />
                  </label>
                ))}
              </p>
            )}
            <ul className="rows" aria-label="Offers read">
              {read.offers.slice(0, 8).map((o) => (
                <li key={o.line}>
                  <span className="mono grow">{o.code}</span>
                  <span>{o.seller || "no seller"}</span>
                  <em>
                    {o.condition}, {formatMoney(o.priceMinor, o.currency)}, {counted(o.days, "day")}
                  </em>
                </li>
              ))}
              {read.offers.length > 8 && <li>and {read.offers.length - 8} more</li>}
            </ul>
            {read.problems.length > 0 && (
              <ul className="list-disc pl-5" aria-label="Lines not read">
                {read.problems.slice(0, 5).map((p) => (
                  <li key={p.line}>
                    Line {p.line}: {p.message}
                  </li>
                ))}
                {read.problems.length > 5 && <li>and {read.problems.length - 5} more lines not read</li>}
              </ul>
            )}
            {nameless > 0 && <p className="hint">{nameless} of them name no seller: write one above.</p>}
            <button
              type="button"
              className="btn self-start"
              disabled={busy || read.offers.length === 0 || nameless > 0}
              onClick={() => void keep(read.offers.map(({ line, ...o }) => o))}
            >
              Keep {counted(read.offers.length, "offer")}
            </button>
          </>
        )}
        <SaidBox said={said} />
      </form>
    </details>
  );
}
