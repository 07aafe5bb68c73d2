"use client";
import {
  type ColumnDef,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  type SortingState,
  useReactTable,
} from "@tanstack/react-table";
import { useMemo, useState } from "react";
import { DAY_MINOR, type FitRow, type Overall } from "@/core/panel";
import { formatMoney } from "@/core/quantity";
import { Mark } from "../draw/Mark";
import { Fingerprint, HereWords, hereBy, overallMark, stockWords } from "./parts";
import type { Candidate, ListedOffer } from "./useCandidates";

/** A candidate with its place in the order it is weighed in. */
interface Row {
  c: Candidate;
  at: number;
}

/** Who offers what: a fingerprint of the fit, the verdict, the price, the stock and the days, one row per candidate. It stands in the order
 * it is weighed in until a column says otherwise. */
export function CandidateTable({
  candidates,
  shown,
  locked,
  came,
  offerOf,
  nowMs,
  promiseAt,
  onPick,
}: {
  candidates: readonly Candidate[];
  /** The one on screen, with its rows as far as looks have settled them. */
  shown: { hash: string | undefined; rows: readonly FitRow[]; overall: Overall | undefined };
  locked: boolean;
  /** What was ordered is on the bench. */
  came: boolean;
  offerOf: (c: Candidate) => ListedOffer;
  nowMs: number;
  promiseAt: string | null;
  onPick: (n: number) => void;
}) {
  const currency = candidates[0]?.offers[0]?.currency ?? "";
  const here = candidates.find((c) => c.hash === shown.hash);
  const [sorting, setSorting] = useState<SortingState>([]);
  const shownOf = (c: Candidate) => (c.hash === shown.hash && shown.overall ? shown.overall : c.overall);
  // On order, only what was ordered counts.
  const data = useMemo(
    () => candidates.flatMap((c, at) => (locked && c.hash !== shown.hash ? [] : [{ c, at }])),
    [candidates, locked, shown.hash],
  );
  const columns: ColumnDef<Row>[] = [
    {
      id: "code",
      header: "Candidate",
      accessorFn: (r) => r.c.data.code,
      cell: ({ row: { original: r } }) => (
        <button
          type="button"
          className="mono tap flex items-center gap-2"
          aria-pressed={r.c.hash === shown.hash}
          disabled={locked}
          onClick={() => onPick(r.at)}
        >
          <b>{r.c.data.code}</b>
        </button>
      ),
    },
    {
      id: "fields",
      enableSorting: false,
      header: `${shown.rows.length} fields, in table order`,
      cell: ({ row: { original: r } }) => (
        <Fingerprint rows={r.c.hash === shown.hash && shown.rows.length ? shown.rows : r.c.rows} />
      ),
    },
    {
      id: "verdict",
      header: "Verdict",
      // The order it is weighed in says which fits best.
      accessorFn: (r) => r.at,
      cell: ({ row: { original: r } }) => (
        <span className="flex items-center gap-2">
          <Mark kind={overallMark(shownOf(r.c))} size={18} />
          {shownOf(r.c).short}
        </span>
      ),
    },
    {
      id: "price",
      header: currency || "Price",
      accessorFn: (r) => offerOf(r.c).priceMinor,
      cell: ({ row: { original: r } }) => {
        const offer = offerOf(r.c);
        return (
          <>
            <span className="mono">{formatMoney(offer.priceMinor, offer.currency).replace(` ${currency}`, "")}</span>
            <span className={`block text-[14px] ${offer.stock === 0 ? "text-stop font-bold" : "text-ink-2"}`}>
              {stockWords(offer.stock).replace(" in stock", "").replace("stock ", "")}
              {offer.stock ? " left" : ""}
            </span>
          </>
        );
      },
    },
    {
      id: "here",
      header: "Here",
      accessorFn: (r) => offerOf(r.c).lead.p80Days,
      cell: ({ row: { original: r } }) =>
        came ? "came" : <HereWords here={hereBy(nowMs, offerOf(r.c).lead, promiseAt)} lines />,
    },
  ];
  const table = useReactTable({
    data,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: (r) => r.c.hash,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    // Its rows are made anew with every look that comes in: a reset for each would draw without end.
    autoResetAll: false,
  });
  const right = (id: string) => (id === "price" || id === "here" ? "text-right" : "");
  return (
    <section aria-label="Candidates" tabIndex={0} style={{ overflowX: "auto", flex: "none" }}>
      <table className="cand w-full">
        <thead>
          {table.getHeaderGroups().map((g) => (
            <tr key={g.id}>
              {g.headers.map((h) => {
                const sorted = h.column.getIsSorted();
                const name = flexRender(h.column.columnDef.header, h.getContext());
                return (
                  <th
                    key={h.id}
                    scope="col"
                    className={right(h.id)}
                    aria-sort={sorted === "asc" ? "ascending" : sorted === "desc" ? "descending" : undefined}
                  >
                    {h.column.getCanSort() && data.length > 1 ? (
                      <button type="button" className="sorts" onClick={h.column.getToggleSortingHandler()}>
                        {name}
                        <svg width={9} height={11} aria-hidden="true" viewBox="0 0 10 12">
                          <path d={sorted === "desc" ? "M5 11L0 1H10Z" : "M5 1L10 11H0Z"} className={sorted ? "pf" : "ghost"} />
                        </svg>
                      </button>
                    ) : (
                      name
                    )}
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {table.getRowModel().rows.map((r) => (
            <tr key={r.id} className={r.original.c.hash === shown.hash ? "on" : ""}>
              {r.getVisibleCells().map((cell) => (
                <td
                  key={cell.id}
                  className={right(cell.column.id)}
                  style={
                    cell.column.id === "verdict"
                      ? { whiteSpace: "normal", lineHeight: "17px" }
                      : right(cell.column.id)
                        ? { lineHeight: "17px" }
                        : undefined
                  }
                >
                  {flexRender(cell.column.columnDef.cell, cell.getContext())}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {here?.why && !locked && candidates.length > 1 && (
        <p className="q px-[18px] py-1 text-[14px]">
          {sorting.length ? "Weighed" : "Sorted"} by what can be connected, then fewest open points, then price with{" "}
          {formatMoney(DAY_MINOR, currency)} a day. This one: {here.why}.
        </p>
      )}
    </section>
  );
}
