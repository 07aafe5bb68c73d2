import { format } from "date-fns";
import Link from "next/link";
import type { ReactNode } from "react";
import { durationWords } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import type { Promised, Sooner } from "@/wire/promise";
import type { StockToday } from "@/wire/stock";
import { Term } from "../controls/Term";
import { Mark } from "../draw/Mark";
import { Promises } from "./Promises";
import { StockHint } from "./StockHint";

/** Beside the racks: whom to call, what can be worked at, what is on order, and the desk. */
export function BenchSide({
  cards,
  told,
  others,
  currency,
  stock,
  closed,
  making,
  caution,
  machines,
  nowMs,
  children,
}: {
  cards: readonly JobCard[];
  told: ReadonlyMap<string, Promised>;
  others: Readonly<Record<string, Sooner>>;
  currency: string;
  stock: StockToday | null;
  closed: number;
  making: number;
  caution: { words: string; stop: boolean } | null;
  machines: number;
  nowMs: number;
  children?: ReactNode;
}) {
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
      <Promises cards={cards} told={told} others={others} currency={currency} nowMs={nowMs} />
      {stock && <StockHint stock={stock} nowMs={nowMs} />}
      <section>
        <h2>Bench time ready</h2>
        {minutes > 0 ? (
          <p>
            {durationWords(minutes)} of hands-on work can be done now (<Term name="p50">P50</Term>).
          </p>
        ) : (
          <p>No planned work is ready.</p>
        )}
        <DayRuler minutes={minutes} nowMs={nowMs} />
      </section>
      <section>
        <h2>Waiting</h2>
        {cards.some((c) => c.shelf === "waiting") ? (
          <ul>
            {cards
              .filter((c) => c.shelf === "waiting")
              .map((c) => (
                <li key={c.id}>
                  <Mark kind="look" size={20} />
                  <div>
                    <Link className="link mono font-bold" href={`/jobs/${c.id}/${c.station}`} prefetch={false}>
                      {c.newCode ?? c.number}
                    </Link>
                    <span>
                      {c.putOff
                        ? `put off${c.putOff.untilIso ? ` until ${format(new Date(c.putOff.untilIso), "EEE d MMM")}` : ""}: ${c.putOff.why}`
                        : `for ${c.number}, ${c.seller}, due ${c.orderedDueIso ? format(new Date(c.orderedDueIso), "EEE d MMM") : ""}`}
                    </span>
                  </div>
                </li>
              ))}
          </ul>
        ) : (
          <p className="q">Nothing.</p>
        )}
      </section>
      {children}
      <section className="desklinks mt-auto">
        <Link className="link" href="/stock" prefetch={false}>
          Stock and orders
        </Link>
        <Link className="link" href="/figures" prefetch={false}>
          What the figures say
        </Link>
        <Link className="link" href="/panels" prefetch={false}>
          Panels
        </Link>
        <Link className="link" href="/builds" prefetch={false}>
          Machines and builds ({machines})
        </Link>
        <Link className="link" href="/settings" prefetch={false}>
          Settings, import
        </Link>
        <Link className="link" href="/sellers" prefetch={false}>
          Sellers and offers
        </Link>
        <Link className="link" href="/closed" prefetch={false}>
          Closed jobs ({closed})
        </Link>
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
