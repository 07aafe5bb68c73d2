"use client";
import { useState } from "react";
import { formatMoney } from "@/core/quantity";
import { NEVER_SALVAGED, type StockLot } from "@/core/stock";
import type { SalvageRow } from "@/wire/stock";
import { Tick } from "../controls/Tick";
import { Mark } from "../draw/Mark";
import type { StockHandle } from "./useStock";

/** Name of the lot a part of a donor becomes. */
const lotOf = (donor: string, k: number): string => `${donor}:${k + 1}`.slice(-80);

/** What a donor still gives, each part with what taking it costs and saves. Nothing is taken before somebody said it was never wet. */
export function DonorGives({
  donor,
  rows,
  currency,
  stock,
}: {
  donor: StockLot;
  rows: readonly SalvageRow[];
  currency: string;
  stock: StockHandle;
}) {
  const [dry, setDry] = useState<"yes" | "no" | null>(null);
  const [anyway, setAnyway] = useState(false);
  const kind = donor.item.startsWith("donor/panel") ? "panel" : /\blid\b/i.test(donor.item) ? "lid" : "machine";
  const money = (m: number) => formatMoney(m, currency);
  const take = (r: SalvageRow, k: number) =>
    stock.log.record({
      type: "stock.salvaged",
      payload: {
        item: r.item,
        lot: lotOf(donor.lot, k),
        count: r.count,
        place: donor.place,
        state: "used",
        donor: donor.lot.slice(0, 80),
      },
    });
  return (
    <fieldset className="mt-2 flex flex-col gap-2" data-donor={donor.lot}>
      <legend className="font-bold">What it still gives</legend>
      <div className="flex flex-wrap items-center gap-2">
        <span>Was it ever wet?</span>
        {(["no", "yes"] as const).map((a) => (
          <button
            key={a}
            type="button"
            className="btn quiet"
            aria-pressed={dry === (a === "no" ? "yes" : "no")}
            onClick={() => setDry(a === "no" ? "yes" : "no")}
          >
            {a === "no" ? "No, dry" : "Wet, or not known"}
          </button>
        ))}
      </div>
      {dry === "no" && (
        <p className="caut">
          <Mark kind="stop" size={22} /> <span>Nothing of it is taken: what liquid left behind goes on in the next machine.</span>
        </p>
      )}
      {dry === "yes" && (
        <>
          <label className="flex min-h-11 items-center gap-2">
            <Tick on={anyway} onPut={setAnyway} />
            It lies open on the bench anyway
          </label>
          <ul>
            {rows.map((r, k) => {
              const taken = stock.state.lots[lotOf(donor.lot, k)] !== undefined;
              const pays = r.pays || (anyway && r.savesMinor > 0);
              return (
                <li key={r.item} style={{ display: "block" }} data-part={r.item}>
                  <b>
                    {r.count > 1 ? `${r.count} × ` : ""}
                    {r.name}
                  </b>
                  <span>
                    {taken
                      ? "Taken."
                      : `${pays ? "Worth it" : "Not worth it"}: ${Math.round(r.chance * 100)} % that more than lies here is wanted within a year × ${money(r.newMinor)}${r.known ? "" : " (A)"} = ${money(r.savesMinor)}, ${anyway ? "and it is open" : `against ${money(r.costsMinor)} for ${r.minutes} min`}.`}{" "}
                    {!taken && r.only}
                  </span>
                  {!taken && (
                    <button type="button" className={pays ? "btn mt-1" : "btn quiet mt-1"} onClick={() => take(r, k)}>
                      Taken off
                    </button>
                  )}
                </li>
              );
            })}
          </ul>
        </>
      )}
      <p className="q">
        {NEVER_SALVAGED[kind]}
        {kind === "panel" && " Its label says its true code: photograph it before it goes."}
      </p>
    </fieldset>
  );
}
