"use client";
import Link from "next/link";
import { useEffect, useState } from "react";
import type { NamedHit } from "@/client/catalogue";
import { differenceWords } from "@/core/catalogue";
import { counted } from "@/core/quantity";
import type { PanelListPage } from "@/wire/panels";
import { useCatalogue } from "../job/useCatalogue";
import { Brand } from "../shell/JobStrip";
import { PanelShelves } from "./PanelShelves";

/** Every panel on record: found by any of its numbers, misread ones too. */
export function PanelList({ all, after, next, panels }: PanelListPage) {
  const catalogue = useCatalogue();
  const [query, setQuery] = useState("");
  const [hits, setHits] = useState<readonly NamedHit[] | null>(null);
  useEffect(() => {
    const q = query.trim();
    if (!q || !catalogue.size) return setHits(null);
    let gone = false;
    void catalogue.search(q, 20).then((h) => !gone && setHits(h));
    return () => {
      gone = true;
    };
  }, [query, catalogue.search, catalogue.size]);
  return (
    <main className="grow-page">
      <div className="desk wide">
        <p>
          <Brand />
        </p>
        <header className="flex flex-wrap items-end gap-x-6 gap-y-2">
          <h1 className="step">Panels</h1>
          <span className="q grow pb-2">{counted(all, "panel")} on record</span>
          <Link className="btn" href="/panels/new">
            Add a panel
          </Link>
          <Link className="btn" href="/panels/import">
            Read a table
          </Link>
        </header>
        <label className="field">
          <span>Find by code, spare-part number or machine</span>
          <input
            type="search"
            className="mono"
            value={query}
            maxLength={80}
            onChange={(e) => setQuery(e.target.value)}
            placeholder={catalogue.size === null ? "Reading the catalogue" : "a code as it reads on the label, faults and all"}
          />
        </label>
        {hits ? (
          hits.length === 0 ? (
            <div className="empty" role="status">
              <b>Nothing near "{query.trim()}".</b>{" "}
              <Link className="link" href="/panels/new">
                Add it as a new panel
              </Link>
            </div>
          ) : (
            <ul className="rows" aria-label="Found">
              {hits.flatMap((h) =>
                h.names.flatMap((n) =>
                  n.panels.map((p) => (
                    <li key={`${h.code}-${n.kind}-${p.id}`}>
                      <Link className="link mono font-bold" href={`/panels/${p.id}`}>
                        {p.code}
                      </Link>
                      <span className="grow q">
                        {n.kind === "machine" ? `seen in ${n.machine}` : n.kind === "otherName" ? `also ${h.code}` : ""}{" "}
                        {h.differences.map(differenceWords).join(", ")}
                      </span>
                      <em className="mono">{h.cost.toFixed(2)}</em>
                    </li>
                  )),
                ),
              )}
            </ul>
          )
        ) : all === 0 ? (
          <div className="empty">
            <b>No panel on record.</b> Add one, or read a table of them.
          </div>
        ) : (
          <>
            <PanelShelves panels={panels} />
            <nav className="flex gap-6" aria-label="Pages">
              {after && (
                <Link className="link" href="/panels">
                  From the start
                </Link>
              )}
              {next && (
                <Link className="link" href={`/panels?after=${encodeURIComponent(next)}`}>
                  Next {panels.length}
                </Link>
              )}
            </nav>
          </>
        )}
        <p className="flex gap-6">
          <a className="link" href="/api/panels/export?format=csv" download>
            Write all as CSV
          </a>
          <a className="link" href="/api/panels/export?format=json" download>
            Write all as JSON, with claims
          </a>
          <Link className="link" href="/builds">
            Machines and builds
          </Link>
          <Link className="link" href="/">
            To the bench
          </Link>
        </p>
      </div>
    </main>
  );
}
