"use client";
import { useEffect, useRef, useState } from "react";
import { MARK_WORDS, Mark, markOf } from "../draw/Mark";
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
  const fields = columns[0]?.rows ?? [];
  return (
    <table className="side4 w-full">
      <thead>
        <tr>
          <th scope="col">Field, old value</th>
          {columns.map((c, i) => (
            <th key={c.hash} scope="col" data-on={c.hash === shown}>
              {candidates.length > MOST ? (
                <select
                  aria-label={`Candidate in column ${i + 1}`}
                  className="mono"
                  value={c.hash}
                  onChange={(e) => setChosen((now) => now.map((h, k) => (k === i ? e.target.value : h)))}
                >
                  {candidates
                    .filter((x) => x.hash === c.hash || !chosen.includes(x.hash))
                    .map((x) => (
                      <option key={x.hash} value={x.hash}>
                        {x.data.code}
                      </option>
                    ))}
                </select>
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
        {fields.map((f) => {
          const cells = columns.map((c) => c.rows.find((r) => r.field === f.field)!);
          const agree = cells.every((r) => r.verdict === "same");
          return (
            <tr
              key={f.field}
              ref={f.field === at ? here : undefined}
              data-v={agree ? "same" : "differs"}
              data-at={f.field === at}
              data-field={f.field}
              onClick={() => onAt(f.field === at ? null : f.field)}
            >
              <th scope="row">
                {f.name}
                <span className="block font-normal">
                  <Value v={f.old} />
                </span>
              </th>
              {cells.map((r, i) => (
                <td key={columns[i]!.hash} title={r.reason} data-on={columns[i]!.hash === shown}>
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
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
