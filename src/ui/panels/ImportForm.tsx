"use client";

/** The table to be read: a file, or its text. Nothing is changed by it. */
export function ImportForm({
  name,
  text,
  busy,
  onPick,
  onText,
  onStart,
}: {
  name: string;
  text: string;
  busy: boolean;
  onPick: (file: File | undefined) => void;
  onText: (text: string) => void;
  onStart: () => void;
}) {
  return (
    <>
      <p className="q">
        CSV with the columns of{" "}
        <a className="link" href="/api/panels/export?format=csv" download>
          a table written here
        </a>
        , or its JSON. Read as a trial first: row by row, what would change and what is wrong. Up to 50 000 rows.
      </p>
      <label className="field">
        <span>File</span>
        <input type="file" accept=".csv,.json,text/csv,application/json" onChange={(e) => void onPick(e.target.files?.[0])} />
      </label>
      <label className="field">
        <span>Or its text</span>
        <textarea
          className="mono"
          rows={5}
          spellCheck={false}
          value={text.length > 200_000 ? text.slice(0, 200_000) : text}
          readOnly={text.length > 200_000}
          placeholder={"code,source,contacts,pitch_mm\nGV140FHB-K31,D,30,0.5"}
          onChange={(e) => onText(e.target.value)}
        />
        {text.length > 200_000 && <span className="hint">Only the beginning is shown; all of {name} is read.</span>}
      </label>
      <button type="button" className="plate small" style={{ maxWidth: 420 }} disabled={busy} onClick={() => void onStart()}>
        <span>
          <b>{busy ? "Sending" : "Read it as a trial"}</b>
          <i>Nothing is changed by this.</i>
        </span>
      </button>
    </>
  );
}
