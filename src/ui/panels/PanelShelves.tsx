import Link from "next/link";
import { counted } from "@/core/quantity";
import type { PanelListPage } from "@/wire/panels";
import { Mark } from "../draw/Mark";
import { tabRect } from "../lid/PanelShape";

type Listed = PanelListPage["panels"][number];
/** All panels at one scale, so that they are told apart by eye as they are on a shelf. */
const RATIO = 6.5;
const PX = 96 / 25.4 / RATIO;
const PLUG = { widthMm: 26, heightMm: 6.8 };
const px = (mm: number) => Math.round(mm * PX * 10) / 10;
/** Room around a panel for its tabs, mm. */
const AROUND = 9;

/** Every panel as it lies, from behind, plug edge down: by diagonal, then height, then width. */
export function PanelShelves({ panels }: { panels: readonly Listed[] }) {
  const size = (p: Listed) => p.drawn.diagonalIn ?? 0;
  const sorted = [...panels].sort(
    (a, b) =>
      size(a) - size(b) ||
      (a.drawn.outline?.heightMm ?? 0) - (b.drawn.outline?.heightMm ?? 0) ||
      (a.drawn.outline?.widthMm ?? 0) - (b.drawn.outline?.widthMm ?? 0) ||
      (a.code < b.code ? -1 : 1),
  );
  const shelves = [...new Set(sorted.map(size))].map((inch) => ({ inch, list: sorted.filter((p) => size(p) === inch) }));
  return (
    <>
      <p className="flex flex-wrap items-center gap-x-5 gap-y-1 text-[15px]">
        <b>Seen from behind, plug edge down.</b>
        <span>One scale for all, 1:{RATIO}</span>
        <svg width={px(100) + 2} height={12} role="img" aria-label="100 mm at this scale">
          <path d={`M1 1V11M${px(100) + 1} 1V11M1 6H${px(100) + 1}`} stroke="var(--ink)" strokeWidth={1.6} />
        </svg>
        <span>100 mm</span>
      </p>
      {shelves.map(({ inch, list }) => (
        <section key={inch} className="panelshelf" aria-label={inch ? `${inch} inch` : "Size unknown"}>
          <h2>
            <b>{inch || "?"}</b> {inch ? "inch" : "size unknown"}
            <span>{counted(list.length, "code")}</span>
          </h2>
          <ul aria-label={`Panels of ${inch || "unknown"} inch`}>
            {list.map((p) => (
              <li key={p.id}>
                <Link href={`/panels/${p.id}`} prefetch={false}>
                  <span className="glasses">
                    <Drawn panel={p} />
                  </span>
                  <span className="shelfedge">
                    <b className="mono">{p.code}</b>
                    <span>
                      {p.disputed > 0 && (
                        <>
                          <Mark kind="ask" size={14} /> {p.disputed} disputed{" "}
                        </>
                      )}
                      {p.unknown > 0 ? `${p.unknown} unknown` : "all known"}
                    </span>
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}

function Drawn({ panel: p }: { panel: Listed }) {
  const { outline: o, plug } = p.drawn;
  const w = o?.widthMm ?? 300;
  const h = o?.heightMm ?? 190;
  const at = (mm: number) => px(mm + AROUND);
  // From behind: what lies left from the front lies right.
  const mirrored = (x: number, width: number) => w - x - width;
  return (
    <svg
      width={px(w + 2 * AROUND)}
      height={px(h + 2 * AROUND)}
      role="img"
      aria-label={`${p.code}, ${p.words}${o ? `, ${o.widthMm} by ${o.heightMm} mm` : ", outline unknown"}`}
      className="dw"
    >
      <rect
        x={at(0)}
        y={at(0)}
        width={px(w)}
        height={px(h)}
        className={o ? `shell ev-${p.drawn.outlineSource}` : "ghost"}
        style={o ? { stroke: "var(--ink)" } : undefined}
      />
      {o &&
        p.drawn.tabs.map((t, i) => {
          const r = tabRect(t, o);
          return (
            <rect
              key={i}
              x={at(mirrored(r.xMm, r.widthMm))}
              y={at(r.yMm)}
              width={px(r.widthMm)}
              height={Math.max(2, px(r.heightMm))}
              className="pf"
            />
          );
        })}
      {plug && (
        <rect
          x={at(mirrored(plug.xMm - PLUG.widthMm / 2, PLUG.widthMm))}
          y={at(plug.yMm - PLUG.heightMm / 2)}
          width={px(PLUG.widthMm)}
          height={px(PLUG.heightMm)}
          className="pf"
        />
      )}
      {p.drawn.says.map((s, i) => (
        <text key={s} x={at(8)} y={at(0) + 20 + i * 17} className="t14 mono i2">
          {s}
        </text>
      ))}
    </svg>
  );
}
