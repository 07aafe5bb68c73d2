"use client";
import { format } from "date-fns";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { read } from "@/client/device";
import { counted } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import { useBenchKeys } from "../controls/useBenchKeys";
import { Brand, STATION_NAMES, STATION_PATHS } from "../shell/JobStrip";
import { Tray } from "../shell/Tray";
import { nextTheme } from "../shell/theme";
import { BenchSide } from "./BenchSide";
import { trayOf } from "./benchTray";
import { JobLink } from "./JobLink";
import { edgeNote, SHELVES } from "./shelf";

const flat = (s: string) => s.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, "");

/** The bench at the start of the day: what can move now, what waits, and why. */
export function Bench({
  cards,
  closed,
  making = 0,
  caution = null,
  machines,
  nowMs,
  clockFixed,
}: {
  cards: JobCard[];
  closed: number;
  /** Jobs whose card is still being made. */
  making?: number;
  /** What the shop's own state asks for. */
  caution?: { words: string; stop: boolean } | null;
  machines: string[];
  nowMs: number;
  clockFixed: boolean;
}) {
  const router = useRouter();
  const [query, setQuery] = useState("");
  const [said, setSaid] = useState<string | null>(null);
  const [lettersOff, setLettersOff] = useState(false);
  const find = useRef<HTMLInputElement>(null);
  useEffect(() => {
    setLettersOff(read("helvane.letters") === "off");
    if (new URLSearchParams(location.search).has("find")) find.current?.focus();
    if (clockFixed) return;
    const t = setInterval(() => router.refresh(), 30_000);
    return () => clearInterval(t);
  }, [router, clockFixed]);
  const shown = useMemo(() => {
    const q = flat(query);
    return q
      ? cards.filter((c) => flat([c.number, c.customer, c.machine, c.serial, c.oldCode, c.newCode].join(" ")).includes(q))
      : cards;
  }, [cards, query]);
  const byPromise = (a: JobCard, b: JobCard) => (a.promiseAt ?? "9").localeCompare(b.promiseAt ?? "9");
  const ready = shown.filter((c) => c.shelf === "ready").sort((a, b) => Number(b.open) - Number(a.open) || byPromise(a, b));
  const first = ready[0] ?? [...shown].sort(byPromise)[0];
  const openOne = cards.find((c) => c.open);
  useBenchKeys({
    lettersOff,
    onScan: (t) => {
      setQuery(t);
      setSaid(`Scanned ${t}`);
    },
    onEnter: () => first && router.push(`/jobs/${first.id}/${first.station}`),
    keys: { "/": () => find.current?.focus(), a: () => router.push("/new"), d: () => nextTheme() },
  });
  const calls = cards.map((c) => ({ c, note: edgeNote(c, nowMs) })).filter((x) => x.note.bad);
  return (
    <div className="frame">
      <h1 className="vh">The bench</h1>
      <header className="strip">
        <div className="facts">
          <Brand />
          <div className="fact">
            <b>{format(nowMs, "EEEE d MMMM")}</b>
            <span>{format(nowMs, "HH:mm")}, library service bench</span>
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
          <label className="flex grow items-center gap-3" style={{ borderRight: 0, padding: "0 18px" }}>
            <span className="vh">Find a job, machine or panel code</span>
            <input
              ref={find}
              type="search"
              value={query}
              onChange={(e) => setQuery(e.target.value)}
              placeholder="Job, machine or panel code"
              style={{ border: 0, background: "transparent", minHeight: 40 }}
            />
            <kbd>/</kbd>
          </label>
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
            const n = cards.filter((c) => c.station === STATION_PATHS[i]).length;
            return (
              <li key={name} className="cell" data-s={n ? "proven" : "ahead"}>
                <span className="label">
                  <kbd>{i + 1}</kbd>
                  <b>{name}</b>
                </span>
                <span className="note">
                  {n ? (
                    <>
                      <svg width={n * 17} height={12} aria-hidden="true">
                        {Array.from({ length: n }, (_, k) => (
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
              </li>
            );
          })}
        </ol>
      </header>
      <main style={{ gridTemplateColumns: "minmax(0, 1fr) 318px" }}>
        <div className="rack">
          {SHELVES.map((shelf, si) => {
            const jobs = shelf.id === "ready" ? ready : shown.filter((c) => c.shelf === shelf.id).sort(byPromise);
            return (
              <section key={shelf.id} className={`shelf${si === 0 ? " first" : ""}`} aria-label={shelf.name}>
                <header>
                  <h2>{shelf.name}</h2>
                  <p>{shelf.note}</p>
                  <span className="count">{counted(jobs.length, "job")}</span>
                </header>
                <ol>
                  {jobs.length === 0 && (
                    <li className="self-start p-4">
                      <span className="empty block" style={{ background: "var(--mat)" }}>
                        {shelf.empty}
                        {shelf.id === "ready" && cards.length === 0 && (
                          <>
                            {" "}
                            <Link className="link" href="/new">
                              Open a job
                            </Link>
                          </>
                        )}
                      </span>
                    </li>
                  )}
                  {jobs.map((c) => (
                    <li key={c.id}>
                      <JobLink card={c} hero={c === first && si === 0} nowMs={nowMs} />
                    </li>
                  ))}
                </ol>
              </section>
            );
          })}
        </div>
        <BenchSide cards={cards} closed={closed} making={making} caution={caution} machines={machines.length} nowMs={nowMs} />
      </main>
      <Tray
        said={said}
        onPower={() => openOne && router.push(`/jobs/${openOne.id}/${openOne.station}`)}
        onCautions={() => openOne && router.push(`/jobs/${openOne.id}/${openOne.station}`)}
        facts={trayOf(openOne)}
      />
    </div>
  );
}
