"use client";
import type { ColumnDef } from "@tanstack/react-table";
import { format } from "date-fns";
import Link from "next/link";
import { SortTable } from "../controls/SortTable";

export interface ClosedJob {
  id: string;
  number: string;
  customer: string;
  machine: string;
  serial: string;
  panel: string;
  outcome: string;
  closedAtIso: string | null;
}

const COLUMNS: ColumnDef<ClosedJob, string>[] = [
  {
    id: "closed",
    header: "Closed",
    accessorFn: (j) => j.closedAtIso ?? "",
    cell: (c) => (c.getValue() ? format(new Date(c.getValue()), "EEE d MMM yyyy") : "not known"),
  },
  {
    accessorKey: "number",
    header: "Job",
    cell: (c) => (
      <Link className="link mono font-bold" href={`/jobs/${c.row.original.id}/close`} prefetch={false}>
        {c.getValue()}
      </Link>
    ),
    sortingFn: (a, b) => Number(a.original.number.slice(2)) - Number(b.original.number.slice(2)),
  },
  { accessorKey: "customer", header: "Customer" },
  {
    accessorKey: "machine",
    header: "Machine",
    cell: (c) => (
      <>
        {c.getValue()}
        {c.row.original.serial && (
          <>
            <br />
            <Link className="link mono" href={`/machines/${encodeURIComponent(c.row.original.serial)}`} prefetch={false}>
              {c.row.original.serial}
            </Link>
          </>
        )}
      </>
    ),
  },
  { accessorKey: "panel", header: "Panel", cell: (c) => <span className="mono">{c.getValue()}</span> },
  { accessorKey: "outcome", header: "How it ended" },
];

/** Jobs that are closed, the newest first. */
export function ClosedJobs({ jobs }: { jobs: ClosedJob[] }) {
  return (
    <SortTable
      rows={jobs}
      columns={COLUMNS}
      first={[{ id: "closed", desc: true }]}
      label="Closed jobs"
      empty="No job is closed yet. One comes here when it is handed over, handed on or cancelled."
      find={(j) => [j.number, j.customer, j.machine, j.serial, j.panel, j.outcome]}
    />
  );
}
