"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { read } from "@/client/device";
import { codeKey } from "@/core/panel";
import { counted } from "@/core/quantity";
import { readItem } from "@/core/stock";
import type { StockPageData } from "@/wire/stock";
import { Sheet } from "../controls/Sheet";
import { useBenchKeys } from "../controls/useBenchKeys";
import { Hatch } from "../draw/Hatch";
import { HELD_SAYS } from "../job/held";
import { nextTheme } from "../shell/theme";
import { BuySide } from "./BuySide";
import type { OrderLine } from "./bindLine";
import { CameIn, type CameInStart } from "./CameIn";
import { ItemSide, type LotAct } from "./ItemSide";
import { JobPanelCame } from "./JobPanelCame";
import { NotTakenList } from "./NotTakenList";
import { Parcels } from "./Parcels";
import { StockShelves } from "./StockShelves";
import { StockStrip } from "./StockStrip";
import { Breaches, ToCount } from "./ToCount";
import { useStock } from "./useStock";
import { itemWords } from "./words";

const NOTHING: CameInStart = { line: null, seller: "", label: "", item: null };

/** The stock: what lies on the shelves, what jobs will take, what to buy, what is on its way. */
export function Stock({ page }: { page: StockPageData }) {
  const router = useRouter();
  const stock = useStock(page);
  const { log, shelves, orders } = stock;
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
  const cameFor = (line: string, label = "") => {
    for (const o of Object.values(orders)) {
      const l = o.lines.find((x) => x.line === line);
      // What stands in no job is nobody's: kept for a job that needs none any more it would lie here for ever.
      if (l) setCame({ line: page.lines[l.line] ? l : { ...l, job: null }, seller: o.seller, label, item: null });
    }
  };
  /** A panel that is on its way, by the code of its label: for a job before the shelf. */
  const onWay = (text: string): OrderLine | undefined =>
    Object.values(orders)
      .flatMap((o) => o.lines.filter((l) => !o.over[l.line] && l.came < l.count))
      .filter((l) => readItem(l.item)?.kind === "panel" && codeKey(readItem(l.item)!.what) === codeKey(text))
      .sort((a, b) => Number(b.job !== null) - Number(a.job !== null))[0];
  /** A label, a code or a place: a lot opens, what is not known comes in by it. */
  const look = (text: string) => {
    const t = text.trim().toLowerCase();
    if (!t) return;
    const parcel = shelves.some((i) => i.lots.some((l) => l.lot.toLowerCase() === t)) ? undefined : onWay(text);
    if (parcel) {
      setTyped("");
      return cameFor(parcel.line, page.lines[parcel.line] ? text.trim() : "");
    }
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
  return (
    <div className="frame">
      <Hatch id="kept" />
      <StockStrip
        nowMs={page.nowMs}
        short={short.length}
        waiting={waiting.size}
        log={log}
        typed={typed}
        onType={setTyped}
        onLook={look}
        onCameIn={() => setCame(NOTHING)}
        find={find}
      />
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
            <ItemSide
              item={item}
              stock={stock}
              salvage={page.salvage}
              currency={page.currency}
              act={act}
              onAct={setAct}
              onClose={() => choose(null)}
            />
          ) : (
            <>
              <BuySide page={page} stock={stock} />
              <Parcels page={page} stock={stock} onCame={cameFor} onSaid={setSaid} />
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
        {came?.line?.job && page.lines[came.line.line]?.is === "out" && (
          <JobPanelCame
            line={came.line}
            jobId={page.lines[came.line.line]!.id}
            label={came.label}
            onShelf={() => setCame({ ...NOTHING, seller: came.seller })}
            onDone={(words) => {
              setCame(null);
              setSaid(words);
              router.refresh();
            }}
          />
        )}
        {came && !(came.line?.job && page.lines[came.line.line]?.is === "out") && (
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
