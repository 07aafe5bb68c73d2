"use client";
import Link from "next/link";
import { useRouter, useSearchParams } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import { counted } from "@/core/quantity";
import { IMPORT_OUTCOMES, type ImportOutcome, type ImportReply, PANEL_TABLE_MB } from "@/wire/panels";
import { SaidBox } from "../controls/SaidBox";
import { Sheet } from "../controls/Sheet";
import { Mark, type MarkKind } from "../draw/Mark";
import { Desk } from "../shell/Desk";
import { ImportForm } from "./ImportForm";

const POLL_MS = 400;

const WORDS: Record<ImportOutcome, { name: string; note: string; mark: MarkKind }> = {
  wrong: { name: "Wrong", note: "cannot be read; left out", mark: "stop" },
  conflict: { name: "Against the record", note: "both are kept until someone settles it", mark: "ask" },
  new: { name: "New", note: "not on record yet", mark: "change" },
  fills: { name: "Fills in", note: "something that was unknown", mark: "change" },
  repeated: { name: "Repeated", note: "says again what an earlier row said", mark: "same" },
  same: { name: "Nothing new", note: "as on record", mark: "same" },
};

const get = async (id: string, only: ImportOutcome | null, after: number): Promise<ImportReply | null> => {
  const res = await fetch(`/api/panels/import/${id}?after=${after}${only ? `&only=${only}` : ""}`, { cache: "no-store" }).catch(
    () => null,
  );
  return res?.ok ? ((await res.json()) as ImportReply) : null;
};

