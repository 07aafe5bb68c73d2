"use client";
import { format } from "date-fns";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { read } from "@/client/device";
import { msOf, placeOf, ruleOf } from "@/core/job";
import { counted } from "@/core/quantity";
import type { StockPageData } from "@/wire/stock";
import { Sheet } from "../controls/Sheet";
import { useBenchKeys } from "../controls/useBenchKeys";
import { Hatch } from "../draw/Hatch";
import { HELD_SAYS } from "../job/held";
import { Brand } from "../shell/JobStrip";
import { nextTheme } from "../shell/theme";
import { BuySide } from "./BuySide";
import { CameIn, type CameInStart } from "./CameIn";
import { ItemSide, type LotAct } from "./ItemSide";
import { NotTakenList } from "./NotTakenList";
import { Parcels } from "./Parcels";
import { StockShelves } from "./StockShelves";
import { Breaches, ToCount } from "./ToCount";
import { useStock } from "./useStock";
import { itemWords } from "./words";

const NOTHING: CameInStart = { line: null, seller: "", label: "", item: null };

/** The stock: what lies on the shelves, what jobs will take, what to buy, what is on its way. */
export function Stock({ page }: { page: StockPageData }) {
  const router = useRouter();
  const stock = useStock(page);
  const { log, shelves } = stock;
  const [chosen, setChosen] = useState<string | null>(null);
  const [act, setAct] = useState<{ lot: string; is: LotAct } | null>(null);
  const [came, setCame] = useState<CameInStart | null>(null);
  const [typed, setTyped] = useState("");
  const [said, setSaid] = useState("");
  const [lettersOff, setLettersOff] = useState(false);
  const find = useRef<HTMLInputElement>(null);
  useEffect(() => setLettersOff(read("helvane.letters") === "off"), []);
  const item = shelves.find((i) => i.item === chosen) ?? null;
  const short = shelves.filter((i) => i.short > i.coming);
  const waiting = new Set(short.flatMap((i) => i.keptFor.map((k) => k.job)));

  const choose = (name: string | null) => {
    setChosen(name);
    setAct(null);
    log.clearRefusal();
  };
  const cameFor = (line: string) => {
    for (const o of Object.values(log.state.shop.orders)) {
      const l = o.lines.find((x) => x.line === line);
      if (l) setCame({ line: l, seller: o.seller, label: "", item: null });
    }
  };
  /** A label, a code or a place: a lot opens, what is not known comes in by it. */
  const look = (text: string) => {
    const t = text.trim().toLowerCase();
    if (!t) return;
    const hit =
      shelves.find((i) => i.lots.some((l) => l.lot.toLowerCase() === t)) ??
      shelves.find((i) => i.what.toLowerCase() === t) ??
      shelves.find((i) => itemWords(i.item).toLowerCase().includes(t)) ??
      shelves.find((i) => i.lots.some((l) => l.place.toLowerCase() === t || l.lot.toLowerCase().includes(t)));
    setTyped("");
    if (hit) {
      choose(hit.item);
      const lot = hit.lots.find((l) => l.lot.toLowerCase() === t);
      if (lot) setAct({ lot: lot.lot, is: "count" });
      return;
    }
    setCame({ ...NOTHING, label: text.trim() });
  };
  const first = item?.lots[0];
  useBenchKeys({
    lettersOff,
    onScan: look,
    keys: {
      "/": () => find.current?.focus(),
      a: () => setCame(NOTHING),
      k: () => {
        if (first) return setAct({ lot: first.lot, is: "count" });
        const next = page.count[0];
        if (next) {
          choose(next.item);
          setAct({ lot: next.lot, is: "count" });
        }
      },
      u: () => first && setAct({ lot: first.lot, is: "use" }),
      z: () => log.takeBack(),
      b: () => router.push("/"),
      d: () => nextTheme(),
    },
    onBackspace: () => log.takeBack(),
  });
  useEffect(() => {
    const leave = (e: KeyboardEvent) => {
      if (e.key !== "Escape" || document.querySelector('[role="dialog"]')) return;
      setAct(null);
      setChosen(null);
    };
    window.addEventListener("keydown", leave);
    return () => window.removeEventListener("keydown", leave);
  }, []);
  const last = log.canTakeBack;
  return (
    <div className="frame">
      <Hatch id="kept" />
      <header className="strip">
        <div className="facts">
          <Brand />
          <div className="fact">
            <b>Stock</b>
            <span suppressHydrationWarning>{format(page.nowMs, "EEE d MMM, HH:mm")}</span>
          </div>
          <div className="fact">
            <b>{short.length === 0 ? "Nothing short" : `${counted(short.length, "thing")} short`}</b>
            <span>
              {waiting.size === 0
                ? "no job waits for stock"
                : `${counted(waiting.size, "job")} ${waiting.size === 1 ? "waits" : "wait"} for ${short.length === 1 ? "it" : "them"}`}
            </span>
          </div>
          <div className="finder">
            <form
              className="grow"
              onSubmit={(e) => {
                e.preventDefault();
                look(typed);
              }}
            >
              <input
                ref={find}
                value={typed}
                onChange={(e) => setTyped(e.target.value)}
                placeholder="Scan, code or shelf"
                aria-label="Scan, code or shelf"
                maxLength={80}
                autoComplete="off"
              />
            </form>
            <kbd>/</kbd>
          </div>
          <button type="button" className="fact flex items-center gap-2 camein" onClick={() => setCame(NOTHING)}>
            <b>Came in</b>
            <kbd>A</kbd>
          </button>
        </div>
        <p className="stocklegend">
          <b>Everything in its own shape.</b>
          <span className="key free" /> here and free
          <span className="key kept" /> here, kept for a job
          <span className="key need" /> needed, not here
          <span className="grow" />
          {last && (
            <button type="button" className="link" onClick={() => log.takeBack()}>
              Take back: {ruleOf(last.type).name}, {format(msOf(placeOf(last)), "HH:mm")} <kbd>Z</kbd>
            </button>
          )}
        </p>
      </header>
      <main className="benchmain">
        <h1 className="vh">Stock</h1>
        <StockShelves shelves={shelves} sizes={page.sizes} chosen={chosen} onChoose={(i) => choose(i === chosen ? null : i)} />
        <aside className="side" aria-label="Buying and counting">
          {(log.unsent > 0 || log.notTaken.length > 0) && (
            <section role="status">
              {log.unsent > 0 && (
                <p>
                  {counted(log.unsent, "act")} kept here. {log.held ? HELD_SAYS[log.held.by] : "Being sent now."}
                </p>
              )}
              <NotTakenList log={log} />
            </section>
          )}
          {said && (
            <p role="status" className="q">
              {said}
            </p>
          )}
          {item ? (
            <ItemSide item={item} stock={stock} act={act} onAct={setAct} onClose={() => choose(null)} />
          ) : (
            <>
              <BuySide page={page} stock={stock} />
              <Parcels stock={stock} nowMs={page.nowMs} onCame={cameFor} />
              <ToCount
                page={page}
                onCount={(c) => {
                  choose(c.item);
                  setAct({ lot: c.lot, is: "count" });
                }}
              />
              <Breaches breaches={page.breaches} />
            </>
          )}
          <section className="desklinks mt-auto">
            <Link className="link" href="/" prefetch={false}>
              To the bench <kbd>B</kbd>
            </Link>
            <Link className="link" href="/figures" prefetch={false}>
              What the figures say
            </Link>
            <Link className="link" href="/sellers" prefetch={false}>
              Sellers and offers
            </Link>
          </section>
        </aside>
      </main>
      <Sheet
        open={came !== null}
        onClose={() => setCame(null)}
        title={came?.line ? `${itemWords(came.line.item)} came` : "Something came in"}
      >
        {came && (
          <CameIn
            stock={stock}
            start={came}
            onDone={(words) => {
              setCame(null);
              setSaid(words);
            }}
          />
        )}
      </Sheet>
    </div>
  );
}
