import { randomUUID } from "node:crypto";
import { setImmediate as nextTurn } from "node:timers/promises";
import { codeKey, FACT_LABEL, mergePanel, type Panel, panelId } from "@/core/panel";
import { connection } from "@/data/connection";
import {
  dropImport,
  endImport,
  type ImportRecord,
  importRows,
  openImport,
  readImport,
  type StagedPanel,
  type StagedRow,
  stageSlice,
  takeImport,
} from "@/data/importStore";
import { catalogueEntries, panelsById } from "@/data/panelStore";
import { contentHash } from "@/data/referenceStore";
import type { RowOutcome } from "@/data/schema";
import { apart } from "./apart";
import type { PanelTableAsk, PanelTableRead, PanelTableSlice, Row } from "./panelRows";

export { SLICE } from "./panelRows";

/** How long a table may take to be read: the largest takes a tenth of it. */
const READ_MS = 120_000;

const store = globalThis as typeof globalThis & { helvaneTables?: Map<string, AbortController> };
store.helvaneTables ??= new Map();
/** Imports being read, with what ends their reading; one for all routes. */
const reading = store.helvaneTables;

/** A table as it was sent: its bytes, not yet looked at. */
export interface PanelTableFile {
  name: string;
  format: "csv" | "json";
  bytes: Uint8Array;
}

/**
 * Starts a dry run over a table of panels: read and checked in a process of its own, merged here slice by slice into a staging
 * table, nothing else changed.
 * @returns its id at once, and the reading as a promise
 */
export async function startPanelImport(file: PanelTableFile, nowIso: string): Promise<{ id: string; done: Promise<void> }> {
  const { db } = connection();
  const id = randomUUID();
  const stop = new AbortController();
  reading.set(id, stop);
  await openImport(db, id, file.name, nowIso);
  const done = read(id, file, stop.signal)
    .catch((e) => endImport(db, id, "failed", [`The file could not be read: ${(e as Error).message}`]))
    .finally(() => reading.delete(id));
  return { id, done };
}

async function read(id: string, file: PanelTableFile, signal: AbortSignal): Promise<void> {
  const { db } = connection();
  const staging = await stager(id, file.name);
  let staged = Promise.resolve();
  let wrong: Error | null = null;
  const took = await apart<PanelTableRead>("readPanels", { format: file.format, bytes: file.bytes } satisfies PanelTableAsk, {
    mostMs: READ_MS,
    signal,
    onTold: (told) => {
      const { rows, part } = told as PanelTableSlice;
      staged = staged.then(async () => {
        if (signal.aborted || wrong) return;
        await staging(rows, part);
        await nextTurn();
      });
      staged.catch((e) => {
        wrong = e as Error;
      });
    },
  });
  await staged;
  if (signal.aborted) return dropImport(db, id);
  if (!took.ok) return endImport(db, id, "failed", [`The file could not be read: ${took.problem}.`]);
  await endImport(db, id, took.answer.ok ? "ready" : "failed", took.answer.ok ? took.answer.notes : [took.answer.problem]);
}

const names = (facts: readonly (keyof typeof FACT_LABEL)[]) =>
  facts.map((f) => FACT_LABEL[f].split(",")[0]!.toLowerCase()).join(", ");

/** Merges rows over what is known and over earlier rows of the same file. */
async function stager(id: string, from: string): Promise<(rows: readonly Row[], part: number) => Promise<void>> {
  const { db } = connection();
  const known = new Map((await catalogueEntries(db)).map((e) => [codeKey(e.code), e.id]));
  /** What this file has made of each panel so far: the row it stood in first, and the record. */
  const here = new Map<string, { row: number; panel: Panel; expected: number; id: string }>();
  return async (rows, part) => {
    const keys = rows.flatMap((r) => (r.read.ok ? [codeKey(r.read.patch.code)] : []));
    const wanted = [...new Set(keys)].flatMap((k) => (here.has(k) ? [] : (known.get(k) ?? [])));
    const stored = new Map((await panelsById(db, wanted)).map((p) => [codeKey(p.data.code), p]));
    const staged: StagedRow[] = [];
    const panels = new Map<string, StagedPanel>();
    for (const r of rows) {
      if (!r.read.ok) {
        staged.push({ row: r.row, code: r.read.code, outcome: "wrong", says: r.read.problems });
        continue;
      }
      const { patch } = r.read;
      const key = codeKey(patch.code);
      const before = here.get(key);
      const base = before?.panel ?? stored.get(key)?.data ?? null;
      const merged = mergePanel(base, patch, from);
      const repeated = before && merged.outcome === "same";
      const outcome: RowOutcome = repeated ? "repeated" : before && merged.outcome === "new" ? "fills" : merged.outcome;
      staged.push({
        row: r.row,
        code: patch.code,
        outcome,
        says: [
          ...(before ? [`the same panel as in row ${before.row}`] : []),
          ...(merged.filled.length ? [`${outcome === "new" ? "says" : "fills in"} ${names(merged.filled)}`] : []),
          ...(merged.against.length ? [`speaks against the record: ${names(merged.against)}; both are kept`] : []),
        ],
      });
      const panelKey = before?.id ?? stored.get(key)?.id ?? panelId(patch.code);
      const expected = before?.expected ?? stored.get(key)?.version ?? 0;
      here.set(key, { row: before?.row ?? r.row, panel: merged.panel, expected, id: panelKey });
      if (merged.outcome !== "same")
        panels.set(panelKey, {
          id: panelKey,
          expected,
          hash: contentHash(merged.panel),
          json: JSON.stringify(merged.panel),
        });
    }
    await stageSlice(db, id, staged, [...panels.values()], part);
  };
}

/** How a dry run stands; one whose server was stopped while it read has come to no end, and says so. */
export async function panelImport(id: string): Promise<ImportRecord | null> {
  const read = reading.has(id);
  const r = await readImport(connection().db, id);
  return r && r.state === "reading" && !read && !reading.has(id)
    ? { ...r, state: "failed", notes: ["The server was started anew while this file was read. Read it again."] }
    : r;
}
export const panelImportRows = (id: string, only: RowOutcome | null, after: number): Promise<StagedRow[]> =>
  importRows(connection().db, id, only, after, 100);

export type Taken = { ok: true; panels: number } | { ok: false; status: number; problem: string };

/** Takes a dry run over. */
export async function takePanelImport(id: string, nowIso: string): Promise<Taken> {
  const { db } = connection();
  const r = await readImport(db, id);
  if (!r) return { ok: false, status: 404, problem: "There is no such import." };
  if (r.state !== "ready")
    return {
      ok: false,
      status: 409,
      problem:
        r.state === "taken"
          ? "This file was taken over already."
          : r.state === "reading"
            ? "The file is still being read."
            : "This import did not come to an end. Read the file again.",
    };
  const done = await takeImport(db, id, nowIso);
  return done.ok
    ? done
    : {
        ok: false,
        status: 409,
        problem: `Changed since this file was read: ${done.stale.join(", ")}. Nothing was saved. Read the file again.`,
      };
}

/** Calls an import off: at once when it waits, at the next slice when it is being read. */
export async function cancelPanelImport(id: string): Promise<boolean> {
  const { db } = connection();
  const r = await readImport(db, id);
  if (!r) return false;
  if (r.state === "reading") {
    const stop = reading.get(id);
    // One that an earlier start of the server was reading has nobody reading it any more.
    if (stop) stop.abort();
    else await dropImport(db, id);
  } else if (r.state !== "taken") await dropImport(db, id);
  return true;
}
