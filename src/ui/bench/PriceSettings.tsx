"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { readNumber } from "@/core/quantity";
import type { QuotePolicy } from "@/core/quote";
import { Mark } from "../draw/Mark";

const FIELDS = [
  ["currency", "Currency, three letters"],
  ["taxPercent", "Tax, %"],
  ["benchRate", "Bench hour"],
  ["validDays", "Estimate holds, days"],
  ["margin", "Ask again beyond, %"],
  ["replacement", "Another machine"],
  ["worth", "Said above, % of another machine"],
] as const;
/** Rates as one types them: a currency, what one unit is worth here, the day it was looked up. */
const rateLine = (r: { currency: string; rate: number; date: string }) => `${r.currency} ${r.rate} ${r.date}`;
const readRate = (line: string) => {
  const m = /^([A-Za-z]{3})[\s=:]+([\d.,]+)\s+(\d{4}-\d{2}-\d{2})$/.exec(line.trim());
  const rate = m ? readNumber(m[2]!) : null;
  return m && rate !== null && rate > 0 ? { currency: m[1]!.toUpperCase(), rate, date: m[3]! } : null;
};

/** What prices stand on. Estimates already given keep theirs. */
export function PriceSettings({ policy, version }: { policy: QuotePolicy; version: number }) {
  const router = useRouter();
  const [f, set] = useState({
    currency: policy.currency,
    taxPercent: String(policy.taxPercent),
    benchRate: String(policy.benchRateMinorPerHour / 100),
    validDays: String(policy.validDays),
    margin: String(policy.marginPercent),
    replacement: String(policy.replacementMinor / 100),
    worth: String(policy.worthPercent ?? 60),
    rates: (policy.rates ?? []).map(rateLine).join("\n"),
  });
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null);
  const save = async () => {
    const n = (k: keyof typeof f) => Number(f[k].replace(",", "."));
    const lines = f.rates.split("\n").filter((l) => l.trim());
    const wrong = lines.find((l) => !readRate(l));
    if (wrong)
      return setSaid({ ok: false, words: `"${wrong.trim()}": write a currency, its rate and the day, as USD 0.92 2026-06-01.` });
    const bad = FIELDS.find(([k]) => k !== "currency" && (f[k].trim() === "" || !Number.isFinite(n(k))));
    if (bad) return setSaid({ ok: false, words: `${bad[1]}: "${f[bad[0]]}" is no number.` });
    const res = await fetch("/api/quote", {
      method: "PUT",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({
        currency: f.currency.trim().toUpperCase(),
        taxPercent: n("taxPercent"),
        benchRateMinorPerHour: Math.round(n("benchRate") * 100),
        validDays: n("validDays"),
        marginPercent: n("margin"),
        replacementMinor: Math.round(n("replacement") * 100),
        worthPercent: n("worth"),
        rates: lines.flatMap((l) => readRate(l) ?? []),
        version,
      }),
    }).catch(() => null);
    const body = await res?.json().catch(() => null);
    if (!res?.ok)
      return setSaid({
        ok: false,
        words:
          body?.details?.map((d: { where: string; message: string }) => `${d.where}: ${d.message}`).join("; ") ??
          body?.problem ??
          "The server was not reached.",
      });
    setSaid({ ok: true, words: `Saved, version ${body.version}.` });
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
      <h2 className="sec">Prices</h2>
      <div className="grid grid-cols-3 gap-3">
        {FIELDS.map(([k, name]) => (
          <label key={k} className="field">
            <span>{name}</span>
            <input className="mono" value={f[k]} onChange={(e) => set({ ...f, [k]: e.target.value })} />
          </label>
        ))}
      </div>
      <label className="field">
        <span>Rates of other currencies: one a line, what one unit is worth here, and the day</span>
        <textarea
          className="mono"
          rows={2}
          maxLength={1600}
          placeholder="USD 0.92 2026-06-01"
          value={f.rates}
          onChange={(e) => set({ ...f, rates: e.target.value })}
        />
        <span className="hint">An offer in a currency without a rate is left out of the price, and said.</span>
      </label>
      {said && (
        <div className={said.ok ? "look" : "refusal"} role={said.ok ? "status" : "alert"}>
          <Mark kind={said.ok ? "same" : "stop"} size={26} />
          <p>{said.words}</p>
        </div>
      )}
      <button type="submit" className="btn self-start">
        Save the prices
      </button>
    </form>
  );
}
