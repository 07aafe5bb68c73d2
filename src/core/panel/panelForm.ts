import { SOURCES, type Source } from "../quantity";
import { FACT_NAMES } from "./factNames";
import { type PanelRow, readPanelRow, sourceColumn } from "./panelTable";
import { type Claim, Panel } from "./schema";

export type PanelFormRead = { ok: true; panel: Panel } | { ok: false; problems: Extract<PanelRow, { ok: false }>["problems"] };

/**
 * A whole record from the cells of a form, in the columns of a panel table: what is left empty is *unknown*.
 * @param cells text by column name, as typed
 * @param keep what the form does not show: the record's id, and the claims still open
 * @returns the record, or every cell that is wrong; never throws
 * @example panelOfCells({ code: "GV140FHB-K31", contacts: "30", contacts_source: "L" }, { id: "gv140fhb-k31", claims: [] }).ok // true
 */
export function panelOfCells(
  cells: Readonly<Record<string, string | undefined>>,
  keep: { id: string; claims: readonly Claim[] },
): PanelFormRead {
  const read = readPanelRow(cells);
  if (!read.ok) return read;
  const { patch } = read;
  const record: Record<string, unknown> = {
    format: "helvane.panel",
    version: 1,
    id: keep.id,
    code: patch.code,
    ...(patch.otherNames ? { otherNames: patch.otherNames } : {}),
    ...(keep.claims.length ? { claims: keep.claims } : {}),
  };
  for (const fact of FACT_NAMES) {
    const said = (cells[sourceColumn(fact)] ?? "").trim().toUpperCase();
    const source = (SOURCES as readonly string[]).includes(said) ? (said as Source) : "G";
    record[fact] = patch.facts[fact] ?? { value: null, source };
  }
  const panel = Panel.safeParse(record);
  return panel.success
    ? { ok: true, panel: panel.data }
    : {
        ok: false,
        problems: panel.error.issues.map((i) => ({ column: i.path.map(String).join(".") || "code", message: i.message })),
      };
}
