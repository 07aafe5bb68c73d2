import { SOURCES, type Source, type Sourced } from "../quantity";
import { codeKey } from "./codeKey";
import { FACT_NAMES, type FactName } from "./factNames";
import { factOf } from "./factOf";
import type { PanelPatch } from "./patch";
import { FACTS, type LidLead, OtherName, type Panel, type Tab } from "./schema";

/** How one fact is written in columns of a table: their names, and both ways between cells and value. */
interface Cells {
  columns: readonly string[];
  /** Cells to a plain value, not yet checked against the fact's limits. */
  read: (cells: readonly string[]) => unknown;
  write: (value: never) => (string | number)[];
}

class CellProblem extends Error {}

const number = (cell: string): number => {
  if (/^[+-]?\d+,\d+$/.test(cell)) throw new CellProblem(`"${cell}": write a decimal point, not a comma`);
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(cell)) throw new CellProblem(`"${cell}" is not a number`);
  return Number(cell);
};
const list = (cell: string): string[] =>
  cell
    .split(";")
    .map((x) => x.trim())
    .filter((x) => x && x !== "none");
const joined = (items: readonly (string | number)[]): string => items.join("; ") || "none";

const one = (column: string): Cells => ({ columns: [column], read: ([c]) => number(c!), write: (v: number) => [v] });
const word = (column: string): Cells => ({ columns: [column], read: ([c]) => c, write: (v: string) => [v] });
/** A figure, or a range written `5-21`. */
const span = (column: string): Cells => ({
  columns: [column],
  read: ([c]) => {
    const m = /^(\S+?)\s*(?:-|–|to|\.\.)\s*(\S+)$/.exec(c!);
    return m ? { min: number(m[1]!), max: number(m[2]!) } : number(c!);
  },
  write: (v: number | { min: number; max: number }) => [typeof v === "number" ? v : `${v.min}-${v.max}`],
});
const pair = (a: string, b: string, keys: readonly [string, string]): Cells => ({
  columns: [a, b],
  read: ([x, y]) => ({ [keys[0]]: number(x!), [keys[1]]: number(y!) }),
  write: (v: Record<string, number>) => [v[keys[0]]!, v[keys[1]]!],
});

/** The columns of each fact. A tab is written `left 12 8 6.5`: edge, from the top-left corner, width, out, all in mm. */
const CELLS: Readonly<Record<FactName, Cells>> = {
  technology: word("technology"),
  diagonalIn: one("diagonal_in"),
  outline: pair("outline_width_mm", "outline_height_mm", ["widthMm", "heightMm"]),
  thicknessMm: one("thickness_mm"),
  active: pair("active_width_mm", "active_height_mm", ["widthMm", "heightMm"]),
  pixels: pair("pixels_h", "pixels_v", ["h", "v"]),
  refreshHz: one("refresh_hz"),
  family: word("family"),
  contacts: one("contacts"),
  pitchMm: one("pitch_mm"),
  contactSide: word("contact_side"),
  logicSupplyV: span("logic_supply_v"),
  backlight: word("backlight"),
  backlightSupplyV: span("backlight_supply_v"),
  connectorAt: pair("connector_x_mm", "connector_y_mm", ["xMm", "yMm"]),
  activeAt: pair("active_left_mm", "active_top_mm", ["xMm", "yMm"]),
  pixelClockKHz: one("pixel_clock_khz"),
  lowerModes: {
    columns: ["lower_modes"],
    read: ([c]) =>
      list(c!).map((m) => {
        const [hz, khz, ...rest] = m.split(/\s+/);
        if (khz === undefined || rest.length) throw new CellProblem(`"${m}": write rate in Hz and clock in kHz, as "48 110000"`);
        return { refreshHz: number(hz!), pixelClockKHz: number(khz) };
      }),
    write: (v: { refreshHz: number; pixelClockKHz: number }[]) => [joined(v.map((m) => `${m.refreshHz} ${m.pixelClockKHz}`))],
  },
  laneRatesGbps: {
    columns: ["lane_rates_gbps"],
    read: ([c]) => list(c!).map(number),
    write: (v: number[]) => [joined(v)],
  },
  compression: word("compression"),
  lanes: one("lanes"),
  colourBits: one("colour_bits"),
  touch: word("touch"),
  finish: word("finish"),
  tabs: {
    columns: ["tabs"],
    read: ([c]) =>
      list(c!).map((t) => {
        const [edge, at, width, out, ...rest] = t.split(/\s+/);
        if (out === undefined || rest.length)
          throw new CellProblem(`"${t}": write edge, place, width and how far out in mm, as "left 12 8 6.5"`);
        return { edge, atMm: number(at!), widthMm: number(width!), outMm: number(out) };
      }),
    write: (v: (typeof Tab)["_output"][]) => [joined(v.map((t) => `${t.edge} ${t.atMm} ${t.widthMm} ${t.outMm}`))],
  },
  inTheBox: { columns: ["in_the_box"], read: ([c]) => list(c!), write: (v: string[]) => [joined(v)] },
  dimming: word("dimming"),
  ledCurrentMa: span("led_current_ma"),
  lowerEdgeMm: one("lower_edge_mm"),
  cell: word("cell"),
  viewingAngleDeg: one("viewing_angle_deg"),
  brightnessNits: one("brightness_nits"),
  gamutPercent: one("gamut_percent"),
  touchController: word("touch_controller"),
  touchPlug: word("touch_plug"),
  glass: word("glass"),
  cableExit: word("cable_exit"),
  lvdsOrder: word("lvds_order"),
  dithered: word("dithered"),
  privacy: word("privacy"),
  adaptiveRefresh: word("adaptive_refresh"),
  selfRefresh: word("self_refresh"),
  soldAs: word("sold_as"),
  hingeSpanMm: one("hinge_span_mm"),
  hingeOpensDeg: one("hinge_opens_deg"),
  lidLeads: {
    columns: ["lid_leads"],
    read: ([c]) =>
      list(c!).map((l) => {
        const [serves, length, ...plug] = l.split(/\s+/);
        if (length === undefined)
          throw new CellProblem(
            `"${l}": write what it serves, its length in mm or ?, and its plug, as "picture 180 flat, 30 wide"`,
          );
        return { serves, lengthMm: length === "?" ? null : number(length), plug: plug.join(" ") || null };
      }),
    write: (v: LidLead[]) => [joined(v.map((l) => [l.serves, l.lengthMm ?? "?", l.plug ?? ""].join(" ").trim()))],
  },
  lidCamera: word("lid_camera"),
  colour: word("colour"),
  lidSensor: word("lid_sensor"),
  logoWindow: word("logo_window"),
};