/** A table of panels: read in full as a trial first, row by row; nothing changes before it is taken over. */
export function PanelImport() {
  const router = useRouter();
  const id = useSearchParams().get("id");
  const [text, setText] = useState("");
  const [name, setName] = useState("");
  /** The file itself, sent as it is; null once its text was changed here. */
  const [file, setFile] = useState<File | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [reply, setReply] = useState<ImportReply | null>(null);
  const [only, setOnly] = useState<ImportOutcome | null>(null);
  const [sure, setSure] = useState(false);
  const [taken, setTaken] = useState<number | null>(null);

  const look = useCallback(async () => {
    if (!id) return setReply(null);
    const r = await get(id, only, 0);
    if (r) setReply(r);
    else setWrong("That dry run is not there any more. Read the file again.");
  }, [id, only]);
  useEffect(() => {
    void look();
  }, [look]);
  const reading = reply?.state === "reading";
  useEffect(() => {
    if (!reading) return;
    const t = setInterval(() => void look(), POLL_MS);
    return () => clearInterval(t);
  }, [reading, look]);

  const pick = async (file: File | undefined) => {
    if (!file) return;
    setWrong(null);
    if (file.size > PANEL_TABLE_MB * 1e6)
      return setWrong(
        `${file.name} is ${Math.round(file.size / 1e6)} MB; a table has ${PANEL_TABLE_MB} MB at most. Nothing was read: split the file.`,
      );
    setName(file.name);
    setFile(file);
    setText(await file.text());
  };
  const start = async () => {
    setWrong(null);
    if (!text.trim()) return setWrong("Choose a file, or paste its text, first.");
    setBusy(true);
    const format = name.toLowerCase().endsWith(".json") || /^\s*[[{]/.test(text) ? "json" : "csv";
    const res = await fetch(`/api/panels/import?name=${encodeURIComponent((name || "pasted text").slice(0, 120))}`, {
      method: "POST",
      headers: { "content-type": format === "json" ? "application/json" : "text/csv" },
      body: file ?? text,
    }).catch(() => null);
    const body = await res?.json().catch(() => null);
    setBusy(false);
    if (!res?.ok) return setWrong(body?.problem ?? "The server was not reached. The text is kept here.");
    setReply(null);
    setTaken(null);
    router.replace(`/panels/import?id=${body.id}`);
  };
  const cancel = async () => {
    if (!id) return;
    await fetch(`/api/panels/import/${id}`, { method: "DELETE", headers: { "content-type": "application/json" } }).catch(
      () => null,
    );
    setReply(null);
    router.replace("/panels/import");
  };
  const take = async () => {
    setSure(false);
    const res = await fetch(`/api/panels/import/${id}`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: "{}",
    }).catch(() => null);
    const body = await res?.json().catch(() => null);
    if (!res?.ok) return setWrong(body?.problem ?? "The server was not reached. Nothing was saved.");
    setTaken(body.panels);
    void look();
  };
  const more = async () => {
    const last = reply?.list.at(-1)?.row;
    if (!id || !reply || last === undefined) return;
    const r = await get(id, only, last);
    if (r) setReply({ ...r, list: [...reply.list, ...r.list] });
  };
  const counts = reply?.counts ?? {};
  const changes = (counts.new ?? 0) + (counts.fills ?? 0) + (counts.conflict ?? 0);
  const inFilter = only ? (counts[only] ?? 0) : (reply?.rows ?? 0);
  return (
    <>
      <Desk title="Read a table of panels" ways={[["/panels", "All panels"]]}>
        <SaidBox said={wrong ? { ok: false, words: wrong } : null} />
        {!id && (
          <ImportForm
            name={name}
            text={text}
            busy={busy}
            onPick={pick}
            onText={(t) => {
              setText(t);
              setFile(null);
              setName("");
            }}
            onStart={start}
          />
        )}
        {id && !reply && !wrong && <p className="q">Looking for the dry run.</p>}
        {reply && (
          <>
            <section className="flex flex-col gap-2" aria-label="How far it is read">
              <p className="flex items-baseline gap-4">
                <b className="text-[20px]">{reply.name}</b>
                <span role="status">
                  {reply.state === "reading"
                    ? `Reading: ${counted(reply.rows, "row")} so far, ${Math.round(reply.part * 100)} % of the file`
                    : reply.state === "ready"
                      ? `${counted(reply.rows, "row")} read. Nothing is changed yet.`
                      : reply.state === "taken"
                        ? `Taken over${taken === null ? "" : `: ${counted(taken, "panel")} written`}.`
                        : reply.state === "failed"
                          ? "Could not be read to its end. Nothing is changed."
                          : "Called off. Nothing is changed."}
                </span>
              </p>
              <svg height={16} width="100%" role="img" aria-label={`${Math.round(reply.part * 100)} % read`}>
                <rect x="0.75" y="2" width="calc(100% - 2px)" height={11} className="pen1 sink" />
                <rect x="0.75" y="2" width={`${reply.part * 100}%`} height={11} className="pf" />
              </svg>
              {reply.notes.map((n) => (
                <p key={n} className="q">
                  <Mark kind="look" size={16} /> {n}
                </p>
              ))}
            </section>
            <div className="flex flex-wrap gap-2" role="group" aria-label="Rows by what would happen">
              <button type="button" className="btn quiet" aria-pressed={only === null} onClick={() => setOnly(null)}>
                All {reply.rows}
              </button>
              {IMPORT_OUTCOMES.filter((o) => counts[o]).map((o) => (
                <button
                  key={o}
                  type="button"
                  className="btn quiet"
                  aria-pressed={only === o}
                  title={WORDS[o].note}
                  onClick={() => setOnly(only === o ? null : o)}
                >
                  <Mark kind={WORDS[o].mark} size={18} />
                  {WORDS[o].name} {counts[o]}
                </button>
              ))}
            </div>
            {only && <p className="q">{`${WORDS[only].name}: ${WORDS[only].note}.`}</p>}
            <ul className="rows" aria-label="Rows">
              {reply.list.map((r) => (
                <li key={r.row} data-outcome={r.outcome} style={{ fontSize: 16 }}>
                  <span className="mono whitespace-nowrap text-right text-ink-2" style={{ width: 84 }}>
                    row {r.row}
                  </span>
                  <Mark kind={WORDS[r.outcome].mark} size={16} label={WORDS[r.outcome].name} />
                  <b className="mono">{r.code || "no code"}</b>
                  <span className="grow">{r.says.join("; ") || WORDS[r.outcome].note}</span>
                </li>
              ))}
            </ul>
            {reply.list.length < inFilter && reply.list.length > 0 && (
              <button type="button" className="btn quiet self-start" onClick={() => void more()}>
                Next {Math.min(100, inFilter - reply.list.length)} of {inFilter - reply.list.length}
              </button>
            )}
            <div className="savebar flex items-center gap-3">
              {reply.state === "ready" && changes > 0 && (
                <button type="button" className="plate small" style={{ width: 460 }} onClick={() => setSure(true)}>
                  <span>
                    <b>Take over {counted(changes, "row")}</b>
                    <i>
                      {counts.wrong ? `${counted(counts.wrong, "wrong row")} left out. ` : ""}
                      {counts.conflict ? `${counts.conflict} kept beside the record.` : "Whole or not at all."}
                    </i>
                  </span>
                </button>
              )}
              {reply.state === "ready" && changes === 0 && <b>Nothing in it would change the record.</b>}
              {(reply.state === "reading" || reply.state === "ready") && (
                <button type="button" className="btn quiet" onClick={() => void cancel()}>
                  {reply.state === "reading" ? "Call it off" : "Forget it"}
                </button>
              )}
              {reply.state !== "reading" && reply.state !== "ready" && (
                <Link className="btn" href="/panels/import" onClick={() => setReply(null)}>
                  Read another
                </Link>
              )}
            </div>
          </>
        )}
      </Desk>
      <Sheet open={sure} onClose={() => setSure(false)} title={`Take over ${counted(changes, "row")}?`}>
        <p>
          {[
            counts.new ? `${counts.new} new` : "",
            counts.fills ? `${counts.fills} fill in what was unknown` : "",
            counts.conflict ? `${counts.conflict} speak against the record: nothing is overwritten, both are kept` : "",
          ]
            .filter(Boolean)
            .join(", ")}
          . {counts.wrong ? `${counted(counts.wrong, "wrong row")} are left out.` : ""}
        </p>
        <button type="button" className="btn self-start" onClick={() => void take()}>
          Take them over
        </button>
      </Sheet>
    </>
  );
}
