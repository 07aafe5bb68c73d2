import type { Generated } from "kysely";

export type ImportState = "reading" | "ready" | "taken" | "failed" | "cancelled";
export type RowOutcome = "new" | "fills" | "same" | "conflict" | "repeated" | "wrong";

export interface Database {
  events: {
    seq: Generated<number>;
    id: string;
    job_id: string;
    type: string;
    v: number;
    payload: string;
    who: string;
    device: string;
    clock: string;
    /** Place in canonical order, set when the event was first taken. */
    placed: string;
    seen: number;
    received_at: string;
  };
  snapshots: { job_id: string; hash: string; kind: string; json: string };
  blobs: { hash: string; mime: string; width_px: number; height_px: number; bytes: Buffer };
  reference: { kind: string; id: string; hash: string; version: number; json: string; updated_at: string };
  settings: { key: string; json: string };
  sessions: { token_hash: string; name: string; address: string; opened_at: string; seen_at: string; expires_at: string };
  /** A panel table being read: a dry run until it is taken over. */
  imports: { id: string; name: string; state: ImportState; rows: number; part: number; notes: string; created_at: string };
  import_rows: { import_id: string; row: number; code: string; outcome: RowOutcome; says: string };
  import_panels: { import_id: string; id: string; expected: number; hash: string; json: string };
  /** A cache for lists: dropped at will, made again from the log. */
  job_list: { job_id: string; last_seq: number; fold_version: number; json: string };
  /** Beside it what the stock and the shop's figures are told from, which no list shows. */
  job_told: { job_id: string; stock: string; facts: string };
}
