"use client";
import { format, isSameDay } from "date-fns";
import dynamic from "next/dynamic";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { read } from "@/client/device";
import type { ShopHours } from "@/core/promise";
import type { JobCard } from "@/wire/jobCard";
import type { Sooner } from "@/wire/promise";
import type { StockToday } from "@/wire/stock";
import { useBenchKeys } from "../controls/useBenchKeys";
import { Brand, STATION_NAMES, STATION_PATHS } from "../shell/JobStrip";
import { Tray } from "../shell/Tray";
import { nextTheme } from "../shell/theme";
import { ALL, BenchOnly } from "./BenchOnly";
import { BenchSide } from "./BenchSide";
import { atHand, trayOf } from "./benchTray";
import { type FirstFacts, FirstHour } from "./FirstHour";
import { Shelf } from "./Shelf";
import { edgeNote, SHELVES } from "./shelf";
import { usePromises } from "./usePromises";

// What finds comes a moment after the shelves.
const FindBox = dynamic(() => import("../find/FindBox").then((m) => m.FindBox), { ssr: false });

const NOBODY: Readonly<Record<string, Sooner>> = {};

/** With so few jobs on the shelves nobody needs less. */
const FEW = 8;

/** The bench at the start of the day: what can move now, what waits, and why. */
export function Bench({
  cards,
  closed,
  making = 0,
  caution = null,
  machines,
  nowMs,
  clockFixed,
  shopName = "",
  hours,
  others = NOBODY,
  currency = "EUR",
  stock = null,
  first: firstHour = null,
}: {
  cards: JobCard[];
  closed: number;
  /** Jobs whose card is still being made. */
  making?: number;
  /** What the shop's own state asks for. */
  caution?: { words: string; stop: boolean } | null;
  machines: number;
  nowMs: number;
  clockFixed: boolean;
  shopName?: string;
  hours: ShopHours;
  /** Quicker sellers of panels that are out, by job. */
  others?: Readonly<Record<string, Sooner>>;
  currency?: string;
  stock?: StockToday | null;
  /** What a new shop is asked before its first job; null once it was. */
  first?: FirstFacts | null;
}) {
  const router = useRouter();
  const [query, setQuery] = useState("");
  const [only, setOnly] = useState(ALL);
  const [lettersOff, setLettersOff] = useState(false);
  const find = useRef<HTMLInputElement>(null);
  // Asked for before it came: it has the focus once it is there.
  const [eager, setEager] = useState(false);
  const toFind = () => {
    if (find.current) find.current.focus();
    else setEager(true);
  };
  useEffect(() => {
    setLettersOff(read("helvane.letters") === "off");
    document.documentElement.dataset.ready = "true";
    if (new URLSearchParams(location.search).has("find")) setEager(true);
    if (clockFixed) return;
    const t = setInterval(() => router.refresh(), 30_000);
    return () => clearInterval(t);
  }, [router, clockFixed]);
  const people = useMemo(() => [...new Set(cards.flatMap((c) => (c.who ? [c.who] : [])))].sort(), [cards]);
  const shown = useMemo(
    () =>
      cards.filter(
        (c) =>
          (only.station === null || c.station === only.station) &&
          (only.who === "" || c.who === only.who) &&
          (only.promise === "any" ||
            (only.promise === "breaks"
              ? edgeNote(c, nowMs).bad
              : only.promise === "none"
                ? c.promiseAt === null
                : c.promiseAt !== null && isSameDay(new Date(c.promiseAt), nowMs))),
      ),
    [cards, only, nowMs],
  );
  // What breaks first stands first, then by promise.
  const byPromise = (a: JobCard, b: JobCard) =>
    Number(b.first) - Number(a.first) ||
    Number(edgeNote(b, nowMs).bad) - Number(edgeNote(a, nowMs).bad) ||
    (a.promiseAt ?? "9").localeCompare(b.promiseAt ?? "9");
  const ready = shown.filter((c) => c.shelf === "ready").sort((a, b) => Number(b.open) - Number(a.open) || byPromise(a, b));
  const first = ready[0] ?? [...shown].sort(byPromise)[0];
  const openOne = atHand(cards);
  useBenchKeys({
    lettersOff,
    onScan: (t) => {
      setQuery(t);
      toFind();
    },
    onEnter: () => first && router.push(`/jobs/${first.id}/${first.station}`),
    keys: { "/": toFind, a: () => router.push("/new"), d: () => nextTheme() },
  });
  const told = usePromises(cards, hours, nowMs, others);
  // Until a date is told the plain sum of minutes stands in.
  const calls = cards.filter((c) => {
    const late = told.get(c.id)?.late;
    return late === undefined || late === null ? edgeNote(c, nowMs).bad : late > 0.5;
  });
  return (
    <div className="frame">
      <header className="strip">
        <div className="facts">
          <Brand />
          <div className="fact">
            <b suppressHydrationWarning>{format(nowMs, "EEEE d MMMM")}</b>
            <span className="name" suppressHydrationWarning>
              {format(nowMs, "HH:mm")}, {shopName || "the bench"}
            </span>
          </div>
          <div className="fact">
            <b>{ready.length === 0 ? "Nothing to open now" : `${ready.length === 1 ? "One" : ready.length} can be opened now`}</b>
            <span>
              {calls.length === 0
                ? "all promises hold"
                : calls.length === 1
                  ? "one promise will break unless you call"
                  : `${calls.length} promises will break unless you call`}
            </span>
          </div>
          <div className="finder">
            <FindBox typed={query} onTyped={setQuery} onOpen={(href) => router.push(href)} inputRef={find} autoFocus={eager} />
            <kbd>/</kbd>
          </div>
          <Link
            href="/new"
            className="fact flex items-center gap-2"
            style={{ borderLeft: "1px solid var(--hair)", paddingTop: 0 }}
            prefetch={false}
          >
            <b>New job</b>
            <kbd>A</kbd>
          </Link>
        </div>
        <ol className="route" aria-label="Lids standing at each station">
          {STATION_NAMES.map((name, i) => {
            const path = STATION_PATHS[i]!;
            const n = cards.filter((c) => c.station === path).length;
            const on = only.station === path;
            return (
              <li key={name}>
                <button
                  type="button"
                  className="cell"
                  data-s={n ? "proven" : "ahead"}
                  aria-pressed={on}
                  title={on ? "Show every station" : `Only jobs in ${name}`}
                  onClick={() => setOnly({ ...only, station: on ? null : path })}
                >
                  <span className="label">
                    <kbd>{i + 1}</kbd>
                    <b>{name}</b>
                  </span>
                  <span className="note">
                    {n ? (
                      <>
                        {/* Five lids at most: how many more says the figure. */}
                        <svg width={Math.min(n, 5) * 17} height={12} aria-hidden="true">
                          {Array.from({ length: Math.min(n, 5) }, (_, k) => (
                            <rect
                              key={k}
                              x={k * 17 + 1}
                              y={1}
                              width={13}
                              height={9}
                              fill="none"
                              stroke="var(--ink)"
                              strokeWidth={1.6}
                            />
                          ))}
                        </svg>
                        {n}
                      </>
                    ) : (
                      "none"
                    )}
                  </span>
                </button>
              </li>
            );
          })}
        </ol>
      </header>
      <main className="benchmain">
        <h1 className="vh">The bench</h1>
        <div className="rack">
          {firstHour && <FirstHour facts={firstHour} />}
          {SHELVES.map((shelf, si) => (
            <Shelf
              key={shelf.id}
              {...shelf}
              jobs={shelf.id === "ready" ? ready : shown.filter((c) => c.shelf === shelf.id).sort(byPromise)}
              hero={si === 0 && first && ready[0] === first ? first : null}
              nowMs={nowMs}
              first={si === 0}
              none={cards.length === 0}
            />
          ))}
        </div>
        <BenchSide
          cards={cards}
          told={told}
          others={others}
          currency={currency}
          stock={stock}
          closed={closed}
          making={making}
          caution={caution}
          machines={machines}
          nowMs={nowMs}
        >
          {cards.length > FEW && (
            <BenchOnly only={only} onOnly={setOnly} people={people} shown={shown.length} all={cards.length} />
          )}
        </BenchSide>
      </main>
      <Tray
        onPower={() => openOne && router.push(`/jobs/${openOne.id}/${openOne.station}`)}
        onCautions={() => openOne && router.push(`/jobs/${openOne.id}/${openOne.station}`)}
        facts={trayOf(cards)}
      />
    </div>
  );
}
