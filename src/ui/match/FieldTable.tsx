"use client";
import { Fragment, useEffect, useRef } from "react";
import type { FitRow } from "@/core/panel";
import { Term } from "../controls/Term";
import { MARK_WORDS, Mark, markOf } from "../draw/Mark";
import { Value } from "./parts";

/** Old beside candidate, field by field; what differs stands out and can be walked with the arrow keys. */
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
  const here = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    if (at) here.current?.scrollIntoView({ block: "center" });
  }, [at]);
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
        {rows.map((r) => (
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
                <Value v={r.old} />
              </td>
              <td>
                <Value v={r.candidate} />
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
                  {r.reason}
                  {r.change && ` Needs: ${r.change.part}, ${r.change.minutes} min.`}
                </td>
              </tr>
            )}
          </Fragment>
        ))}
      </tbody>
    </table>
  );
}
