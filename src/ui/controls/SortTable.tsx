"use client";
import {
  type ColumnDef,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getPaginationRowModel,
  getSortedRowModel,
  type SortingState,
  useReactTable,
} from "@tanstack/react-table";
import { type ReactNode, useState } from "react";
import { findCost } from "@/core/catalogue";

const PAGE = 50;

/** A long list: sorted by any column, narrowed by what is typed, a page at a time. */
export function SortTable<T extends { id: string }>({
  rows,
  columns,
  first,
  label,
  empty,
  find,
}: {
  rows: T[];
  // biome-ignore lint/suspicious/noExplicitAny: each column has a type of its own
  columns: ColumnDef<T, any>[];
  first: SortingState;
  label: string;
  empty: ReactNode;
  /** What a row is found by. */
  find: (row: T) => (string | null)[];
}) {
  const [sorting, setSorting] = useState(first);
  const [typed, setTyped] = useState("");
  const table = useReactTable({
    data: rows,
    columns,
    state: { sorting, globalFilter: typed },
    onSortingChange: setSorting,
    getRowId: (r) => r.id,
    globalFilterFn: (row, _, text: string) => !text.trim() || findCost(text, find(row.original)) !== null,
    getColumnCanGlobalFilter: () => true,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getPaginationRowModel: getPaginationRowModel(),
    initialState: { pagination: { pageIndex: 0, pageSize: PAGE } },
  });
  const shown = table.getRowModel().rows;
  const found = table.getFilteredRowModel().rows.length;
  const { pageIndex } = table.getState().pagination;
  if (rows.length === 0) return <div className="empty">{empty}</div>;
  return (
    <>
      <label className="field max-w-[420px]">
        <span>Find in {label.toLowerCase()}</span>
        <input type="search" value={typed} maxLength={120} onChange={(e) => setTyped(e.target.value)} />
      </label>
      {found === 0 && (
        <p role="status">
          <b>Nothing matches “{typed.trim()}”.</b>
        </p>
      )}
      <div className="overflow-x-auto">
        <table className="list" aria-label={label}>
          <thead>
            {table.getHeaderGroups().map((g) => (
              <tr key={g.id}>
                {g.headers.map((h) => {
                  const sorted = h.column.getIsSorted();
                  return (
                    <th key={h.id} aria-sort={sorted === "asc" ? "ascending" : sorted === "desc" ? "descending" : "none"}>
                      <button type="button" onClick={h.column.getToggleSortingHandler()}>
                        {flexRender(h.column.columnDef.header, h.getContext())}
                        <svg width={10} height={12} aria-hidden="true" viewBox="0 0 10 12">
                          {sorted === "asc" && <path d="M5 1L10 11H0Z" fill="currentColor" />}
                          {sorted === "desc" && <path d="M5 11L0 1H10Z" fill="currentColor" />}
                        </svg>
                      </button>
                    </th>
                  );
                })}
              </tr>
            ))}
          </thead>
          <tbody>
            {shown.map((r) => (
              <tr key={r.id}>
                {r.getVisibleCells().map((c) => (
                  <td key={c.id}>{flexRender(c.column.columnDef.cell, c.getContext())}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {found > PAGE && (
        <p className="flex items-center gap-3">
          <button type="button" className="btn quiet" disabled={!table.getCanPreviousPage()} onClick={() => table.previousPage()}>
            Newer
          </button>
          <span>
            {pageIndex * PAGE + 1} to {pageIndex * PAGE + shown.length} of {found}
          </span>
          <button type="button" className="btn quiet" disabled={!table.getCanNextPage()} onClick={() => table.nextPage()}>
            Older
          </button>
        </p>
      )}
    </>
  );
}
