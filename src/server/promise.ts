import { leadTime, type Offer } from "@/core/catalogue";
import { OWN_SHELF } from "@/core/job";
import { codeKey } from "@/core/panel";
import { chanceBy, doneBy, newLead, promiseDate, saidBy } from "@/core/promise";
import { makePlan } from "@/core/teardown";
import { connection } from "@/data/connection";
import { catalogueEntries } from "@/data/panelStore";
import type { JobCard } from "@/wire/jobCard";
import { fromShop, type NewPromise, type OtherSeller, type PromiseCard, type Promised, promiseAsks } from "@/wire/promise";
import { readShopHours } from "./hours";
import { benchCards } from "./jobList";
import { nowMs } from "./now";
import { POSTAGE_MINOR } from "./postage";
import { readReference } from "./reference";
import { pastOrders } from "./sellers";
import { readWeights } from "./weights";

/** An order placed now; what takes no days, as from the own shelf, takes an hour for the arithmetic. */
const orderedNow = (d: { p50Days: number; p80Days: number }, now: number): JobCard["order"] => ({
  placedIso: new Date(now).toISOString(),
  p50Days: Math.max(0.05, d.p50Days),
  p80Days: Math.max(0.05, d.p80Days),
});

/**
 * When one job will be done, by the same draws the bench page makes; null where its panel is neither here nor ordered.
 * @param ifOrdered days of an order that would be placed now
 */
export async function promiseOf(
  jobId: string,
  ifOrdered: { p50Days: number; p80Days: number } | null = null,
): Promise<Promised | null> {
  const [{ open }, hours] = await Promise.all([benchCards(), readShopHours()]);
  const now = nowMs();
  const cards = open.map(
    (c): JobCard =>
      c.id === jobId && ifOrdered ? { ...c, shelf: "waiting", putOff: null, order: orderedNow(ifOrdered, now) } : c,
  );
  const { zero, asks } = promiseAsks(cards, hours, now);
  const ask = asks.find((a) => a.id === jobId);
  if (!ask) return null;
  const p = promiseDate(ask.input, { seed: ask.seed });
  const byMin = saidBy(doneBy(p.doneMin, hours.sure), ask.input.handover);
  if (!Number.isFinite(byMin)) return null;
  return {
    p50Ms: fromShop(p.p50Min, zero),
    byMs: fromShop(byMin, zero),
    sure: hours.sure,
    late: ask.dueMin === null ? null : 1 - chanceBy(p.doneMin, ask.dueMin),
    rescues: [],
    why: ask.why,
  };
}

/**
 * What could be promised for a machine that comes in now: its panel ordered today, its plan's minutes, the work that is promised before.
 * @param model as on its label; a model nobody has recorded goes by what this shop's orders took
 */
export async function promiseNew(model: string): Promise<NewPromise | null> {
  const [{ open }, hours, ref, past, weights] = await Promise.all([
    benchCards(),
    readShopHours(),
    readReference(),
    pastOrders(),
    readWeights(),
  ]);
  const now = nowMs();
  const machine = ref.machines.find((m) => m.model === model);
  const build = machine?.build ? ref.builds.find((b) => b.id === machine.build)?.data : undefined;
  const entries = machine?.panels.length ? await catalogueEntries(connection().db) : [];
  const seen = (id: string) => machine?.seen?.[id] ?? 1;
  const panel = [...(machine?.panels ?? [])].sort((a, b) => seen(b) - seen(a))[0];
  const lead = newLead(
    (ref.offers ?? [])
      .filter((o) => o.panel === panel)
      .map((o) => ({
        seller: o.seller,
        panel: entries.find((e) => e.id === panel)?.code ?? "its panel",
        stock: o.stock,
        ...(o.seller === OWN_SHELF ? { p50Days: 0, p80Days: 0 } : leadTime(o.days, o.seller, past)),
      })),
    past.flatMap((o) => o.tookDays ?? []),
  );
  const made = build ? makePlan(build, [], undefined, weights) : null;
  const card: PromiseCard = {
    id: "new",
    closed: null,
    putOff: null,
    shelf: "waiting",
    order: orderedNow(lead, now),
    promiseAt: null,
    first: false,
    minutesLeft: made?.ok ? { p50: made.plan.minutes.p50, p80: made.plan.minutes.p80 } : null,
    glass: build?.subject.kind === "frontUnit" && build.tapes.length > 0,
    returned: 0,
    seller: null,
  };
  const { zero, asks } = promiseAsks([card, ...open], hours, now);
  const ask = asks.find((a) => a.id === card.id);
  if (!ask) return null;
  const p = promiseDate(ask.input, { seed: `new ${model}` });
  const byMin = saidBy(doneBy(p.doneMin, hours.sure), ask.input.handover);
  if (!Number.isFinite(byMin)) return null;
  return {
    p50Ms: fromShop(p.p50Min, zero),
    byMs: fromShop(byMin, zero),
    sure: hours.sure,
    goesBy: [
      `panel: ${lead.from}`,
      card.minutesLeft ? `its plan: ${Math.round(card.minutesLeft.p50)} min by hand` : "no plan yet: 45 to 70 min by hand (A)",
      ...ask.why.filter((w) => !w.startsWith("the panel of")),
    ],
  };
}

/** For every job whose panel is out: the quickest other seller of the same panel, and what that would cost more. */
export async function otherSellers(cards: readonly JobCard[], offers: readonly Offer[]): Promise<Record<string, OtherSeller>> {
  const waiting = cards.filter((c) => c.shelf === "waiting" && c.order && c.newCode);
  if (waiting.length === 0) return {};
  const [entries, past] = await Promise.all([catalogueEntries(connection().db), pastOrders()]);
  const ids = new Map(entries.map((e) => [codeKey(e.code), e.id]));
  const out: Record<string, OtherSeller> = {};
  const leads = new Map<string, ReturnType<typeof leadTime>>();
  const leadOf = (o: Offer) => {
    const key = `${o.days} ${o.seller}`;
    const known = leads.get(key) ?? leadTime(o.days, o.seller, past);
    leads.set(key, known);
    return known;
  };
  for (const c of waiting) {
    const panel = ids.get(codeKey(c.newCode!));
    const found = offers
      .filter((o) => o.panel === panel && o.seller !== c.seller && o.stock !== 0)
      .map((o) => ({ o, lead: leadOf(o) }))
      .sort((a, b) => a.lead.p80Days - b.lead.p80Days)[0];
    if (found)
      out[c.id] = {
        seller: found.o.seller,
        extraMinor: found.o.priceMinor - (c.order!.priceMinor ?? found.o.priceMinor) + POSTAGE_MINOR,
        p50Days: found.lead.p50Days,
        p80Days: found.lead.p80Days,
      };
  }
  return out;
}
