"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { QuotePolicy } from "@/core/quote";
import { Mark } from "../draw/Mark";

const FIELDS = [
  ["currency", "Currency, three letters"],
  ["taxPercent", "Tax, %"],
  ["benchRate", "Bench hour"],
  ["validDays", "Estimate holds, days"],
  ["margin", "Ask again beyond, %"],
  ["replacement", "Another machine"],
] as const;

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
  });
  const [said, setSaid] = useState<{ ok: boolean; words: string } | null>(null);
  const save = async () => {
    const n = (k: keyof typeof f) => Number(f[k].replace(",", "."));
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