const snake = (fact: string): string => fact.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`).replace(/_k_hz$/, "_khz");
/** The column that says where a fact comes from. @example sourceColumn("contactSide") // "contact_side_source" */
export const sourceColumn = (fact: FactName): string => `${snake(fact)}_source`;
/** The column that says how sure its source is, 0 to 1. @example confidenceColumn("lanes") // "lanes_confidence" */
export const confidenceColumn = (fact: FactName): string => `${snake(fact)}_confidence`;
/** The column that says how near its figures are, plus or minus, in their own unit. @example nearColumn("outline") // "outline_pm" */
export const nearColumn = (fact: FactName): string => `${snake(fact)}_pm`;
/** The columns a fact's value is written in. @example factColumns("outline") // ["outline_width_mm", "outline_height_mm"] */
export const factColumns = (fact: FactName): readonly string[] => CELLS[fact].columns;

const NEAR: readonly FactName[] = [
  "outline",
  "thicknessMm",
  "active",
  "refreshHz",
  "pitchMm",
  "connectorAt",
  "activeAt",
  "pixelClockKHz",
  "lowerEdgeMm",
  "viewingAngleDeg",
  "brightnessNits",
  "gamutPercent",
  "hingeSpanMm",
];
/** Facts whose figures can be said to be plus or minus so much. */
const nearly = (fact: FactName): boolean => NEAR.includes(fact);

/** Every column a panel table may have, in the order written. */
export const PANEL_COLUMNS: readonly string[] = [
  "code",
  "other_names",
  "source",
  "confidence",
  ...FACT_NAMES.flatMap((f) => [
    ...CELLS[f].columns,
    sourceColumn(f),
    confidenceColumn(f),
    ...(nearly(f) ? [nearColumn(f)] : []),
  ]),
];

export type PanelRow = { ok: true; patch: PanelPatch } | { ok: false; problems: { column: string; message: string }[] };

/** A text cell as written for a spreadsheet: one that would be read as a formula is led by an apostrophe, cut here again. */
const plain = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell).trim();

/**
 * Reads one row of a panel table. An empty cell says nothing; `unknown` says that nobody knows.
 * @param row cells by column name; lengths in mm, decimal point
 * @returns what the row says, or every cell that is wrong with what was expected; never throws
 * @example readPanelRow({ code: "GV140FHB-K31", contacts: "30", source: "D" }).ok // true
 */
export function readPanelRow(row: Readonly<Record<string, string | undefined>>): PanelRow {
  const problems: { column: string; message: string }[] = [];
  const cell = (c: string): string => plain(row[c] ?? "");
  const source = (column: string, fallback: Source | null): Source | null => {
    const said = cell(column).toUpperCase();
    if (!said) return fallback;
    if ((SOURCES as readonly string[]).includes(said)) return said as Source;
    problems.push({ column, message: `"${cell(column)}" is not a source: one of ${SOURCES.join(", ")}` });
    return null;
  };
  const confidence = (column: string, fallback: number | undefined): number | undefined => {
    const said = cell(column);
    if (!said) return fallback;
    const n = /^\d*\.?\d+$/.test(said) ? Number(said) : Number.NaN;
    if (n >= 0 && n <= 1) return n;
    problems.push({ column, message: `"${said}" is not a confidence from 0 to 1` });
    return undefined;
  };
  const code = cell("code");
  if (code.length < 2 || code.length > 40 || !codeKey(code))
    problems.push({ column: "code", message: code ? `"${code}": 2 to 40 characters with a letter or digit` : "missing" });
  for (const name of Object.keys(row))
    if (name && !PANEL_COLUMNS.includes(name) && cell(name))
      problems.push({ column: name, message: "not a column of a panel table" });
  const rowSource = source("source", null);
  const rowConfidence = confidence("confidence", undefined);
  const otherNames: OtherName[] = [];
  for (const n of list(cell("other_names"))) {
    const m = /^(sparePart|makerNumber|other)\s+(.+)$/.exec(n);
    const read = OtherName.safeParse(m ? { kind: m[1], text: m[2] } : { kind: "other", text: n });
    if (read.success) otherNames.push(read.data);
    else problems.push({ column: "other_names", message: `"${n}": a number of 2 to 40 characters` });
  }
  const facts: Partial<Record<FactName, Sourced<unknown>>> = {};
  for (const fact of FACT_NAMES) {
    const { columns, read } = CELLS[fact];
    const cells = columns.map(cell);
    if (cells.every((c) => !c)) continue;
    const column = columns[0]!;
    const from = source(sourceColumn(fact), rowSource);
    const sure = confidence(confidenceColumn(fact), rowConfidence);
    if (!from && !cell(sourceColumn(fact)))
      problems.push({ column: sourceColumn(fact), message: `where ${columns.join(" and ")} comes from is missing` });
    const near = nearly(fact) ? cell(nearColumn(fact)) : "";
    const pm = near ? Number(near) : undefined;
    if (pm !== undefined && !(pm >= 0 && pm <= 1000))
      problems.push({ column: nearColumn(fact), message: `"${near}" is not a plus or minus from 0` });
    const put = (value: unknown) => {
      if (from)
        facts[fact] = {
          value,
          source: from,
          ...(sure === undefined ? {} : { confidence: sure }),
          ...(pm === undefined ? {} : { pm }),
        };
    };
    if (cells.every((c) => c.toLowerCase() === "unknown")) {
      put(null);
      continue;
    }
    const empty = columns.filter((_, i) => !cells[i]);
    if (empty.length) {
      problems.push({ column: empty[0]!, message: `missing beside ${columns.find((_, i) => cells[i])}` });
      continue;
    }
    try {
      const value = FACTS[fact].safeParse(read(cells));
      if (value.success) put(value.data);
      else {
        const issue = value.error.issues[0]!;
        problems.push({ column, message: `"${cells.join(" × ")}": ${issue.message}` });
      }
    } catch (e) {
      if (!(e instanceof CellProblem)) throw e;
      problems.push({ column, message: e.message });
    }
  }
  return problems.length
    ? { ok: false, problems }
    : { ok: true, patch: { code, facts, ...(otherNames.length ? { otherNames } : {}) } };
}

/**
 * A panel as one row of a table, cells by column name: the inverse of `readPanelRow`. Claims of other sources are not
 * written; the JSON form keeps them.
 * @example writePanelRow(panel).contacts // 30
 */
export function writePanelRow(p: Panel): Record<string, string | number> {
  const row: Record<string, string | number> = { code: p.code };
  if (p.otherNames?.length) row.other_names = p.otherNames.map((n) => `${n.kind} ${n.text}`).join("; ");
  for (const fact of FACT_NAMES) {
    const v = factOf(p, fact);
    if (!v) continue;
    const { columns, write } = CELLS[fact];
    const cells = v.value === null ? columns.map(() => "unknown") : write(v.value as never);
    columns.forEach((c, i) => {
      row[c] = cells[i]!;
    });
    row[sourceColumn(fact)] = v.source;
    if (v.confidence !== undefined) row[confidenceColumn(fact)] = v.confidence;
    if (v.pm !== undefined && nearly(fact)) row[nearColumn(fact)] = v.pm;
  }
  return row;
}
