"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { send } from "@/client/send";
import { SaidBox } from "../controls/SaidBox";
import { useSaid } from "../controls/useSaid";

export interface FirstFacts {
  currency: string;
  taxPercent: number;
  tools: string[];
}

/** The three things a new shop is asked, before its first job or never: its name, its money, its tools. */
export function FirstHour({ facts }: { facts: FirstFacts }) {
  const router = useRouter();
  const [f, set] = useState({ shopName: "", currency: facts.currency, tax: String(facts.taxPercent) });
  const [have, setHave] = useState<readonly string[]>(facts.tools);
  const [more, setMore] = useState("");
  const { said, setSaid } = useSaid();
  const keep = async (answers: object) => {
    const r = await send("PUT", "/api/first", answers);
    if (!r.ok) return setSaid(r.said);
    router.refresh();
  };
  const save = () => {
    const taxPercent = Number(f.tax.replace(",", "."));
    if (!/^[A-Za-z]{3}$/.test(f.currency.trim()))
      return setSaid({ ok: false, words: `Currency: "${f.currency}": three letters, as EUR.` });
    if (!(taxPercent >= 0 && taxPercent <= 100))
      return setSaid({ ok: false, words: `Tax: "${f.tax}" is not a share from 0 to 100 %.` });
    void keep({ shopName: f.shopName.trim(), currency: f.currency.trim().toUpperCase(), taxPercent, tools: have });
  };
  return (
    <section className="firsthour" aria-label="Before the first job">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
        noValidate
      >
        <h2 className="text-[26px] leading-[30px] font-[720]">Before the first job: three things</h2>
        <p>Everything else is asked when it is wanted. What is written here stands in Settings.</p>
        <div className="grid gap-4 sm:grid-cols-[2fr_1fr_1fr]">
          <label className="field">
            <span>1. Name of the shop</span>
            <input
              value={f.shopName}
              maxLength={60}
              autoComplete="off"
              onChange={(e) => set({ ...f, shopName: e.target.value })}
            />
          </label>
          <label className="field">
            <span>2. Currency</span>
            <input className="mono" value={f.currency} maxLength={3} onChange={(e) => set({ ...f, currency: e.target.value })} />
          </label>
          <label className="field">
            <span>Tax, %</span>
            <input value={f.tax} inputMode="decimal" maxLength={6} onChange={(e) => set({ ...f, tax: e.target.value })} />
          </label>
        </div>
        <fieldset className="flex flex-col gap-2">
          <legend className="font-bold">3. What hangs on the wall</legend>
          <div className="flex flex-wrap gap-2">
            {[...new Set([...facts.tools, ...have])].map((t) => (
              <button
                key={t}
                type="button"
                className="btn quiet"
                aria-pressed={have.includes(t)}
                onClick={() => setHave(have.includes(t) ? have.filter((x) => x !== t) : [...have, t])}
              >
                {t}
              </button>
            ))}
          </div>
          <div className="flex flex-wrap items-end gap-2">
            <label className="field">
              <span>Another tool</span>
              <input value={more} maxLength={60} autoComplete="off" onChange={(e) => setMore(e.target.value)} />
            </label>
            <button
              type="button"
              className="btn"
              disabled={!more.trim()}
              onClick={() => {
                setHave([...new Set([...have, more.trim()])]);
                setMore("");
              }}
            >
              Hang it up
            </button>
          </div>
        </fieldset>
        <SaidBox said={said} />
        <div className="flex flex-wrap gap-3">
          <button type="submit" className="btn">
            Keep these
          </button>
          <button type="button" className="btn quiet" onClick={() => void keep({})}>
            Not now
          </button>
        </div>
      </form>
    </section>
  );
}
