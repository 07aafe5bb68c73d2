"use client";
import { format, isSameDay } from "date-fns";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { read } from "@/client/device";
import { counted, durationWords } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import { useBenchKeys } from "../controls/useBenchKeys";
import { Mark } from "../draw/Mark";
import { Brand, STATION_NAMES, STATION_PATHS } from "../shell/JobStrip";
import { Tray } from "../shell/Tray";
import { nextTheme } from "../shell/theme";
import { MiniLid } from "./MiniLid";

const SHELVES: { id: JobCard["shelf"]; name: string; note: string; empty: string }[] = [
  {
    id: "ready",
    name: "Ready to open",
    note: "Panel is here",
    empty: "Nothing ready. A job comes here when its panel is checked in.",
  },
  { id: "decision", name: "Needs a decision", note: "One answer each", empty: "No question open." },
  { id: "waiting", name: "Waiting for a panel", note: "Ordered", empty: "Nothing on order." },
  { id: "handOver", name: "Hand over", note: "Proved open", empty: "Nothing to hand over." },
];

const dueWords = (iso: string | null, nowMs: number) =>
  !iso
    ? "No date yet"
    : isSameDay(new Date(iso), nowMs)
      ? `Today ${format(new Date(iso), "HH:mm")}`
      : format(new Date(iso), "EEE d MMM");

function edgeNote(c: JobCard, nowMs: number): { words: string; bad: boolean } {
  if (c.shelf === "waiting" && c.orderedDueIso) {
    const late = c.promiseAt !== null && Date.parse(c.orderedDueIso) > Date.parse(c.promiseAt);
    return { words: `here ${format(new Date(c.orderedDueIso), "EEE d MMM")}${late ? ": call today" : ""}`, bad: late };
  }
  const need = c.minutesLeft ? `needs ${durationWords(c.minutesLeft.p80)}` : "";
  if (!c.promiseAt) return { words: need || "ask when it is wanted", bad: false };
  const start = c.minutesLeft ? Date.parse(c.promiseAt) - c.minutesLeft.p80 * 60_000 : Date.parse(c.promiseAt);
  if (start < nowMs) return { words: `${need ? `${need}, ` : ""}promise breaks`, bad: true };
  return {
    words: need ? `${need}, start by ${format(start, isSameDay(start, nowMs) ? "HH:mm" : "EEE HH:mm")}` : "no plan yet",
    bad: false,
  };
}

/** The bench at the start of the day: what can move now, what waits, and why. */
export function Bench({
  cards,
  closed,
  machines,
  nowMs,
  clockFixed,
}: {
  cards: JobCard[];
  closed: number;
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
  const flat = (s: string) => s.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, "");
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
  const minutes = cards
    .filter((c) => c.shelf === "ready" || c.shelf === "handOver")
    .reduce((n, c) => n + (c.minutesLeft?.p50 ?? 0), 0);
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
                  {jobs.map((c) => {
                    const hero = c === first && si === 0;
                    const note = edgeNote(c, nowMs);
                    return (
                      <li key={c.id}>
                        <Link
                          href={`/jobs/${c.id}/${c.station}`}
                          prefetch={false}
                          className={`jobcard${hero ? " hero" : ""}`}
                          data-job={c.number}
                        >
                          <span className="lid">
                            <MiniLid card={c} ratio={hero ? 5 : 12} />
                          </span>
                          <span className="words">
                            <b className="num">{c.number}</b>
                            <b className="machine">{c.machine}</b>
                            <span className="cust block">{c.customer}</span>
                            <span className="why block">
                              {c.reason}
                              {hero && c.tools.length > 0 && ` Fetch: ${c.tools.join(", ")}.`}
                            </span>
                          </span>
                          <span className="edge">
                            <b>
                              <span>{dueWords(c.promiseAt, nowMs)}</span>
                              {hero && (
                                <span>
                                  Open <kbd>Enter</kbd>
                                </span>
                              )}
                            </b>
                            <span>
                              {note.bad && <Mark kind="stop" size={14} label="promise breaks" />}
                              {note.words}
                            </span>
                          </span>
                        </Link>
                      </li>
                    );
                  })}
                </ol>
              </section>
            );
          })}
        </div>
        <aside className="side" aria-label="Today">
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
            <p>
              {minutes > 0 ? `${durationWords(minutes)} of hands-on work can be done now (P50).` : "No planned work is ready."}
            </p>
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
              Machines and builds ({machines.length})
            </Link>
            <Link className="link" href="/settings" prefetch={false}>
              Settings, import
            </Link>
            <span className="q">{closed} closed</span>
          </section>
        </aside>
      </main>
      <Tray
        said={said}
        onPower={() => openOne && router.push(`/jobs/${openOne.id}/${openOne.station}`)}
        onCautions={() => openOne && router.push(`/jobs/${openOne.id}/${openOne.station}`)}
        facts={
          openOne
            ? {
                power: {
                  state: openOne.power.isolated ? "isolated" : openOne.power.live ? "live" : "off",
                  title: openOne.power.title,
                  note: `${openOne.number} lies open`,
                },
                bit: { drive: null, title: "No bit", note: "in hand" },
                screws: {
                  title: openOne.screwsOut ? `${counted(openOne.screwsOut, "screw")} out` : "No screw out",
                  note: `of ${openOne.number}`,
                  groups: [],
                },
                film: { title: "No film", note: "see the job", on: null },
                cautions: { title: "1 open", note: "machine lies open", stopped: false, count: 1 },
              }
            : {
                power: { state: "clear", title: "Nothing on bench", note: "mat is clear" },
                bit: { drive: null, title: "No bit", note: "in hand" },
                screws: { title: "Tray empty", note: "no machine lies open", groups: [] },
                film: { title: "No film", note: "no panel open", on: null },
                cautions: { title: "None open", note: "nothing to mind", stopped: false, count: 0 },
              }
        }
      />
    </div>
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
