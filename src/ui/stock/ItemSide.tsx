"use client";
import { useState } from "react";
import type { Act } from "@/core/job";
import { readNumber } from "@/core/quantity";
import type { ShelfItem, StockLot } from "@/core/stock";
import type { StockPageData } from "@/wire/stock";
import { NumberField } from "../controls/NumberField";
import { DonorGives } from "./DonorGives";
import type { StockHandle } from "./useStock";
import { amount, itemWords, STATE_WORDS, TEST_WORDS } from "./words";

/** What is done with a lot. */
export type LotAct = "count" | "use" | "scrap" | "move";
const ASKS: Record<LotAct, { button: string; title: string; key?: string }> = {
  count: { button: "Count it", title: "How much lies there now?", key: "K" },
  use: { button: "Used, by hand", title: "How much was used?", key: "U" },
  scrap: { button: "Thrown away", title: "How much goes, and why?" },
  move: { button: "Moved", title: "Where does it lie now?" },
};

/** One thing of the shelf: whom it is kept for, its lots, and what a hand does with each. */
export function ItemSide({
  item,
  stock,
  act,
  onAct,
  onClose,
  salvage,
  currency,
}: {
  item: ShelfItem;
  salvage: StockPageData["salvage"];
  currency: string;
  stock: StockHandle;
  /** The lot and act asked for, or null. */
  act: { lot: string; is: LotAct } | null;
  onAct: (a: { lot: string; is: LotAct } | null) => void;
  onClose: () => void;
}) {
  const { log } = stock;
  return (
    <section aria-label={itemWords(item.item)} data-side="item">
      <h2 className="big">{itemWords(item.item)}</h2>
      <p>
        {amount(item.item, item.onHand)} here, {amount(item.item, item.kept)} kept, {amount(item.item, item.free)} free
        {item.short > 0 && (
          <>
            , <b>{amount(item.item, item.short)} short</b>
          </>
        )}
        .
      </p>
      {item.keptFor.length > 0 && (
        <p className="q">
          Asked for by {item.keptFor.map((k) => `${k.job} (${amount(item.item, k.count)})`).join(", ")}. What a job uses is taken
          off by the job itself.
        </p>
      )}
      <ul>
        {item.lots.map((l, k) => (
          <li key={l.lot} style={{ display: "block" }} data-lot={l.lot}>
            <div className="flex items-baseline gap-2">
              <b className="mono grow break-all">{l.lot}</b>
              <span className="mono">{amount(l.item, l.left)}</span>
            </div>
            <span>
              {l.place || "place not said"}
              {item.kind === "panel" || item.kind === "donor" ? `, ${STATE_WORDS[l.state] ?? l.state}` : ""}
              {l.test ? `, ${TEST_WORDS[l.test]}` : ""}
              {l.expires ? `, good until ${l.expires.slice(0, 10)}` : ""}
              {k === 0 && item.lots.length > 1 ? ", goes first" : ""}
            </span>
            {act?.lot === l.lot ? (
              <LotForm lot={l} is={act.is} stock={stock} onDone={() => onAct(null)} />
            ) : (
              <div className="flex flex-wrap gap-2 mt-1">
                {(["count", "use", "scrap", "move"] as const).map((is) => (
                  <button key={is} type="button" className="btn" onClick={() => onAct({ lot: l.lot, is })}>
                    {ASKS[is].button}
                    {ASKS[is].key && k === 0 && <kbd>{ASKS[is].key}</kbd>}
                  </button>
                ))}
              </div>
            )}
            {salvage[l.lot] && <DonorGives donor={l} rows={salvage[l.lot]!} currency={currency} stock={stock} />}
          </li>
        ))}
      </ul>
      {item.lots.length === 0 && <p className="q">Nothing lies here.</p>}
      {log.refusal && (
        <p className="wrong" role="alert">
          {log.refusal.reason}
        </p>
      )}
      <button type="button" className="btn quiet mt-2" onClick={onClose}>
        Back to what to buy <kbd>Esc</kbd>
      </button>
    </section>
  );
}

function LotForm({ lot, is, stock, onDone }: { lot: StockLot; is: LotAct; stock: StockHandle; onDone: () => void }) {
  const tape = lot.item.startsWith("tape/");
  const [n, setN] = useState("");
  const [words, setWords] = useState(is === "move" ? lot.place : "");
  const [wrong, setWrong] = useState("");
  const save = () => {
    const typed = readNumber(n);
    const least = is === "count" ? 0 : tape ? 0.001 : 1;
    if (is !== "move" && (typed === null || typed < least || (!tape && !Number.isInteger(typed))))
      return setWrong(tape ? "Metres, as 3.2." : "A whole number of pieces.");
    if (is === "scrap" && !words.trim()) return setWrong("Why does it go?");
    const count = Math.round((typed ?? 0) * (tape ? 1000 : 1));
    const why = words.trim() ? { why: words.trim() } : {};
    const acts: Record<LotAct, Act> = {
      count: { type: "stock.counted", payload: { lot: lot.lot, item: lot.item, count, ...why } },
      use: { type: "stock.used", payload: { item: lot.item, lot: lot.lot, count } },
      scrap: { type: "stock.scrapped", payload: { item: lot.item, lot: lot.lot, count, why: words.trim() } },
      move: { type: "stock.moved", payload: { lot: lot.lot, place: words.trim() } },
    };
    if (stock.log.record(acts[is])) onDone();
  };
  return (
    <form
      className="flex flex-col gap-2 mt-2"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <b>{ASKS[is].title}</b>
      {is !== "move" && (
        <NumberField
          label={tape ? "Metres" : "Pieces"}
          value={n}
          onText={setN}
          min={is === "count" ? 0 : tape ? 0.001 : 1}
          max={1_000_000}
        />
      )}
      {is !== "use" && (
        <label className="field">
          <span>{is === "move" ? "Place" : is === "scrap" ? "Why" : "What explains it, if anything"}</span>
          <input
            value={words}
            maxLength={is === "move" ? 80 : 200}
            autoComplete="off"
            onChange={(e) => setWords(e.target.value)}
          />
        </label>
      )}
      {wrong && (
        <p className="wrong" role="alert">
          {wrong}
        </p>
      )}
      <div className="flex gap-2">
        <button type="submit" className="btn">
          Record
        </button>
        <button type="button" className="btn quiet" onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  );
}
