import Papa from "papaparse";
import { codeKey, conflictsOf, FACT_NAMES, factOf, factWords, PANEL_COLUMNS, Panel, writePanelRow } from "@/core/panel";
import { connection } from "@/data/connection";
import { catalogueEntries, panelsAfter, panelsById } from "@/data/panelStore";
import { type ReferenceRow, saveReference } from "@/data/referenceStore";
import type { PanelListPage } from "@/wire/panels";

export const catalogueOf = () => catalogueEntries(connection().db);

/** One panel's record; null when there is none of this id. */
export async function readPanel(id: string): Promise<ReferenceRow<Panel> | null> {
  return (await panelsById(connection().db, [id]))[0] ?? null;
}

export type PanelSaved =
  | { ok: true; version: number; hash: string }
  | { ok: false; status: number; problem: string; details?: { where: string; message: string }[] };

/** Saves a panel from the editor: validated whole, and only over the version the writer had read (0 for a new one). */
export async function savePanel(id: string, panel: unknown, expected: number, nowIso: string): Promise<PanelSaved> {
  const read = Panel.safeParse(panel);
  if (!read.success)
    return {
      ok: false,
      status: 400,
      problem: "The panel was not saved.",
      details: read.error.issues
        .slice(0, 20)
        .map((i) => ({ where: i.path.map(String).join(".") || "panel", message: i.message })),
    };
  if (read.data.id !== id) return { ok: false, status: 400, problem: `The record names ${read.data.id}, the address ${id}.` };
  const { db } = connection();
  const twin = (await catalogueEntries(db)).find((e) => e.id !== id && codeKey(e.code) === codeKey(read.data.code));
  if (twin)
    return {
      ok: false,
      status: 409,
      problem: `${twin.code} is in the catalogue already: one record per code. Nothing was saved.`,
    };
  const saved = await saveReference(db, "panel", id, read.data, expected, nowIso);
  return saved.ok
    ? saved
    : {
        ok: false,
        status: 409,
        problem: `${read.data.code} was changed meanwhile (now at version ${saved.current}). What you typed is kept here; load it again to see what changed.`,
      };
}

/** All panels as text: CSV with the documented columns, or JSON. Read in slices, so that others are answered meanwhile. */
export async function* exportPanels(format: "csv" | "json"): AsyncGenerator<string> {
  const { db } = connection();
  if (format === "csv") yield `${PANEL_COLUMNS.join(",")}\r\n`;
  else yield '{"format":"helvane.panels","version":1,"panels":[\n';
  let after = "";
  let first = true;
  for (;;) {
    const slice = await panelsAfter(db, after, 200);
    if (slice.length === 0) break;
    after = slice.at(-1)!.id;
    if (format === "csv")
      yield `${Papa.unparse(
        slice.map((p) => {
          const row = writePanelRow(p.data);
          return PANEL_COLUMNS.map((c) => row[c] ?? "");
        }),
        { escapeFormulae: true },
      )}\r\n`;
    else {
      yield `${first ? "" : ",\n"}${slice.map((p) => JSON.stringify(p.data)).join(",\n")}`;
      first = false;
    }
  }
  if (format === "json") yield "\n]}\n";
}

/** Panels a page of the list shows. */
const PAGE = 60;

/** What is drawn of a panel in the list. */
function drawnOf(p: Panel): PanelListPage["panels"][number]["drawn"] {
  const o = p.outline.value;
  const said = (words: string, source: string) => `${words} ${source}`;
  return {
    diagonalIn: p.diagonalIn.value,
    outline: o,
    outlineSource: p.outline.source,
    tabs: p.tabs.value ?? [],
    plug: p.connectorAt.value,
    says: [
      ...(p.thicknessMm.value === null ? [] : [said(`${p.thicknessMm.value} mm`, p.thicknessMm.source)]),
      ...(p.contacts.value === null ? [] : [said(`${p.contacts.value} pins`, p.contacts.source)]),
      [
        p.finish.value === "glossy" ? "glossy" : "",
        p.touch.value && p.touch.value !== "none" ? "touch" : "",
        p.technology.value === "OLED" ? "OLED" : "",
      ]
        .filter(Boolean)
        .join(", "),
    ].filter(Boolean),
  };
}

/** One page of the catalogue in order of id, with how many there are in all. */
export async function listPanels(after: string): Promise<PanelListPage> {
  const { db } = connection();
  const rows = await panelsAfter(db, after, PAGE + 1);
  const all = (await catalogueEntries(db)).length;
  const shown = rows.slice(0, PAGE);
  return {
    all,
    after,
    next: rows.length > PAGE ? shown.at(-1)!.id : null,
    panels: shown.map(({ id, data }) => ({
      id,
      code: data.code,
      names: data.otherNames?.map((n) => n.text) ?? [],
      words: [
        data.diagonalIn.value === null ? "size unknown" : `${data.diagonalIn.value} inch`,
        factWords("pixels", data.pixels.value),
        factWords("family", data.family.value),
        data.contacts.value === null ? "contacts unknown" : `${data.contacts.value} contacts`,
      ].join(", "),
      unknown: FACT_NAMES.filter((n) => (factOf(data, n)?.value ?? null) === null).length,
      disputed: conflictsOf(data).length,
      drawn: drawnOf(data),
    })),
  };
}
