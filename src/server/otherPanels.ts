import { leadTime, type Offer } from "@/core/catalogue";
import { OWN_SHELF } from "@/core/job";
import { codeKey, compareFit, overallVerdict } from "@/core/panel";
import { connection } from "@/data/connection";
import { cardsStamp } from "@/data/jobListStore";
import { catalogueEntries, panelsById, panelsStamp } from "@/data/panelStore";
import type { JobCard } from "@/wire/jobCard";
import type { OtherPanel } from "@/wire/promise";
import { POSTAGE_MINOR } from "./postage";
import type { Reference } from "./reference";
import { remember } from "./remember";
import { pastOrders } from "./sellers";

const DAY_MS = 86_400_000;
/** A panel of nearly this diagonal is worth comparing, inch. */
const NEAR_IN = 0.15;
/** Jobs looked at, and offered panels compared, at most: the bench is not kept waiting. */
const [MOST_JOBS, MOST_PANELS] = [8, 400];
/** Whether an order that is out may come too late for what was promised. */
const atRisk = (c: JobCard): boolean =>
  c.shelf === "waiting" &&
  c.order !== null &&
  c.promiseAt !== null &&
  c.oldCode !== null &&
  Date.parse(c.order.placedIso) + (c.order.p80Days + 1) * DAY_MS > Date.parse(c.promiseAt);

/**
 * For jobs whose panel may come too late: the quickest other panel that fits the old one's place. One with a stop, with something unknown
 * that can destroy, or that takes a change is none; where a difference has to be asked of the customer it says so.
 */
export async function otherPanels(cards: readonly JobCard[], ref: Reference): Promise<Record<string, OtherPanel>> {
  const late = cards.filter(atRisk).slice(0, MOST_JOBS);
  if (late.length === 0) return {};
  const { db } = connection();
  const said = ref.offers.map((o) => `${o.panel} ${o.seller} ${o.priceMinor} ${o.stock} ${o.days}`);
  const jobs = late.map((c) => `${c.id} ${c.promiseAt}`);
  return remember(
    "otherPanels",
    async () => [await cardsStamp(db), await panelsStamp(db), ...said, ...jobs, ...ref.builds.map((b) => b.hash)].join("|"),
    () => compared(late, ref),
  );
}

async function compared(late: readonly JobCard[], ref: Reference): Promise<Record<string, OtherPanel>> {
  const { db } = connection();
  const [entries, past] = await Promise.all([catalogueEntries(db), pastOrders()]);
  const ids = new Map(entries.map((e) => [codeKey(e.code), e.id]));
  const byPanel = new Map<string, Offer[]>();
  for (const o of ref.offers) if (o.stock !== 0) byPanel.set(o.panel, [...(byPanel.get(o.panel) ?? []), o]);
  const olds = late.flatMap((c) => ids.get(codeKey(c.oldCode!)) ?? []);
  const rows = await panelsById(db, [...new Set([...olds, ...[...byPanel.keys()].slice(0, MOST_PANELS)])]);
  const panel = new Map(rows.map((r) => [r.id, r.data]));
  const out: Record<string, OtherPanel> = {};
  for (const c of late) {
    const old = panel.get(ids.get(codeKey(c.oldCode!)) ?? "");
    if (!old) continue;
    const machine = ref.machines.find((m) => m.model === c.machine);
    const build = machine?.build ? (ref.builds.find((b) => b.id === machine.build)?.data ?? null) : null;
    const size = old.diagonalIn.value;
    const best = [...byPanel]
      .flatMap(([id, offers]) => {
        const p = panel.get(id);
        if (!p || codeKey(p.code) === codeKey(c.newCode ?? "")) return [];
        if (size === null || p.diagonalIn.value === null || Math.abs(p.diagonalIn.value - size) >= NEAR_IN) return [];
        const fit = compareFit(old, p, build);
        const { kind } = overallVerdict(fit);
        const asks = fit.some((r) => r.verdict === "ask");
        const bad = fit.some((r) => r.verdict === "change" || (r.destroying && r.verdict === "unknown"));
        if (kind === "stop" || kind === "doNotConnect" || bad) return [];
        return offers.map((o) => ({
          o,
          code: p.code,
          asks,
          lead: o.seller === OWN_SHELF ? { p50Days: 0.05, p80Days: 0.05 } : leadTime(o.days, o.seller, past),
        }));
      })
      .sort((a, b) => a.lead.p80Days - b.lead.p80Days || a.o.priceMinor - b.o.priceMinor)[0];
    if (best)
      out[c.id] = {
        code: best.code,
        seller: best.o.seller,
        asks: best.asks,
        extraMinor: best.o.priceMinor - (c.order!.priceMinor ?? best.o.priceMinor) + POSTAGE_MINOR,
        p50Days: best.lead.p50Days,
        p80Days: best.lead.p80Days,
      };
  }
  return out;
}
