"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { type Said, send } from "@/client/send";
import type { ShopCosts, ShopHours } from "@/core/promise";
import { readNumber } from "@/core/quantity";
import { SaidBox } from "../controls/SaidBox";

/** Money, and shares of a year in per cent. */
const MONEY = [
  ["delayMinor", "To have a panel today instead of waiting for it, you would pay"],
  ["lateMinorPerDay", "A day later than promised costs"],
  ["callMinor", "A call to move a date"],
  ["firstMinor", "Putting a job before others"],
  ["eveningMinor", "Three evenings, or a second pair of hands"],
  ["finishMinor", "A finish that differs, asked about"],
  ["loanMinor", "A machine lent"],
] as const;
const SHARES = [
  ["carryPerYear", "Money bound in stock, % a year"],
  ["obsoletePerYear", "Panels that go out of use, % a year"],
  ["obsoleteOldPerYear", "The same, where no such machine came for a year, %"],
] as const;

/** What days, people and stock are weighed with: judgement, so the shop is asked. */
export function CostSettings({ hours, currency }: { hours: ShopHours; currency: string }) {
  const router = useRouter();
  const [f, setF] = useState<Record<string, string>>(() =>
    Object.fromEntries([
      ...MONEY.map(([k]) => [k, (hours.costs[k] / 100).toFixed(2)]),
      ...SHARES.map(([k]) => [k, String(Math.round(hours.costs[k] * 1000) / 10)]),
    ]),
  );
  const [said, setSaid] = useState<Said | null>(null);
  const save = async () => {
    const bad = [...MONEY, ...SHARES].find(([k]) => {
      const n = readNumber(f[k]!);
      return n === null || n < 0 || n > (k.endsWith("PerYear") ? 200 : 10_000);
    });
    if (bad)
      return setSaid({
        ok: false,
        words: `${bad[1]}: read "${f[bad[0]]}", expected 0 to ${bad[0].endsWith("PerYear") ? "200 %" : "10000"}.`,
      });
    const costs = Object.fromEntries([
      ...MONEY.map(([k]) => [k, Math.round(readNumber(f[k]!)! * 100)]),
      ...SHARES.map(([k]) => [k, readNumber(f[k]!)! / 100]),
    ]) as ShopCosts;
    const r = await send<ShopHours>("PUT", "/api/hours", { ...hours, costs });
    if (!r.ok) return setSaid(r.said);
    setSaid({ ok: true, words: "Kept. What to buy and the ways to keep a promise follow." });
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
      <h2 className="sec">What waiting costs</h2>
      <p className="q">
        In {currency}. What to buy, and which way to keep a promise is cheapest, are decided by these. Ten guesses (A) until you
        answer.
      </p>
      <div className="grid grid-cols-2 gap-3">
        {[...MONEY, ...SHARES].map(([k, label]) => (
          <label key={k} className="field">
            <span>{label}</span>
            <input
              value={f[k]}
              inputMode="decimal"
              maxLength={9}
              autoComplete="off"
              onChange={(e) => setF({ ...f, [k]: e.target.value })}
            />
          </label>
        ))}
      </div>
      <SaidBox said={said} />
      <button type="submit" className="btn self-start">
        Save these costs
      </button>
    </form>
  );
}
