import Papa from "papaparse";
import { FACT_NAMES, factOf, PANEL_COLUMNS, Panel, type PanelPatch, readPanelRow } from "@/core/panel";

/** Rows between two turns of the event loop: others' requests are answered in between. */
export const SLICE = 40;

/** Rows a table may have. */
export const MOST_ROWS = 50_000;

/** What the process that reads a table is asked, tells on its way, and answers. */
export interface PanelTableAsk {
  format: "csv" | "json";
  bytes: Uint8Array;
}
export interface PanelTableSlice {
  rows: Row[];
  /** How much of the file is read, 0 to 1. */
  part: number;
}
export type PanelTableRead = { ok: true; notes: string[] } | { ok: false; problem: string };

/**
 * Reads a whole table, a slice of rows at a time.
 * @param take what is done with a slice
 */
export async function readPanelTable(
  { format, bytes }: PanelTableAsk,
  take: (slice: PanelTableSlice) => void,
): Promise<PanelTableRead> {
  const notes: string[] = [];
  let count = 0;
  const counted = (n: number) => {
    count += n;
    if (count > MOST_ROWS) throw new TableProblem(`More than ${MOST_ROWS} rows: split the file.`);
  };
  const inSlices = async (rows: Row[], part: number) => {
    for (let i = 0; i < rows.length; i += SLICE) take({ rows: rows.slice(i, i + SLICE), part });
    return true;
  };
  try {
    const text = textOf(bytes, notes);
    if (format === "csv") await eachCsvRow(text, notes, counted, inSlices);
    else await eachJsonRow(text, counted, inSlices);
  } catch (e) {
    return {
      ok: false,
      problem: e instanceof TableProblem ? e.message : `The file could not be read: ${(e as Error).message.slice(0, 200)}`,
    };
  }
  return count === 0 ? { ok: false, problem: "The file has no rows. Nothing to take over." } : { ok: true, notes };
}

/** The text of a file: UTF-8 or UTF-16 by its mark, else UTF-8; what is neither is an old spreadsheet's, and that is said. */
function textOf(bytes: Uint8Array, notes: string[]): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder("utf-16le").decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder("utf-16be").decode(bytes);
  try {
    return new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    notes.push("Not written in UTF-8: read as Windows-1252, as older spreadsheets write. Look at letters with marks.");
    return new TextDecoder("windows-1252").decode(bytes);
  }
}

/** What is wrong with a table as a whole. */
class TableProblem extends Error {}

/** One row of a table, read or named with what is wrong in it. */
export interface Row {
  row: number;
  read: { ok: true; patch: PanelPatch } | { ok: false; code: string; problems: string[] };
}

/** Rows of a CSV in chunks; the parser rests while a chunk is dealt with. */
function eachCsvRow(
  text: string,
  notes: string[],
  counted: (n: number) => void,
  take: (rows: Row[], part: number) => Promise<boolean>,
): Promise<boolean> {
  return new Promise((done, failed) => {
    let row = 1;
    let headers: string[] | null = null;
    let stopped = false;
    Papa.parse<string[]>(text as never, {
      skipEmptyLines: "greedy",
      chunkSize: 24_000,
      chunk: (results: Papa.ParseResult<string[]>, parser: Papa.Parser) => {
        parser.pause();
        const rows: Row[] = [];
        try {
          for (const [i, cells] of results.data.entries()) {
            if (!headers) {
              headers = readHeaders(cells, notes);
              continue;
            }
            row += 1;
            const broken = results.errors.find((e) => e.row === i);
            const extra = cells.slice(headers.length).filter((c) => c.trim());
            const named = Object.fromEntries(headers.map((h, k) => [h, cells[k]]).filter(([h]) => h));
            const r = readPanelRow(named);
            const problems = [
              ...(broken ? [`${broken.message}`] : []),
              ...(extra.length ? [`more cells than columns: ${extra.slice(0, 3).join(", ")}`] : []),
              ...(r.ok ? [] : r.problems.map((p) => `${p.column}: ${p.message}`)),
            ];
            rows.push({
              row,
              read: problems.length || !r.ok ? { ok: false, code: (named.code ?? "").trim().slice(0, 40), problems } : r,
            });
          }
          counted(rows.length);
        } catch (e) {
          stopped = true;
          parser.abort();
          failed(e);
          return;
        }
        take(rows, Math.min(0.99, (results.meta.cursor ?? 0) / Math.max(1, text.length))).then((on) => {
          if (!on) {
            stopped = true;
            parser.abort();
            done(false);
          } else parser.resume();
        }, failed);
      },
      complete: () => {
        if (!stopped) done(true);
      },
    });
  });
}

/** Column names as written; those that are not a panel table's are named once and not read. */
function readHeaders(cells: readonly string[], notes: string[]): string[] {
  const names = cells.map((c) => c.trim().toLowerCase());
  if (!names.includes("code"))
    throw new TableProblem(
      `The first row must name the columns, "code" among them. Read: ${cells.slice(0, 8).join(", ").slice(0, 200) || "nothing"}.`,
    );
  const twice = names.find((n, i) => n && names.indexOf(n) !== i);
  if (twice) throw new TableProblem(`The column "${twice}" is there twice.`);
  const strange = names.filter((n) => n && !PANEL_COLUMNS.includes(n));
  if (strange.length)
    notes.push(
      `Not read, no column of a panel table: ${strange.slice(0, 12).join(", ")}${strange.length > 12 ? " and more" : ""}.`,
    );
  return names.map((n) => (PANEL_COLUMNS.includes(n) ? n : ""));
}

/** Rows of a list of panels in JSON, a slice at a time. */
async function eachJsonRow(
  text: string,
  counted: (n: number) => void,
  take: (rows: Row[], part: number) => Promise<boolean>,
): Promise<boolean> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    throw new TableProblem(`Not readable as JSON: ${(e as Error).message}`);
  }
  const whole = raw as { format?: unknown; panels?: unknown };
  const list = Array.isArray(raw)
    ? raw
    : whole?.format === "helvane.panels" && Array.isArray(whole.panels)
      ? whole.panels
      : whole?.format === "helvane.panel"
        ? [raw]
        : null;
  if (!list) throw new TableProblem('Expected a list of panels, or an object of format "helvane.panels".');
  counted(list.length);
  for (let i = 0; i < list.length; i += SLICE) {
    const rows = list.slice(i, i + SLICE).map((one, k): Row => {
      const p = Panel.safeParse(one);
      if (!p.success)
        return {
          row: i + k + 1,
          read: {
            ok: false,
            code: typeof (one as { code?: unknown })?.code === "string" ? (one as { code: string }).code.slice(0, 40) : "",
            problems: p.error.issues.slice(0, 8).map((x) => `${x.path.map(String).join(".") || "panel"}: ${x.message}`),
          },
        };
      const facts = Object.fromEntries(
        FACT_NAMES.flatMap((f) => {
          const fact = factOf(p.data, f);
          return fact ? [[f, fact]] : [];
        }),
      ) as PanelPatch["facts"];
      return {
        row: i + k + 1,
        read: {
          ok: true,
          patch: {
            code: p.data.code,
            facts,
            ...(p.data.otherNames ? { otherNames: p.data.otherNames } : {}),
            ...(p.data.claims ? { claims: p.data.claims } : {}),
          },
        },
      };
    });
    if (!(await take(rows, Math.min(0.99, (i + rows.length) / list.length)))) return false;
  }
  return true;
}
