import { format } from "date-fns";
import { counted } from "@/core/quantity";
import { readTape, type ShelfItem } from "@/core/stock";
import type { StockPageData } from "@/wire/stock";
import { Mark } from "../draw/Mark";
import { PanelPieces, PartPieces, ScrewPieces } from "./StockShapes";
import { itemWords, metres } from "./words";

interface Props {
  shelves: readonly ShelfItem[];
  sizes: StockPageData["sizes"];
  chosen: string | null;
  onChoose: (item: string) => void;
}

/** Jobs by name, a few of them. */
function jobsOf(i: ShelfItem): string {
  const names = i.keptFor.map((k) => k.job);
  return names.length > 3 ? `${names.slice(0, 2).join(", ")} and ${names.length - 2} more` : names.join(", ");
}

/** What stands under a thing: how many are here, kept and free; short is said first. */
function caption(i: ShelfItem): { words: string; bad: boolean } {
  const other = i.kind === "panel" ? i.lots.filter((l) => l.state !== "new").reduce((n, l) => n + l.left, 0) : 0;
  const parts = [
    `${i.onHand} here`,
    i.short > 0 ? `${i.short} short for ${jobsOf(i)}` : i.kept > 0 ? `${i.kept} kept for ${jobsOf(i)}` : "",
    i.kept > 0 && i.free > 0 && i.short === 0 ? `${i.free} free` : "",
    other > 0 ? `${other} ${[...new Set(i.lots.filter((l) => l.state !== "new").map((l) => l.state))].join(" or ")}` : "",
    i.coming > 0 ? `${i.coming} coming` : "",
  ];
  return { words: parts.filter(Boolean).join(", "), bad: i.short > i.coming };
}

function Things({
  title,
  scale,
  list,
  none,
  draw,
  chosen,
  onChoose,
}: Omit<Props, "shelves" | "sizes"> & {
  title: string;
  scale: string;
  list: readonly ShelfItem[];
  none: string;
  draw: (i: ShelfItem) => React.ReactNode;
}) {
  const pieces = list.reduce((n, i) => n + i.onHand, 0);
  return (
    <section className="stockshelf" aria-label={title}>
      <header>
        <h2>{title}</h2>
        <p className="mono">{scale}</p>
        <p className="edge">{counted(pieces, "piece")}</p>
      </header>
      <ul>
        {list.map((i) => {
          const c = caption(i);
          return (
            <li key={i.item}>
              <button type="button" aria-pressed={chosen === i.item} data-item={i.item} onClick={() => onChoose(i.item)}>
                <span className="things">{draw(i)}</span>
                <span className="edge">
                  <b className={i.kind === "panel" ? "mono" : undefined}>{itemWords(i.item)}</b>
                  <span className={c.bad ? "font-bold" : undefined}>{c.words}</span>
                </span>
              </button>
            </li>
          );
        })}
        {list.length === 0 && (
          <li className="none">
            <span className="things">
              <span className="q">{none}</span>
            </span>
            <span className="edge" />
          </li>
        )}
      </ul>
    </section>
  );
}

/** Rolls unrolled: how much is left, kept and short, on one ruler of metres. */
function Tapes({ list, chosen, onChoose }: { list: readonly ShelfItem[] } & Pick<Props, "chosen" | "onChoose">) {
  const longest = Math.max(10_000, ...list.map((i) => Math.max(i.onHand, i.kept + i.short)));
  const span = Math.ceil(longest / 5000) * 5;
  const pc = (mm: number) => `${(mm / (span * 1000)) * 100}%`;
  return (
    <section className="stockshelf tapes" aria-label="Tape">
      <header>
        <h2>Tape</h2>
        <p className="mono">width 1:1</p>
        <p className="edge">{counted(list.length, "width")}</p>
      </header>
      <div>
        {list.length === 0 && (
          <p className="q p-3">No roll is on record. Press A when one comes in: its width, thickness and length.</p>
        )}
        {list.map((i) => {
          const t = readTape(i.item);
          const h = Math.max(3, Math.min(26, (t?.widthMm ?? 3) * (96 / 25.4)));
          const expires = i.lots[0]?.expires;
          return (
            <button
              key={i.item}
              type="button"
              className="roll"
              aria-pressed={chosen === i.item}
              data-item={i.item}
              onClick={() => onChoose(i.item)}
            >
              <b className="mono">
                {t?.widthMm} × {t?.thicknessMm.toFixed(2)}
              </b>
              <svg width="32" height="32" viewBox="0 0 32 32" aria-hidden="true">
                <circle cx="16" cy="16" r="14" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.6" />
                <circle cx="16" cy="16" r="6" fill="none" stroke="var(--ink)" strokeWidth="3" />
              </svg>
              <span className="length" aria-hidden="true">
                <svg width="100%" height={h + 4} preserveAspectRatio="none">
                  <rect x="0" y="2" width={pc(i.kept)} height={h} fill="url(#kept)" stroke="var(--ink)" strokeWidth="1.4" />
                  <rect x={pc(i.kept)} y="2" width={pc(i.free)} height={h} fill="var(--ink)" />
                  <rect
                    x={pc(i.onHand)}
                    y="2"
                    width={pc(i.short)}
                    height={h}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth="1.4"
                    strokeDasharray="4 3"
                  />
                </svg>
              </span>
              <span className="said">
                <b className="mono">{metres(i.onHand)}</b>{" "}
                {i.short > 0 ? (
                  <b>
                    <Mark kind="stop" size={16} label="short" /> {metres(i.short)} short
                  </b>
                ) : i.kept > 0 ? (
                  `${metres(i.kept)} kept`
                ) : (
                  "free"
                )}
                {expires && i.onHand > 0 ? `, until ${format(new Date(expires), "MMM yyyy")}` : ""}
              </span>
            </button>
          );
        })}
        {list.length > 0 && (
          <div className="metres" aria-hidden="true">
            <div>
              {Array.from({ length: span / 5 + 1 }, (_, k) => (
                <span key={k} style={{ left: `${(k / (span / 5)) * 100}%` }}>
                  {k === 0 ? "0 m" : k * 5}
                </span>
              ))}
            </div>
          </div>
        )}
      </div>
    </section>
  );
}

/** Everything the shop keeps, each in its own shape on its own shelf. */
export function StockShelves({ shelves, sizes, chosen, onChoose }: Props) {
  const of = (...kinds: ShelfItem["kind"][]) => shelves.filter((i) => kinds.includes(i.kind));
  const same = { chosen, onChoose };
  return (
    <div className="stockrack">
      <Things
        title="Panels"
        scale="1:10"
        list={of("panel")}
        none="No panel lies here. What comes for a job stands here by itself."
        draw={(i) => <PanelPieces item={i} size={sizes[i.what]} />}
        {...same}
      />
      <Tapes list={of("tape")} {...same} />
      <Things
        title="Screws"
        scale="1:1"
        list={of("screw")}
        none="No screw is on record. What stays out of a job comes here by itself."
        draw={(i) => <ScrewPieces item={i} />}
        {...same}
      />
      <Things
        title="Parts"
        scale="not to scale"
        list={of("part", "film", "tool", "donor")}
        none="Nothing taken out is kept. Old panels come here by themselves."
        draw={(i) => <PartPieces item={i} />}
        {...same}
      />
    </div>
  );
}
