import { format } from "date-fns";
import { findCost } from "@/core/catalogue";
import { connection } from "@/data/connection";
import { cardsStamp, type JobEntry, jobEntries } from "@/data/jobListStore";
import { catalogueEntries } from "@/data/panelStore";
import type { FindHit, FindReply } from "@/wire/find";
import { readReference } from "./reference";
import { remember } from "./remember";
import { tradeOf } from "./sellers";

/** Every job of the shop as a line, newest first. */
export const allJobs = (): Promise<JobEntry[]> =>
  remember(
    "jobEntries",
    () => cardsStamp(connection().db),
    () => jobEntries(connection().db),
  );

const OUTCOME: Readonly<Record<string, string>> = {
  handedOver: "handed over",
  notPanel: "not the panel",
  cover: "a cover matter",
  handedOn: "handed on",
  cancelled: "cancelled",
};
/** How a closed job ended, in words. @example outcomeWords("handedOver") // "handed over" */
export const outcomeWords = (outcome: string): string => OUTCOME[outcome] ?? outcome;
const day = (iso: string | null) => (iso ? format(new Date(iso), "EEE d MMM yyyy") : "");
const upper = (s: string) => s[0]!.toUpperCase() + s.slice(1);

function jobNote(j: JobEntry): string {
  const of = `${j.machine} for ${j.customer}`;
  if (j.closed) return `${of}. ${upper(outcomeWords(j.closed))}${j.closedAtIso ? ` ${day(j.closedAtIso)}` : ""}`;
  return `${of}. In ${upper(j.station)}${j.promiseAt ? `, promised ${day(j.promiseAt)}` : ""}`;
}

/** The desk's pages, by the words somebody would look for them with. */
const PAGES: readonly (FindHit & { words: string })[] = [
  { kind: "page", title: "Panels", note: "Every panel on record", href: "/panels", words: "panels catalogue codes displays" },
  {
    kind: "page",
    title: "Read a table of panels",
    note: "CSV or JSON, with a dry run",
    href: "/panels/import",
    words: "import csv json table panels",
  },
  {
    kind: "page",
    title: "Machines and builds",
    note: "How each machine comes apart",
    href: "/builds",
    words: "machines builds models teardown screws describe",
  },
  {
    kind: "page",
    title: "Closed jobs",
    note: "What was handed over",
    href: "/closed",
    words: "closed done handed over history past",
  },
  {
    kind: "page",
    title: "Stock and orders",
    note: "What lies on the shelves, what to buy today, what is on its way",
    href: "/stock",
    words: "stock shelves rolls tape screws parts orders parcels buy count drawer donors salvage arrived",
  },
  {
    kind: "page",
    title: "What the figures say",
    note: "How long, how often right, promises kept, what earns",
    href: "/figures",
    words: "figures reports turnaround margin promises kept sellers statistics csv calendar earnings",
  },
  { kind: "page", title: "New job", note: "A machine comes in", href: "/new", words: "new job open intake" },
  {
    kind: "page",
    title: "Settings",
    note: "Tools, prices, network, backups, screen",
    href: "/settings",
    words: "settings tools prices network passcode backup restore calibrate screen weights import redact remove sellers feed",
  },
  {
    kind: "page",
    title: "Fault model",
    note: "Findings, causes, chances",
    href: "/likelihoods",
    words: "fault model triage likelihood findings",
  },
];

const MOST = 12;

/** Everything of the shop that answers what was typed, the nearest first; jobs before the rest where both are as near. */
export async function findAnything(typed: string): Promise<FindReply> {
  const ref = await readReference();
  const found: { cost: number; rank: number; hit: FindHit }[] = [];
  const put = (cost: number | null, rank: number, hit: () => FindHit) => {
    if (cost !== null) found.push({ cost, rank, hit: hit() });
  };
  for (const j of await allJobs())
    put(findCost(typed, [j.number, j.customer, j.contact, j.machine, j.serial, j.oldCode, j.newCode]), j.closed ? 1 : 0, () => ({
      kind: "job",
      title: j.number,
      note: jobNote(j),
      href: `/jobs/${j.id}/${j.station}`,
    }));
  for (const m of ref.machines)
    put(findCost(typed, [m.model, ...m.codes]), 2, () => ({
      kind: "machine",
      title: m.model,
      note: m.build ? `Build known${m.codes.length ? `, ${m.codes.join(", ")}` : ""}` : "No build yet",
      href: m.build ? `/builds/${m.build}` : "/builds",
    }));
  for (const p of await catalogueEntries(connection().db))
    put(findCost(typed, [p.code, ...p.names]), 3, () => ({
      kind: "panel",
      title: p.code,
      note: p.names.length ? `Panel, also ${p.names.join(", ")}` : "Panel",
      href: `/panels/${p.id}`,
    }));
  const { sellers } = await tradeOf(ref.offers);
  for (const [name, s] of Object.entries(sellers))
    put(findCost(typed, [name]), 4, () => ({
      kind: "seller",
      title: name,
      note: `Seller, ${s.record.orders} ${s.record.orders === 1 ? "order" : "orders"}`,
      href: "/sellers",
    }));
  for (const { words, ...p } of PAGES) put(findCost(typed, [p.title, words]), 5, () => p);
  found.sort((a, b) => a.cost - b.cost || a.rank - b.rank);
  return { hits: found.slice(0, MOST).map((f) => f.hit), more: Math.max(0, found.length - MOST) };
}
