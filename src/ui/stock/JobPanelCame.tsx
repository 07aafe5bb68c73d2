"use client";
import { useState } from "react";
import type { Act } from "@/core/job";
import { readItem } from "@/core/stock";
import type { OrderLine } from "./bindLine";

/** The panel of a job came: its label is scanned, and goes into that job. What it is looked over for stands in the job's Match. */
export function JobPanelCame({
  line,
  jobId,
  label,
  onShelf,
  onDone,
}: {
  line: OrderLine;
  jobId: string;
  /** As scanned before. */
  label: string;
  /** What came is put onto the shelf as what it is, kept for nobody; the line stays out. */
  onShelf: () => void;
  onDone: (words: string) => void;
}) {
  const [code, setCode] = useState(label);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const ordered = readItem(line.item)?.what ?? "";
  const put = async () => {
    if (!code.trim()) return setWrong("Scan or type the code on its label: it is held against the one ordered.");
    setBusy(true);
    const { actOn } = await import("@/client/actOn");
    const act: Act = { type: "match.arrived", payload: { codeRead: code.trim() } };
    const no = await actOn(jobId, act);
    setBusy(false);
    if (no) return setWrong(no);
    onDone(`${line.job}: ${code.trim()} came. Look it over in its Match before anything is opened.`);
  };
  return (
    <form
      className="flex flex-col gap-3"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <p>
        Ordered for <b className="mono">{line.job}</b>: <b className="mono">{ordered}</b>. Its films stay on.
      </p>
      <label className="field">
        <span>Code on the label that came</span>
        <input
          className="mono"
          value={code}
          onChange={(e) => setCode(e.target.value)}
          maxLength={60}
          autoComplete="off"
          spellCheck={false}
          aria-invalid={wrong !== null}
        />
      </label>
      {wrong && (
        <p className="wrong" role="alert">
          {wrong}{" "}
          <a className="link" href={`/jobs/${jobId}/match`}>
            Match of {line.job}
          </a>
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <button type="submit" className="btn" disabled={busy}>
          Put it into {line.job}
        </button>
        {wrong && (
          <button type="button" className="btn quiet" onClick={onShelf}>
            Onto the shelf, for nobody
          </button>
        )}
      </div>
    </form>
  );
}
