"use client";
import { Fragment, useEffect, useRef, useState } from "react";
import { useLengths } from "@/client/habit";
import type { FitRow } from "@/core/panel";
import { Term } from "../controls/Term";
import { MARK_WORDS, Mark, markOf } from "../draw/Mark";
import { grouped } from "./groups";
import { Value } from "./parts";

/** Old beside candidate, field by field; what differs stands out and can be walked, groups that agree stand in one line. */
export function FieldTable({
  rows,
  at,
  isNew,
  onAt,
}: {
  rows: readonly FitRow[];
  /** The field the walk stands on. */
  at: string | null;
  isNew: boolean;
  onAt: (field: string | null) => void;
}) {
  const lengths = useLengths();
  const here = useRef<HTMLTableRowElement>(null);
  const [open, setOpen] = useState<readonly string[]>([]);
  useEffect(() => {
    if (at) here.current?.scrollIntoView({ block: "center" });
  }, [at]);
  const of = new Map(rows.map((r) => [r.field, r]));
  const line = (r: FitRow) => (
    <Fragment key={r.field}>
      <tr
        ref={r.field === at ? here : undefined}
        data-v={r.verdict}
        data-field={r.field}
        data-at={r.field === at}
        onClick={() => onAt(r.field === at ? null : r.field)}
      >
        <th scope="row">{r.name}</th>
        <td>
          <Value v={r.old} unit={/, mm$/.test(r.name) ? " mm" : ""} />
        </td>
        <td>
          <Value v={r.candidate} unit={/, mm$/.test(r.name) ? " mm" : ""} />
        </td>
        <td title={r.reason}>
          <span className="flex items-center gap-2">
            <Mark kind={markOf[r.verdict]} size={18} label={MARK_WORDS[markOf[r.verdict]]} />
            {r.words}
          </span>
        </td>
      </tr>
      {(r.verdict !== "same" || r.field === at) && (
        <tr className="why" data-at={r.field === at}>
          <td colSpan={4}>
            {lengths(r.reason)}
            {r.change && ` Needs: ${r.change.part}, ${r.change.minutes} min.`}
          </td>
        </tr>
      )}
    </Fragment>
  );
  return (
    <table className="cmp w-full">
      <thead>
        <tr>
          <th scope="col">Field</th>
          <th scope="col">
            <Term name="sources">Old</Term>
          </th>
          <th scope="col">{isNew ? "New" : "Candidate"}</th>
          <th scope="col">Verdict</th>
        </tr>
      </thead>
      <tbody>
        {grouped([rows]).map((g) => {
          const mine = g.fields.map((f) => of.get(f)!);
          const folded =
            g.folds &&
            mine.length > 1 &&
            !open.includes(g.name) &&
            mine.every((r) => r.verdict === "same" && !/^(runs|sold|looked)/.test(r.words) && r.field !== at);
          if (!folded) return mine.map(line);
          return (
            <tr key={g.name} className="fold" data-v="same">
              <th scope="row">{g.name}</th>
              <td colSpan={2}>
                <button
                  type="button"
                  className="link text-[15px]"
                  aria-label={`Show the ${mine.length} fields of ${g.name.toLowerCase()} that agree`}
                  onClick={() => setOpen((o) => [...o, g.name])}
                >
                  {mine.length} fields
                </button>
              </td>
              <td title={mine.map((r) => r.name).join(", ")}>
                <span className="flex items-center gap-2">
                  <Mark kind="same" size={18} label={MARK_WORDS.same} />
                  all the same
                </span>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
