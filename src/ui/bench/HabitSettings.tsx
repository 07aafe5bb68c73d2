"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { send } from "@/client/send";
import { DATE_ORDERS, type DateOrder, LENGTHS, type Lengths, writeWhen } from "@/core/quantity";
import type { Habits } from "@/wire/habits";
import { Choose } from "../controls/Choose";
import { SaidBox } from "../controls/SaidBox";
import { useSaid } from "../controls/useSaid";

const WORDS: Readonly<Record<DateOrder, string>> = { dmy: "day, month, year", mdy: "month, day, year", ymd: "year, month, day" };

const LENGTH_WORDS: Readonly<Record<Lengths, string>> = { mm: "mm", mmInch: "mm, inches beside" };
const FIRST: [string, string][] = [
  ["0", "Monday"],
  ["5", "Saturday"],
  ["6", "Sunday"],
];

/** How the shop is called, and how it writes dates, weeks and lengths. */
export function HabitSettings({ habits, nowMs }: { habits: Habits; nowMs: number }) {
  const router = useRouter();
  const [f, set] = useState({
    shopName: habits.shopName,
    dateOrder: habits.dateOrder,
    lengths: habits.lengths,
    weekStart: habits.weekStart,
  });
  const { said, setSaid } = useSaid();
  const save = async () => {
    const r = await send("PUT", "/api/habits", f);
    if (!r.ok) return setSaid(r.said);
    document.documentElement.dataset.dateOrder = f.dateOrder;
    document.documentElement.dataset.lengths = f.lengths;
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
        <label className="field">
          <span>Lengths</span>
          <Choose
            value={f.lengths}
            options={LENGTHS.map((o) => [o, LENGTH_WORDS[o]])}
            onValue={(lengths) => set({ ...f, lengths })}
          />
          <span className="hint">Typed, both are read: 12.7, 0.5 in, 13 15/16 in.</span>
        </label>
        <label className="field">
          <span>A week begins on</span>
          <Choose value={String(f.weekStart)} options={FIRST} onValue={(day) => set({ ...f, weekStart: Number(day) })} />
        </label>
      </div>
      <SaidBox said={said} />
      <button type="submit" className="btn self-start">
        Keep these
      </button>
    </form>
  );
}
