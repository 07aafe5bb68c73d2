"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { Machine } from "@/core/catalogue";
import { EDID_WORKS, variantsOf, WAY_COSTS, type Way, waysAt, wayToKnow } from "@/core/identify";
import { formatMoney } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { Tick } from "../controls/Tick";
import { useBench } from "../job/context";

const WAY_WORDS: Record<Way, string> = {
  model: "Order by machine model",
  edid: "Read the EDID first",
  label: "Open, read the label first",
};
/** The chart is fetched when it is looked at: its room is kept. */
const WayChart = dynamic(() => import("./WayChart"), { ssr: false, loading: () => <div style={{ height: 150 }} /> });

const STARTS = [
  ["unknown", "not tried"],
  ["yes", "yes"],
  ["no", "no"],
] as const;

/** Order now, read the EDID or open first: what each costs here, and where the balance tips. */
export function WayChoice({
  machine,
  onFollow,
}: {
  machine: Machine | null;
  onFollow: (w: Way, usualPanel: string | null) => void;
}) {
  const { reference, build, view } = useBench();
  const [repaired, setRepaired] = useState(view.state.triage.condition.some((c) => c.kind === "earlierRepair"));
  const [starts, setStarts] = useState<"yes" | "no" | "unknown">("unknown");
  const currency = reference.quote?.data.currency ?? "EUR";
  const panels = (machine?.panels ?? []).flatMap((id) => reference.panels.filter((p) => p.data.id === id));
  const { usual, variants } = variantsOf(
    machine,
    panels.map((p) => p.data),
    build?.data ?? null,
  );
  const edidWorks = EDID_WORKS[starts];
  const advice = wayToKnow({ variants, repairedBefore: repaired, costs: WAY_COSTS, edidWorks });
  const points = Array.from({ length: 41 }, (_, i) => {
    const rows = waysAt(i / 40, { costs: WAY_COSTS, edidWorks });
    const at = (w: Way) => rows.find((r) => r.way === w)!.totalMinor;
    return { percent: i * 2.5, model: at("model"), edid: at("edid"), label: at("label") };
  });
  return (
    <section aria-label="Which way to know">
      <ul className="rows dist">
        {advice.rows.map((r, i) => (
          <li key={r.way} data-way={r.way} data-now={i === 0} style={{ alignItems: "center", paddingInline: 8 }}>
            <span className="grow">
              <b>{WAY_WORDS[r.way]}</b>
              <span className="block text-[14px] leading-[17px]">
                {i === 0 && "Costs least here. "}Leaves open: {r.leaves}
              </span>
            </span>
            <em className="mono">
              {formatMoney(Math.round(r.costMinor), currency)}, {r.days.toFixed(1)} d
            </em>
            <button
              type="button"
              className="btn quiet"
              style={{ background: "transparent", color: "inherit", borderColor: "currentColor" }}
              aria-label={`${WAY_WORDS[r.way]}: follow`}
              onClick={() => onFollow(r.way, usual?.id ?? null)}
            >
              Follow
            </button>
          </li>
        ))}
      </ul>
      <WayChart
        points={points}
        percentNow={advice.p * 100}
        breakEven={advice.breakEven === null ? null : advice.breakEven * 100}
        currency={currency}
        says={`Expected cost over the chance of a wrong order, now ${Math.round(advice.p * 100)} percent${advice.breakEven === null ? "" : `, break-even at ${Math.round(advice.breakEven * 100)} percent`}`}
      />
      <p className="q">
        Chance that an order by model is wrong: {Math.round(advice.p * 100)} %, of it {Math.round(advice.unseen * 100)} for a
        panel never seen here.
        {advice.breakEven === null ? " No break-even." : ` Break-even at ${Math.round(advice.breakEven * 100)} %.`} Heavy line: by
        model; dashed: EDID; dotted: open first. Costs are defaults (A).
      </p>
      <div className="flex flex-wrap items-center gap-4">
        <label className="flex min-h-11 items-center gap-2">
          <Tick on={repaired} onPut={setRepaired} />
          repaired before
        </label>
        <label className="flex items-center gap-2">
          Starts on an external screen
          <Choose value={starts} style={{ width: 120 }} options={STARTS} onValue={setStarts} />
        </label>
      </div>
    </section>
  );
}
