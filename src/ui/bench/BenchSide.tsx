import { format } from "date-fns";
import Link from "next/link";
import { durationWords } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import { Mark } from "../draw/Mark";
import { dueWords, edgeNote } from "./shelf";

/** Beside the racks: whom to call, what can be worked at, what is on order, and the desk. */
export function BenchSide({
  cards,
  closed,
  making,
  caution,
  machines,
  nowMs,
}: {
  cards: readonly JobCard[];
  closed: number;
  making: number;
  caution: { words: string; stop: boolean } | null;
  machines: number;
  nowMs: number;
}) {
  const calls = cards.map((c) => ({ c, note: edgeNote(c, nowMs) })).filter((x) => x.note.bad);
  const minutes = cards
    .filter((c) => c.shelf === "ready" || c.shelf === "handOver")
    .reduce((n, c) => n + (c.minutesLeft?.p50 ?? 0), 0);
  return (
    <aside className="side" aria-label="Today">
      {caution?.stop && (
        <section>
          <h2>Nothing can be stored</h2>
          <div className="flex gap-2" role="alert">
            <Mark kind="stop" size={26} />
            <p>{caution.words}</p>
          </div>
        </section>
      )}
      {making > 0 && (
        <section role="status">
          <h2>Lists are being made</h2>
          <p className="q">{making} jobs are still to come. Nothing is missing from the jobs themselves.</p>
        </section>
      )}
      <section>
        <h2>Call today</h2>
        {calls.length === 0 ? (
          <p className="q">Nobody: every promise holds.</p>
        ) : (
          <ul>
            {calls.map(({ c, note }) => (
              <li key={c.id}>
                <Mark kind="stop" size={20} />
                <div>
                  <b>
                    {c.customer}, {c.number}
                  </b>
                  <span>
                    Promised {dueWords(c.promiseAt, nowMs)}; {note.words}.
                  </span>
                </div>
              </li>
            ))}
          </ul>
        )}
      </section>
      <section>
        <h2>Bench time ready</h2>
        <p>{minutes > 0 ? `${durationWords(minutes)} of hands-on work can be done now (P50).` : "No planned work is ready."}</p>
        <DayRuler minutes={minutes} nowMs={nowMs} />
      </section>
      <section>
        <h2>On order</h2>
        {cards.some((c) => c.shelf === "waiting") ? (
          <ul>
            {cards
              .filter((c) => c.shelf === "waiting")
              .map((c) => (
                <li key={c.id}>
                  <Mark kind="look" size={20} />
                  <div>
                    <b className="mono">{c.newCode}</b>
                    <span>
                      for {c.number}, {c.seller}, due {c.orderedDueIso ? format(new Date(c.orderedDueIso), "EEE d MMM") : ""}
                    </span>
                  </div>
                </li>
              ))}
          </ul>
        ) : (
          <p className="q">Nothing.</p>
        )}
      </section>
      <section className="mt-auto flex flex-col gap-1 text-[15px]">
        <Link className="link" href="/panels" prefetch={false}>
          Panels
        </Link>
        <Link className="link" href="/builds" prefetch={false}>
          Machines and builds ({machines})
        </Link>
        <Link className="link" href="/settings" prefetch={false}>
          Settings, import
        </Link>
        <span className="q">{closed} closed</span>
        {caution && !caution.stop && (
          <Link className="link" href="/settings" prefetch={false}>
            {caution.words}
          </Link>
        )}
      </section>
    </aside>
  );
}

function DayRuler({ minutes, nowMs }: { minutes: number; nowMs: number }) {
  const from = 8;
  const to = 18;
  const d = new Date(nowMs);
  const now = d.getHours() + d.getMinutes() / 60;
  const x = (h: number) => Math.max(0, Math.min(278, ((h - from) / (to - from)) * 278)) + 1;
  return (
    <svg
      width={280}
      height={52}
      role="img"
      aria-label={`${Math.round(minutes)} minutes of work from now on a day of 8 to 18 h`}
      className="dw mt-1"
    >
      <rect x={1} y={8} width={278} height={20} fill="none" stroke="var(--rule)" />
      <rect x={x(now)} y={8} width={Math.max(0, x(now + minutes / 60) - x(now))} height={20} className="pf" />
      <path d={`M${x(now)} 28L${x(now) - 5} 36H${x(now) + 5}Z`} className="pf" />
      <path
        d={Array.from({ length: 11 }, (_, i) => `M${x(from + i)} 28v${i % 5 === 0 ? 8 : 4}`).join("")}
        className="pen1 sink"
      />
      {[8, 13, 18].map((h) => (
        <text key={h} x={x(h)} y={50} className="t14 mono i3" textAnchor={h === 8 ? "start" : h === 18 ? "end" : "middle"}>
          {h === 18 ? "18 h" : h}
        </text>
      ))}
    </svg>
  );
}
