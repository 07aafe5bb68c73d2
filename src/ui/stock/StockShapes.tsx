import { readScrew, type ShelfItem } from "@/core/stock";
import type { PanelSize } from "@/wire/stock";
import { ScrewSide } from "../draw/screws";

/** Panels and lids at one tenth; screws as large as they are. */
const TENTH = 96 / 25.4 / 10;
const FULL = 96 / 25.4;
const r1 = (v: number) => Math.round(v * 10) / 10;
/** What a panel is drawn as where nobody recorded its outline: dashed, of a common size. */
const COMMON: PanelSize = { widthMm: 309, heightMm: 174 };
const MOST_BEHIND = 5;

/** Fill of a piece: here and free is solid, kept for a job hatched, needed dashed. */
const look = (k: "free" | "kept" | "need") =>
  k === "free"
    ? { fill: "var(--ink)", stroke: "var(--sheet)" }
    : k === "kept"
      ? { fill: "url(#kept)", stroke: "var(--ink)" }
      : { fill: "none", stroke: "var(--ink)", strokeDasharray: "4 3" };

const piecesOf = (i: ShelfItem): ("free" | "kept" | "need")[] => [
  ...Array.from({ length: i.kept }, () => "kept" as const),
  ...Array.from({ length: i.free }, () => "free" as const),
  ...Array.from({ length: i.short }, () => "need" as const),
];

/** Panels as they stand one behind the other, each by its outline. */
export function PanelPieces({ item, size }: { item: ShelfItem; size: PanelSize | undefined }) {
  const { widthMm, heightMm } = size ?? COMMON;
  const [w, h] = [r1(widthMm * TENTH), r1(heightMm * TENTH)];
  const all = piecesOf(item);
  const shown = all.slice(0, MOST_BEHIND + 1);
  const step = 22;
  const first = item.lots.at(-1);
  const says = item.onHand === 0 ? "needed" : (first?.state ?? "new");
  return (
    <svg width={w + step * (shown.length - 1) + 4} height={h + 3} aria-hidden="true" className="dw">
      {shown.map((k, n) => (
        <rect key={n} x={2 + step * n} y={2} width={w} height={h} strokeWidth={1.6} {...look(k)} />
      ))}
      <text
        x={2 + step * (shown.length - 1) + w - 7}
        y={h - 6}
        textAnchor="end"
        className="t14"
        style={{ fill: shown.at(-1) === "free" ? "var(--sheet)" : "var(--ink)", paintOrder: "stroke" }}
        stroke={shown.at(-1) === "kept" ? "var(--sheet)" : "none"}
        strokeWidth={5}
      >
        {says}
      </text>
    </svg>
  );
}

/** Screws standing in a row, true to head and length; beyond a dozen the caption counts. */
export function ScrewPieces({ item }: { item: ShelfItem }) {
  const read = readScrew(item.item);
  const all = piecesOf(item).slice(0, 12);
  const lengthMm = Math.min(14, read?.lengthMm ?? 3);
  const d = Number(/([\d.]+)/.exec(read?.thread ?? "M2")?.[1] ?? 2);
  const head = (read?.head ?? "pan") as "pan";
  const step = Math.max(16, d * 2.2 * FULL);
  const h = (lengthMm + 2) * FULL;
  return (
    <svg width={all.length * step + 4} height={r1(h + 4)} aria-hidden="true" className="dw">
      {all.map((k, n) => (
        <g key={n} style={{ ...look(k), stroke: k === "free" ? "var(--ink)" : look(k).stroke }}>
          <ScrewSide
            x={step / 2 + n * step + 2}
            y={1.7 * FULL}
            s={FULL}
            className={`stockscrew ${k}`}
            type={{ thread: `M${d}`, lengthMm, head, headDiameterMm: d * 1.9, headHeightMm: d * 0.55 }}
          />
        </g>
      ))}
    </svg>
  );
}

/** What a part looks like, by what it is called. */
function partPath(what: string): { d: string; w: number; h: number; line?: boolean } {
  if (/hinge/i.test(what)) return { d: "M1 1H31V27H75V37H1Z", w: 76, h: 38 };
  if (/cable|lead/i.test(what)) return { d: "M2 33H44Q56 33 58 20T72 6H124", w: 130, h: 40, line: true };
  if (/bracket|rail/i.test(what)) return { d: "M1 4H151V10H1ZM1 17H151V23H1Z", w: 152, h: 24 };
  if (/tab|clip/i.test(what)) return { d: "M1 1H12V20H1ZM20 1H31V20H20Z", w: 34, h: 21 };
  if (/bezel|cover|trim/i.test(what)) return { d: "M1 1H117V67H1ZM8 8V58H110V8Z", w: 118, h: 68 };
  if (/panel/i.test(what)) return { d: "M1 1H117V67H1ZM30 1L52 30L46 44L70 67", w: 118, h: 68 };
  return { d: "M1 1H60V32H1Z", w: 62, h: 34 };
}

export function PartPieces({ item }: { item: ShelfItem }) {
  const { d, w, h, line } = partPath(item.what);
  const all = piecesOf(item).slice(0, 4);
  const step = Math.min(w + 6, 40);
  return (
    <svg width={w + step * (all.length - 1) + 2} height={h + 2} aria-hidden="true" className="dw">
      {all.map((k, n) => {
        const l = look(k);
        const broken = item.kind === "donor";
        return (
          <g key={n} transform={`translate(${n * step} 0)`}>
            {line ? (
              <path d={d} fill="none" strokeWidth={7} stroke="var(--ink)" strokeDasharray={k === "need" ? "6 4" : undefined} />
            ) : (
              <path
                d={d}
                fillRule="evenodd"
                strokeWidth={1.6}
                {...l}
                {...(broken ? { fill: "var(--sheet)", stroke: "var(--ink)" } : {})}
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
