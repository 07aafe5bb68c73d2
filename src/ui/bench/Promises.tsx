"use client";
import { format, isSameDay } from "date-fns";
import Link from "next/link";
import { sureWords } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import type { Promised, Sooner } from "@/wire/promise";
import { Mark } from "../draw/Mark";
import { Rescues } from "./Rescues";
import { dueWords } from "./shelf";
import { TakeRescue } from "./TakeRescue";

/** Over these a promise is watched, and acted on today (adj). */
const WATCH = 0.2;
const ACT = 0.5;

/** A date as it is said to a customer. */
export const dayWords = (ms: number, nowMs: number): string =>
  isSameDay(ms, nowMs) ? `today ${format(ms, "HH:mm")}` : format(ms, "EEE d MMM");

/** Which promises break and which are to be watched, by chance; and what could be promised where nobody has yet. */
export function Promises({
  cards,
  told,
  others,
  currency,
  nowMs,
}: {
  cards: readonly JobCard[];
  told: ReadonlyMap<string, Promised>;
  others: Readonly<Record<string, Sooner>>;
  currency: string;
  nowMs: number;
}) {
  const known = cards.flatMap((c) => {
    const p = told.get(c.id);
    return p ? [{ c, p }] : [];
  });
  const late = known.filter((x) => (x.p.late ?? 0) > WATCH).sort((a, b) => b.p.late! - a.p.late!);
  const open = known.filter((x) => x.c.promiseAt === null);
  return (
    <section aria-label="Promises">
      <h2>Promises</h2>
      {late.length === 0 && <p className="q">Every promise holds, four times in five or better.</p>}
      <ul>
        {late.map(({ c, p }) => (
          <li key={c.id}>
            <Mark kind={p.late! > ACT ? "stop" : "look"} size={20} label={p.late! > ACT ? "act today" : "watch"} />
            <div>
              <Link className="link font-bold" href={`/jobs/${c.id}/${c.station}`} prefetch={false}>
                {c.customer}, {c.number}
              </Link>
              {p.late! > ACT && c.contact && <span className="mono">{c.contact}</span>}
              <span>
                {p.late! > ACT ? "Act today" : "Watch"}: promised {dueWords(c.promiseAt, nowMs)}, late {Math.round(p.late! * 100)}{" "}
                times in 100. Could keep {dayWords(p.byMs, nowMs)}.
              </span>
              <Rescues c={c} p={p} other={others[c.id]} currency={currency} nowMs={nowMs} />
            </div>
          </li>
        ))}
        {cards
          .filter((c) => c.first && !c.closed && !late.some((x) => x.c.id === c.id))
          .map((c) => (
            <li key={`first ${c.id}`}>
              <Mark kind="look" size={20} label="taken first" />
              <div className="flex flex-wrap items-center gap-2">
                <Link className="link font-bold" href={`/jobs/${c.id}/${c.station}`} prefetch={false}>
                  {c.number}
                </Link>
                is taken first. <TakeRescue job={c.id} way="inTurn" />
              </div>
            </li>
          ))}
        {open.map(({ c, p }) => (
          <li key={c.id}>
            <span className="open-sq mt-1" role="img" aria-label="no promise" />
            <div>
              <Link className="link font-bold" href={`/jobs/${c.id}/${c.station}`} prefetch={false}>
                {c.customer}, {c.number}
              </Link>
              <span>
                No date yet: likely {dayWords(p.p50Ms, nowMs)}, {sureWords(p.sure)} by {dayWords(p.byMs, nowMs)}.
              </span>
            </div>
          </li>
        ))}
      </ul>
      {known.length > 0 && <p className="q">From orders, the shop's hours and the work ahead.</p>}
    </section>
  );
}
