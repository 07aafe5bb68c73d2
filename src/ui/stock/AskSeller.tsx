"use client";
import { useState } from "react";
import { send } from "@/client/send";
import { answerTrouble, type OrderAnswer } from "@/core/catalogue";
import type { ShopOrder } from "@/core/job";
import { counted } from "@/core/quantity";
import { Mark } from "../draw/Mark";
import type { StockHandle } from "./useStock";

/** Asks the seller after an order, holds what he says against what was ordered, and records it only when somebody says so. */
export function AskSeller({ id, order, log }: { id: string; order: ShopOrder; log: StockHandle["log"] }) {
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const [said, setSaid] = useState<OrderAnswer | null>(null);
  const ask = async () => {
    setBusy(true);
    const r = await send<OrderAnswer>("POST", "/api/feed", { order: id });
    setBusy(false);
    setWrong(r.ok ? null : r.said.words);
    setSaid(r.ok ? r.body : null);
  };
  const trouble = said ? answerTrouble(said) : [];
  // What is another code is not on its way: it does not count as sent.
  const good = said?.lines.filter((l) => l.sends > 0 && !l.wrong) ?? [];
  const keep = () => {
    if (!said) return;
    const inDays = good.length ? Math.max(...good.map((l) => l.inDays)) : undefined;
    const done = log.record({
      type: "stock.orderMoved",
      payload: {
        order: id,
        is: said.is,
        note: trouble.join(" ").slice(0, 200),
        ...(inDays === undefined ? {} : { inDays }),
      },
    });
    if (done) setSaid(null);
  };
  return (
    <div className="flex flex-col gap-2">
      <div className="flex flex-wrap items-center gap-x-4">
        <button type="button" className="link min-h-9" disabled={busy} onClick={() => void ask()}>
          {busy ? `${order.seller} is asked …` : `Ask ${order.seller}`}
        </button>
        {order.is === "placed" && (
          <button
            type="button"
            className="link min-h-9"
            onClick={() => log.record({ type: "stock.orderMoved", payload: { order: id, is: "shipped", note: "" } })}
          >
            {order.seller} says it is sent
          </button>
        )}
      </div>
      {wrong && (
        <p className="wrong" role="alert">
          {wrong} The order stands as it was.
        </p>
      )}
      {said && (
        <div className={trouble.length ? "caut" : "look"} role="status">
          <Mark kind={trouble.length ? "change" : "same"} size={26} label={trouble.length ? "Not as ordered" : "As ordered"} />
          <div className="flex flex-col gap-1">
            <b>
              {order.seller}: {said.is === "shipped" ? "sent" : "confirmed"}
              {said.inDays === null ? ", nothing goes out." : `, here in ${counted(said.inDays, "day")}.`}
            </b>
            {trouble.map((t) => (
              <p key={t}>{t}</p>
            ))}
            {good.length > 0 && (
              <button type="button" className="btn quiet self-start" onClick={keep}>
                {trouble.length ? "Keep it with that" : "Keep it"}
              </button>
            )}
          </div>
        </div>
      )}
    </div>
  );
}
