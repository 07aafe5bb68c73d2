"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { arrived, carried, carry } from "@/client/carried";
import { read, write } from "@/client/device";
import {
  confidenceColumn,
  conflictsOf,
  FACT_NAMES,
  type FactName,
  factColumns,
  type Panel,
  panelId,
  panelOfCells,
  settleConflict,
  sourceColumn,
} from "@/core/panel";
import { SOURCE_WORDS } from "@/core/quantity";
import { SaidBox } from "../controls/SaidBox";
import { Mark } from "../draw/Mark";
import { Conflicts } from "./Conflicts";
import { cellsOf, type Draft, ROWS } from "./draft";
import { FactRow, type FormHandle } from "./FactField";
import { PanelBack } from "./PanelBack";
import { StaleBox } from "./StaleBox";

type State =
  | { kind: "idle" | "busy" | "saved" }
  | { kind: "wrong"; words: string; details: { where: string; message: string }[] }
  | { kind: "stale"; words: string; theirs: Panel; version: number };

/** The record of one panel: values typed where they are measured, each with its source. */
export function PanelEditor({ panel, version }: { panel: Panel | null; version: number }) {
  const router = useRouter();
  const key = `helvane.panel.${panel?.id ?? "new"}`;
  const [base, setBase] = useState<Draft>(() => ({
    cells: panel ? cellsOf(panel) : {},
    claims: [...(panel?.claims ?? [])],
    version,
  }));
  const [draft, setDraft] = useState<Draft>(base);
  const [state, setState] = useState<State>(() => ({ kind: panel && carried(panel.id) ? "saved" : "idle" }));
  useEffect(() => {
    if (panel) arrived(panel.id);
  }, [panel]);
  const [tried, setTried] = useState(false);
  const changed = JSON.stringify(draft) !== JSON.stringify(base);

  // What was typed and not saved comes back, unless the record has changed since.
  useEffect(() => {
    const kept = read(key);
    if (!kept) return;
    try {
      const d = JSON.parse(kept) as Draft;
      if (d.version === version) setDraft(d);
    } catch {
      write(key, "");
    }
  }, [key, version]);
  useEffect(() => {
    write(key, changed ? JSON.stringify(draft) : "");
  }, [key, draft, changed]);

  const id = panel?.id ?? (panelId(draft.cells.code ?? "") || "panel");
  const form = useMemo(() => panelOfCells(draft.cells, { id, claims: draft.claims }), [draft, id]);
  const problems = useMemo(() => {
    const list = form.ok ? [] : form.problems;
    // Before the first try only what was typed wrong is marked, not what is still to come.
    return new Map(list.filter((p) => tried || p.message !== "missing").map((p) => [p.column, p.message]));
  }, [form, tried]);
  const set = (column: string, text: string) => {
    setState((s) => (s.kind === "stale" ? s : { kind: "idle" }));
    setDraft((d) => {
      const cells = { ...d.cells, [column]: text };
      // A value typed by hand is measured, unless its source was said before.
      const fact = FACT_NAMES.find((n) => factColumns(n).includes(column));
      if (fact && text.trim() && !cells[sourceColumn(fact)]) cells[sourceColumn(fact)] = "M";
      return { ...d, cells };
    });
  };
  const f: FormHandle = { cells: draft.cells, problems, set };
  // While a cell is half typed, what was readable last still says where sources disagree.
  const readable = useRef<Panel | null>(panel);
  if (form.ok) readable.current = form.panel;
  const conflicts = readable.current ? conflictsOf({ ...readable.current, claims: draft.claims }) : [];
  const settle = (fact: FactName, take: "kept" | number) => {
    if (!readable.current) return;
    const next = settleConflict({ ...readable.current, claims: draft.claims }, fact, take);
    const settled = cellsOf(next);
    setDraft((d) => {
      const cells = { ...d.cells };
      for (const c of [...factColumns(fact), sourceColumn(fact), confidenceColumn(fact)]) cells[c] = settled[c] ?? "";
      return { ...d, cells, claims: [...(next.claims ?? [])] };
    });
  };
  const save = async () => {
    setTried(true);
    if (!form.ok)
      return setState({
        kind: "wrong",
        words: "Not saved: mend what is marked.",
        details: form.problems.slice(0, 12).map((p) => ({ where: p.column, message: p.message })),
      });
    setState({ kind: "busy" });
    const res = await fetch(`/api/panels/${form.panel.id}`, {
      method: "PUT",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ panel: form.panel, version: draft.version }),
    }).catch(() => null);
    const body = await res?.json().catch(() => null);
    if (!res) return setState({ kind: "wrong", words: "The server was not reached. What you typed is kept here.", details: [] });
    if (res.ok) {
      const saved = { ...draft, version: body.version as number };
      write(key, "");
      setBase(saved);
      setDraft(saved);
      setState({ kind: "saved" });
      if (!panel) {
        carry(form.panel.id, "saved");
        router.replace(`/panels/${form.panel.id}`);
      }
      router.refresh();
      return;
    }
    const now = res.status === 409 ? await fetch(`/api/panels/${form.panel.id}`).catch(() => null) : null;
    if (now?.ok) {
      const { panel: theirs, version: v } = (await now.json()) as { panel: Panel; version: number };
      if (v !== draft.version) return setState({ kind: "stale", words: body.problem, theirs, version: v });
    }
    setState({ kind: "wrong", words: body?.problem ?? "Not saved.", details: body?.details ?? [] });
  };
  return (
    <main className="grow-page">
      <div className="panelpage">
        <header className="flex items-center gap-6">
          <h1 className="step long mono">{draft.cells.code?.trim() || "A new panel"}</h1>
          <span className="q grow">
            {draft.version ? `version ${draft.version}` : "not saved yet"}
            {changed && draft.version > 0 && ", changed here"}
          </span>
          <Link className="link" href="/panels">
            All panels
          </Link>
          <Link className="link" href="/">
            To the bench
          </Link>
        </header>
        <div className="cols">
          <section aria-label="Back of the panel">
            <PanelBack f={f} />
            <label className="field mt-3">
              <span>Other numbers of the same part</span>
              <input
                className="cell mono"
                value={draft.cells.other_names ?? ""}
                maxLength={900}
                placeholder="sparePart 5Q10-00412; makerNumber 0A1B-2C"
                onChange={(e) => set("other_names", e.target.value)}
              />
              <span className="hint">Separated by semicolons; sparePart, makerNumber or other before each.</span>
              {problems.get("other_names") && <span className="wrong">{problems.get("other_names")}</span>}
            </label>
          </section>
          <section aria-label="Facts" className="flex flex-col gap-3">
            {conflicts.length > 0 && <Conflicts conflicts={conflicts} claims={draft.claims} onSettle={settle} />}
            {ROWS.map((g) => (
              <div key={g.name}>
                <h2 className="sec flex items-baseline gap-2">
                  {g.name}
                  {g === ROWS[0] && <span className="q ml-auto text-[14px] font-normal">value, source, confidence</span>}
                </h2>
                <ul>
                  {g.facts.map((fact) => (
                    <FactRow key={fact} f={f} fact={fact} />
                  ))}
                </ul>
              </div>
            ))}
            <p className="q">
              {(["M", "L", "E", "D", "S", "G", "A"] as const).map((l) => `${l} ${SOURCE_WORDS[l]}`).join(", ")}. A seller's word
              or a guess never decides what can destroy a board.
            </p>
          </section>
        </div>
        <footer className="savebar">
          {state.kind === "stale" && (
            <StaleBox
              words={state.words}
              version={state.version}
              mine={form.ok ? form.panel : null}
              theirs={state.theirs}
              onTheirs={(fact) => {
                const t = cellsOf(state.theirs);
                setDraft((d) => {
                  const cells = { ...d.cells };
                  for (const c of [...factColumns(fact), sourceColumn(fact), confidenceColumn(fact)]) cells[c] = t[c] ?? "";
                  return { ...d, cells };
                });
              }}
              onSeen={() => {
                setDraft((d) => ({ ...d, version: state.version, claims: [...(state.theirs.claims ?? [])] }));
                setBase({
                  cells: cellsOf(state.theirs),
                  claims: [...(state.theirs.claims ?? [])],
                  version: state.version,
                });
                setState({ kind: "idle" });
              }}
            />
          )}
          {state.kind === "wrong" && <SaidBox said={{ ok: false, words: state.words, details: state.details }} />}
          <div className="flex items-center gap-4">
            <button
              type="button"
              className="plate small"
              style={{ width: 330 }}
              disabled={state.kind === "busy" || (!changed && !!panel)}
              onClick={() => void save()}
            >
              <span>
                <b>{state.kind === "busy" ? "Saving" : panel ? "Save the panel" : "Add the panel"}</b>
                <i>{changed || !panel ? "Jobs under way keep what they were compared with." : "Nothing changed."}</i>
              </span>
            </button>
            {changed && (
              <button
                type="button"
                className="btn quiet"
                onClick={() => {
                  setDraft(base);
                  setState({ kind: "idle" });
                }}
              >
                Back to version {base.version}
              </button>
            )}
            {state.kind === "saved" && (
              <span role="status">
                <Mark kind="same" size={18} /> Saved as version {draft.version}.
              </span>
            )}
          </div>
        </footer>
      </div>
    </main>
  );
}
