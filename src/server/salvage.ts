import type { Build } from "@/core/build";
import { msOf } from "@/core/job";
import { median } from "@/core/numeric";
import { type Donor, type DonorBuild, readItem, type StockState, salvageOf, screwItem, worthTaking } from "@/core/stock";
import type { SalvageRow } from "@/wire/stock";
import type { Reference } from "./reference";

const DAY_MS = 86_400_000;

/** As much of a build as a dead lid or machine is looked at for. */
function donorBuild(b: Build): DonorBuild {
  const screws = b.screwGroups.flatMap((g) =>
    g.screws.flatMap((s) => {
      const type = b.screwTypes.find((t) => t.id === s.type);
      return type ? [{ item: screwItem(type), view: g.view }] : [];
    }),
  );
  const kinds = [...new Set(screws.map((s) => `${s.item} ${s.view}`))];
  return {
    machineModel: b.machineModel,
    parts: b.parts.map((p) => ({ id: p.id, name: p.name, view: p.view, role: p.role, minutes: p.out?.minutes })),
    screws: kinds.map((k) => {
      const of = screws.filter((s) => `${s.item} ${s.view}` === k);
      return { ...of[0]!, count: of.length };
    }),
    cables: b.connectors
      .filter((c) => c.serves === "picture")
      .map((c) => ({ name: c.name, view: c.view, minutes: c.minutes ?? 2 })),
  };
}

/** What a donor of the shelf is, by the words it was put on record with; null where they name no panel and no machine with a build. */
function donorOf(what: string, builds: Reference["builds"]): Donor | null {
  const panel = /^panel\s+(\S+)$/i.exec(what);
  if (panel && panel[1] !== "unknown") return { kind: "panel", code: panel[1]! };
  const words = what.toLowerCase();
  const hit = builds.find((b) => {
    const model = b.data.machineModel.toLowerCase();
    // "lid, Kestrel 14" means the Ostrel Kestrel 14.
    return words.includes(model) || words.includes(model.split(" ").slice(1).join(" "));
  });
  return hit ? { kind: /\b(lid|display)\b/.test(words) ? "lid" : "machine", build: donorBuild(hit.data) } : null;
}

/** What every donor of the shelf still gives, by its lot, each part with what taking it is worth. */
export function salvageRows(state: StockState, ref: Reference, nowMs: number): Record<string, SalvageRow[]> {
  const lots = Object.values(state.lots);
  const first = lots.reduce((m, l) => Math.min(m, msOf(l.since)), nowMs);
  const days = Math.max(0, (nowMs - first) / DAY_MS);
  const rateMinorPerHour = ref.quote?.data.benchRateMinorPerHour ?? 0;
  return Object.fromEntries(
    lots.flatMap((donor) => {
      const item = readItem(donor.item);
      const what = donor.left > 0 && item?.kind === "donor" ? donorOf(item.what, ref.builds) : null;
      if (!what) return [];
      const rows = salvageOf(what).map((p): SalvageRow => {
        const prices = lots.flatMap((l) => (l.item === p.item && l.priceMinor !== null ? [l.priceMinor] : []));
        const newMinor = (prices.length ? median(prices) : p.newMinor) * p.count;
        const i = state.items[p.item];
        const lying = i?.onHand ?? 0;
        return {
          ...p,
          newMinor,
          known: prices.length > 0,
          ...worthTaking({ used: i?.used ?? 0, days, lying, newMinor, minutes: p.minutes, rateMinorPerHour }),
        };
      });
      return [[donor.lot, rows] as const];
    }),
  );
}
