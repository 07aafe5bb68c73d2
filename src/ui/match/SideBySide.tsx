"use client";
import { useEffect, useRef, useState } from "react";
import type { FitRow } from "@/core/panel";
import { Choose } from "../controls/Choose";
import { MARK_WORDS, Mark, markOf } from "../draw/Mark";
import { grouped } from "./groups";
import { Value } from "./parts";
import type { Candidate } from "./useCandidates";

const MOST = 4;

/** Up to four candidates beside each other, field by field. Fields in which all agree with the old panel stand back. */
export function SideBySide({
  candidates,
  shown,
  at,
  onPick,
  onAt,
}: {
  candidates: readonly Candidate[];
  shown: string | undefined;
  at: string | null;
  onPick: (hash: string) => void;
  onAt: (field: string | null) => void;
}) {
  const first = candidates.slice(0, MOST).map((c) => c.hash);
  const [chosen, setChosen] = useState<string[]>(
    shown && !first.includes(shown) ? [...first.slice(0, MOST - 1), shown] : [...first],
  );
  const columns = chosen.flatMap((h) => candidates.find((c) => c.hash === h) ?? []);
  const here = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    if (at) here.current?.scrollIntoView({ block: "center" });
  }, [at]);
  const [open, setOpen] = useState<readonly string[]>([]);
  const groups = grouped(columns.map((c) => c.rows));
  const rowOf = (c: Candidate, field: string) => c.rows.find((r) => r.field === field);
  const agrees = (field: string) => columns.every((c) => (rowOf(c, field)?.verdict ?? "same") === "same");
  return (
    <table className="side4 w-full">
      <thead>
        <tr>
          <th scope="col">Field, old value</th>
          {columns.map((c, i) => (
            <th key={c.hash} scope="col" data-on={c.hash === shown}>
              {candidates.length > MOST ? (
                <Choose
                  label={`Candidate in column ${i + 1}`}
                  className="mono"
                  value={c.hash}
                  options={candidates
                    .filter((x) => x.hash === c.hash || !chosen.includes(x.hash))
                    .map((x) => [x.hash, x.data.code])}
                  onValue={(v) => setChosen((now) => now.map((h, k) => (k === i ? v : h)))}
                />
              ) : (
                <b className="mono">{c.data.code}</b>
              )}
              <button
                type="button"
                className="link block min-h-11 text-[15px]"
                aria-pressed={c.hash === shown}
                aria-label={`Show ${c.data.code}`}
                onClick={() => onPick(c.hash)}
              >
                {c.hash === shown ? "on the drawing" : "show it"}
              </button>
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {groups.map((g) => {
          const folded = g.folds && g.fields.length > 1 && !open.includes(g.name) && g.fields.every((f) => f !== at && agrees(f));
          if (folded)
            return (
              <tr key={g.name} className="fold" data-v="same">
                <th scope="row">{g.name}</th>
                <td colSpan={columns.length}>
                  <span className="flex items-center gap-2">
                    <Mark kind="same" size={15} label={MARK_WORDS.same} />
                    <button
                      type="button"
                      className="link"
                      aria-label={`Show the ${g.fields.length} fields of ${g.name.toLowerCase()} that agree`}
                      onClick={() => setOpen((o) => [...o, g.name])}
                    >
                      {g.fields.length} fields agree in all
                    </button>
                  </span>
                </td>
              </tr>
            );
          return g.fields.map((field) => {
            const f = columns.map((c) => rowOf(c, field)).find(Boolean)!;
            return (
              <tr
                key={field}
                ref={field === at ? here : undefined}
                data-v={agrees(field) ? "same" : "differs"}
                data-at={field === at}
                data-field={field}
                onClick={() => onAt(field === at ? null : field)}
              >
                <th scope="row">
                  {f.name}
                  <span className="block font-normal">
                    <Value v={f.old} />
                  </span>
                </th>
                {columns.map((c) => {
                  const r = rowOf(c, field);
                  return (
                    <td key={c.hash} title={r?.reason} data-on={c.hash === shown}>
                      {r ? <Judged r={r} /> : <span className="text-ink-2">neither speaks of it</span>}
                    </td>
                  );
                })}
              </tr>
            );
          });
        })}
      </tbody>
    </table>
  );
}

/** A candidate's value where it agrees, else what differs over it. */
const Judged = ({ r }: { r: FitRow }) => (
  <span className="flex items-start gap-1.5">
    <Mark kind={markOf[r.verdict]} size={15} label={MARK_WORDS[markOf[r.verdict]]} />
    <span>
      {r.verdict === "same" ? (
        <Value v={r.candidate} />
      ) : (
        <>
          <b className="block">{r.words}</b>
          {r.candidate.source && <Value v={r.candidate} />}
        </>
      )}
    </span>
  </span>
);
