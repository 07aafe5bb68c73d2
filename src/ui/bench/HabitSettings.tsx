"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { send } from "@/client/send";
import { DATE_ORDERS, type DateOrder, writeWhen } from "@/core/quantity";
import type { Habits } from "@/wire/habits";
import { Choose } from "../controls/Choose";
import { SaidBox } from "../controls/SaidBox";
import { useSaid } from "../controls/useSaid";

const WORDS: Readonly<Record<DateOrder, string>> = { dmy: "day, month, year", mdy: "month, day, year", ymd: "year, month, day" };

/** How the shop is called, and in which order it writes a date. */
export function HabitSettings({ habits, nowMs }: { habits: Habits; nowMs: number }) {
  const router = useRouter();
  const [f, set] = useState({ shopName: habits.shopName, dateOrder: habits.dateOrder });
  const { said, setSaid } = useSaid();
  const save = async () => {
    const r = await send("PUT", "/api/habits", f);
    if (!r.ok) return setSaid(r.said);
    document.documentElement.dataset.dateOrder = f.dateOrder;
    setSaid({ ok: true, words: "Kept." });
    router.refresh();
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <h2 className="sec">The shop</h2>
      <div className="grid gap-3 sm:grid-cols-2">
        <label className="field">
          <span>Name of the shop</span>
          <input value={f.shopName} maxLength={60} autoComplete="off" onChange={(e) => set({ ...f, shopName: e.target.value })} />
        </label>
        <label className="field">
          <span>Dates in figures</span>
          <Choose
            value={f.dateOrder}
            options={DATE_ORDERS.map((o) => [o, WORDS[o]])}
            onValue={(dateOrder) => set({ ...f, dateOrder })}
          />
          <span className="hint" suppressHydrationWarning>
            Now is {writeWhen(nowMs, f.dateOrder)}. Words are read as well: Fri 16:00, in 3 days.
          </span>
        </label>
      </div>
      <SaidBox said={said} />
      <button type="submit" className="btn self-start">
        Keep these
      </button>
    </form>
  );
}
