import type { Build } from "../build";
import type { Offer } from "../catalogue";
import { compareFit, overallVerdict, type Panel } from "../panel";
import { formatMoney } from "../quantity";
import type { Part } from "./options";

/**
 * The cheapest new and the cheapest used panel on offer that could go in: against the old panel when it is known, else the
 * panels seen in this machine model. Never one that is a *stop* or must not be connected yet.
 * @param old the panel in the machine, or null @param seen ids of panels seen in this machine model
 * @example panelParts(null, [], [], [], build).panelNew // null
 */
export function panelParts(
  old: Panel | null,
  seen: readonly string[],
  panels: readonly Panel[],
  offers: readonly Offer[],
  build: Build | null,
): { panelNew: Part | null; panelUsed: Part | null; basis: string } {
  const fits = panels.filter((p) => {
    if (!old) return seen.includes(p.id);
    const kind = overallVerdict(compareFit(old, p, build)).kind;
    return kind !== "stop" && kind !== "doNotConnect";
  });
  const best = (isNew: boolean): Part | null => {
    const list = offers
      .filter((o) => (o.condition === "new") === isNew)
      .flatMap((o) => {
        const p = fits.find((x) => x.id === o.panel);
        return p ? [{ o, p }] : [];
      })
      .sort((a, b) => a.o.priceMinor - b.o.priceMinor || a.o.days - b.o.days);
    const top = list[0];
    return top
      ? {
          name: `${top.p.code}, ${top.o.condition}, ${top.o.seller}, ${formatMoney(top.o.priceMinor, top.o.currency)} before tax`,
          priceMinor: top.o.priceMinor,
          days: top.o.days,
        }
      : null;
  };
  return {
    panelNew: best(true),
    panelUsed: best(false),
    basis: old ? `Parts that fit ${old.code}` : "Parts by machine model: the panel was not read yet",
  };
}
