"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Said } from "@/client/send";
import { send } from "@/client/send";
import { readNumber } from "@/core/quantity";
import type { PlanWeights } from "@/core/teardown";
import { SaidBox } from "../controls/SaidBox";

/** Each weight in words, with its unit; money is shown in whole units of the shop's currency. */
const FIELDS: readonly [keyof PlanWeights, string, number][] = [
  ["toolChange", "Another bit or tool, min", 1],
  ["turn", "Turning the machine over, min", 1],
  ["minorPerMinute", "A bench minute is worth, in money", 100],
  ["heat", "Warming, beside its minutes, min", 1],
  ["heatEarly", "Each minute of work after warming, min", 1],
  ["glue", "Prying glue, beside its minutes, min", 1],
  ["glueEarly", "Each minute of work after prying, min", 1],
];
const textsOf = (w: PlanWeights) => Object.fromEntries(FIELDS.map(([k, , per]) => [k, String(w[k] / per)]));

/** What a plan weighs against its minutes. Other weights may make another way the cheapest. */
export function WeightSettings({ weights }: { weights: PlanWeights }) {
  const router = useRouter();
  const [f, setF] = useState<Record<string, string>>(() => textsOf(weights));
  const [said, setSaid] = useState<Said | null>(null);
  const put = async (body: unknown) => {
    const r = await send<PlanWeights>("PUT", "/api/weights", body);
    if (!r.ok) return setSaid(r.said);
    setF(textsOf(r.body));
    setSaid({ ok: true, words: "Kept. Plans of open jobs follow; what was done stays done." });
    router.refresh();
  };
  const save = () => {
    const read = FIELDS.map(([k, name, per]) => {
      const text = f[k]!.trim().replace(",", ".");
      return { k, name, text: f[k]!, n: (readNumber(text) ?? Number.NaN) * per };
    });
    const bad = read.find((x) => !Number.isFinite(x.n));
    if (bad) return setSaid({ ok: false, words: `${bad.name}: "${bad.text}" is no number.` });
    void put(Object.fromEntries(read.map((x) => [x.k, x.n])));
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <h2 className="sec">What a plan weighs</h2>
      <p className="q">
        Beside the minutes themselves and what may break. Higher figures put such work later, or choose another way.
      </p>
      <div className="grid grid-cols-2 gap-3">
        {FIELDS.map(([k, name]) => (
          <label key={k} className="field">
            <span>{name}</span>
            <input value={f[k]} inputMode="decimal" maxLength={8} onChange={(e) => setF({ ...f, [k]: e.target.value })} />
          </label>
        ))}
      </div>
      <SaidBox said={said} />
      <div className="flex gap-3">
        <button type="submit" className="btn">
          Save the weights
        </button>
        <button type="button" className="btn quiet" onClick={() => void put({ shipped: true })}>
          As shipped
        </button>
      </div>
    </form>
  );
}
