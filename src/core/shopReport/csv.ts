/** A cell that a table program would take for a formula begins so. */
const FORMULA = /^[=+\-@\t\r]/;

/**
 * A table as text: one header, lines ended by CRLF, cells quoted where they have to be. A word that would be read as a formula gets an
 * apostrophe; what is unknown is empty. Numbers are written as they are.
 * @source RFC 4180
 * @example csvText(["job", "minor"], [["H-1", 5], ["=x", null]]) // "job,minor\r\nH-1,5\r\n'=x,\r\n"
 */
export function csvText(header: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string {
  const cell = (c: string | number | null): string => {
    if (c === null) return "";
    if (typeof c === "number") return String(c);
    const safe = FORMULA.test(c) ? `'${c}` : c;
    return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
  };
  return [header, ...rows].map((r) => `${r.map(cell).join(",")}\r\n`).join("");
}
