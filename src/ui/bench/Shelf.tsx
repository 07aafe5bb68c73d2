"use client";
import Link from "next/link";
import { useCallback, useState } from "react";
import { counted } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import { JobLink } from "./JobLink";

/** Width a lid takes on a shelf with its words, and the next job's, px. */
const LID_PX = 262;
const HERO_PX = 490;

/** How many lids stand beside each other on a shelf of this width, the larger next job counted. */
export const lidsAcross = (widthPx: number, hero: boolean): number =>
  Math.max(1, hero ? 1 + Math.floor((widthPx - HERO_PX) / LID_PX) : Math.floor(widthPx / LID_PX));

/** One shelf: as many lids as stand on it, the rest a page further; folded to its name, or all of them in rows. */
export function Shelf({
  name,
  note,
  empty,
  jobs,
  hero,
  nowMs,
  first,
  none,
}: {
  name: string;
  note: string;
  empty: string;
  jobs: JobCard[];
  /** The job that stands larger, where it stands on this shelf. */
  hero: JobCard | null;
  nowMs: number;
  first: boolean;
  /** Nothing is on the bench at all. */
  none: boolean;
}) {
  const [folded, setFolded] = useState(false);
  const [all, setAll] = useState(false);
  const [page, setPage] = useState(0);
  const [widthPx, setWidth] = useState(818);
  const follow = useCallback((el: HTMLOListElement | null) => {
    if (!el) return;
    const o = new ResizeObserver(([e]) => setWidth(e!.contentRect.width));
    o.observe(el);
    return () => o.disconnect();
  }, []);
  const across = lidsAcross(widthPx, hero !== null);
  const pages = Math.max(1, Math.ceil(jobs.length / across));
  const at = Math.min(page, pages - 1);
  const shown = all ? jobs : jobs.slice(at * across, (at + 1) * across);
  const bigHere = hero !== null && shown[0] === hero;
  return (
    <section className={`shelf${first ? " first" : ""}${folded ? " folded" : ""}`} aria-label={name}>
      <header>
        <h2>
          <button type="button" aria-expanded={!folded} onClick={() => setFolded(!folded)}>
            {name}
          </button>
        </h2>
        {!folded && <p>{note}</p>}
        <span className="count">{counted(jobs.length, "job")}</span>
      </header>
      {!folded && (
        <div className="boards">
          <ol
            ref={follow}
            data-all={all || undefined}
            data-big={bigHere || undefined}
            style={
              {
                "--across": all ? across : Math.max(1, Math.min(across, shown.length + Number(bigHere && shown.length === 1))),
              } as React.CSSProperties
            }
          >
            {jobs.length === 0 && (
              <li className="self-start p-4">
                <span className="empty block" style={{ background: "var(--mat)" }}>
                  {empty}
                  {first && none && (
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
            {shown.map((c) => (
              <li key={c.id}>
                <JobLink card={c} hero={bigHere && c === hero} nowMs={nowMs} />
              </li>
            ))}
          </ol>
          {pages > 1 && (
            <p className="pager">
              {!all && (
                <>
                  <button
                    type="button"
                    disabled={at === 0}
                    onClick={() => setPage(at - 1)}
                    aria-label={`${name}: the ones before`}
                  >
                    Before
                  </button>
                  <span>
                    {at * across + 1} to {at * across + shown.length} of {jobs.length}
                  </span>
                  <button
                    type="button"
                    disabled={at === pages - 1}
                    onClick={() => setPage(at + 1)}
                    aria-label={`${name}: the ones after`}
                  >
                    After
                  </button>
                </>
              )}
              <button type="button" onClick={() => setAll(!all)} aria-pressed={all}>
                {all ? "One row" : `All ${jobs.length}`}
              </button>
            </p>
          )}
        </div>
      )}
    </section>
  );
}
