"use client";
import { confidenceColumn, FACT_LABEL, FACTS, type FactName, factColumns, sourceColumn, VALUE_WORDS } from "@/core/panel";
import { readLength, readNumber, SOURCE_CONFIDENCE, SOURCE_WORDS, SOURCES, type Source } from "@/core/quantity";
import { Mark } from "../draw/Mark";

/** What the form holds: text by column, and what is wrong with it. */
export interface FormHandle {
  cells: Readonly<Record<string, string>>;
  problems: ReadonlyMap<string, string>;
  set: (column: string, text: string) => void;
}

const choicesOf = (fact: FactName): readonly string[] | null => {
  const shape = FACTS[fact];
  // A figure or a range is a choice of shapes, not of words.
  const words = "options" in shape && Array.isArray(shape.options) && shape.options.every((o) => typeof o === "string");
  return words ? (shape.options as string[]) : null;
};
const UNIT: Readonly<Record<string, string>> = {
  outline_width_mm: "width",
  outline_height_mm: "height",
  active_width_mm: "width",
  active_height_mm: "height",
  pixels_h: "across",
  pixels_v: "down",
  connector_x_mm: "from left",
  connector_y_mm: "from top",
  active_left_mm: "from left",
  active_top_mm: "from top",
};

const known = (f: FormHandle, fact: FactName) =>
  factColumns(fact).every((c) => (f.cells[c] ?? "").trim() && f.cells[c]!.trim().toLowerCase() !== "unknown");

/** One input of a fact; its underline says how the value is known. */
export function Cell({ f, fact, column, width }: { f: FormHandle; fact: FactName; column: string; width?: number }) {
  const name = `${FACT_LABEL[fact]}${UNIT[column] ? `, ${UNIT[column]}` : ""}`;
  const choices = choicesOf(fact);
  const wrong = f.problems.get(column);
  const source = f.cells[sourceColumn(fact)];
  // Inches are put over into the column's mm.
  const over = () => {
    const typed = f.cells[column] ?? "";
    const mm = column.endsWith("_mm") && readNumber(typed) === null ? readLength(typed) : null;
    if (mm !== null) f.set(column, String(mm));
  };
  const props = {
    "aria-label": name,
    "aria-invalid": wrong ? true : undefined,
    value: f.cells[column] ?? "",
    className: `cell mono u u-${known(f, fact) ? source : ""}`,
    style: width ? { width } : undefined,
  };
  return choices ? (
    <select {...props} onChange={(e) => f.set(column, e.target.value)}>
      <option value="">unknown</option>
      {choices.map((c) => (
        <option key={c} value={c}>
          {VALUE_WORDS[c] ?? c}
        </option>
      ))}
    </select>
  ) : (
    <input
      {...props}
      inputMode={/_mm$|_v$|_hz$|_in$|_khz$|contacts|lanes|bits|pixels/.test(column) ? "decimal" : undefined}
      placeholder="unknown"
      maxLength={400}
      onChange={(e) => f.set(column, e.target.value)}
      onBlur={over}
      onKeyDown={(e) => e.key === "Enter" && over()}
    />
  );
}

/** Where a value comes from, by its letter, and how sure that is when it is not as sure as usual. */
export function SourcePick({ f, fact }: { f: FormHandle; fact: FactName }) {
  const column = sourceColumn(fact);
  const sure = confidenceColumn(fact);
  const source = (f.cells[column] ?? "") as Source | "";
  return (
    <>
      <select
        className="cell mono"
        aria-label={`${FACT_LABEL[fact]}: source`}
        aria-invalid={f.problems.get(column) ? true : undefined}
        style={{ width: 52 }}
        value={source}
        title={source ? SOURCE_WORDS[source] : "source not said"}
        onChange={(e) => f.set(column, e.target.value)}
      >
        <option value="">?</option>
        {SOURCES.map((s) => (
          <option key={s} value={s} label={s}>
            {s}
          </option>
        ))}
      </select>
      <input
        className="cell mono"
        aria-label={`${FACT_LABEL[fact]}: confidence, 0 to 1`}
        aria-invalid={f.problems.get(sure) ? true : undefined}
        style={{ width: 54 }}
        inputMode="decimal"
        maxLength={5}
        placeholder={source ? SOURCE_CONFIDENCE[source].toFixed(2) : ""}
        value={f.cells[sure] ?? ""}
        onChange={(e) => f.set(sure, e.target.value)}
      />
    </>
  );
}

/** A fact as a row: name, value, source, confidence. */
export function FactRow({ f, fact }: { f: FormHandle; fact: FactName }) {
  const columns = factColumns(fact);
  const wrong = [...columns, sourceColumn(fact), confidenceColumn(fact)].map((c) => f.problems.get(c)).find(Boolean);
  return (
    <li className="factrow" data-fact={fact}>
      <span className="name">
        {known(f, fact) ? null : <Mark kind="look" size={14} label="not known" />} {FACT_LABEL[fact]}
      </span>
      <span className="values">
        {columns.map((c) => (
          <Cell key={c} f={f} fact={fact} column={c} />
        ))}
      </span>
      <SourcePick f={f} fact={fact} />
      {wrong && (
        <span className="wrong" role="alert">
          {wrong}
        </span>
      )}
    </li>
  );
}
