"use client";
import { useState } from "react";
import { SaidBox } from "../controls/SaidBox";

const WORDS = {
  none: "answer as they should",
  outage: "do not answer",
  late: "answer too late",
  badRows: "send rows that cannot be read",
  short: "send half of an order",
  wrong: "send another code",
} as const;
type Failure = keyof typeof WORDS;

/** The sellers here are simulated: what they should do when asked, to see how the bench takes it. */
export function FeedSetting({ failure }: { failure: Failure }) {
  const [now, setNow] = useState<Failure>(failure);
  const [wrong, setWrong] = useState<string | null>(null);
  const tell = async (f: Failure) => {
    setWrong(null);
    const res = await fetch("/api/feed", {
      method: "PUT",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ failure: f }),
    }).catch(() => null);
    if (res?.ok) setNow(f);
    else setWrong("The server was not reached. The sellers go on as before.");
  };
  return (
    <section className="flex flex-col gap-3">
      <h2 className="sec">Simulated sellers</h2>
      <p className="q">
        Prices, stock and days come from a stand-in that ships with Helvane. Told to fail, it shows how Match keeps old prices
        with their date, and names rows it cannot read; asked about an order of the shop, they answer late, short or with another
        code.
      </p>
      <fieldset className="flex flex-wrap gap-2">
        <legend className="vh">When asked, the sellers</legend>
        {(Object.keys(WORDS) as Failure[]).map((f) => (
          <button key={f} type="button" className="btn" aria-pressed={now === f} onClick={() => void tell(f)}>
            {WORDS[f]}
          </button>
        ))}
      </fieldset>
      <SaidBox said={wrong ? { ok: false, words: wrong } : null} />
    </section>
  );
}
