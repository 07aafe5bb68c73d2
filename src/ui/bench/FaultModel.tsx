"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Said } from "@/client/send";
import type { TriageTable } from "@/core/triage";
import { Choose } from "../controls/Choose";
import { SaidBox } from "../controls/SaidBox";

/** Priors, and the strengths of one finding at a time, typed where they stand. Saved whole and validated, or not at all. */
export function FaultModel({ table, version }: { table: TriageTable; version: number }) {
  const router = useRouter();
  const [draft, setDraft] = useState(table);
  const [at, setAt] = useState(table.findings.find((f) => f.strength)?.id ?? "");
  const [file, setFile] = useState("");
  const [said, setSaid] = useState<Said | null>(null);
  // What the server holds now: after a save, a shipped model put back, another writer. The same version again is no news,
  // and what is being typed stays.
  const [seen, setSeen] = useState(version);
  if (seen !== version) {
    setSeen(version);
    setDraft(table);
  }
  const changed = JSON.stringify(draft) !== JSON.stringify(table);
  const send = async (body: unknown, words: string) => {
    const res = await fetch("/api/triage", {
      method: "PUT",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    }).catch(() => null);
    const reply = await res?.json().catch(() => null);
    if (!res?.ok)
      return setSaid({
        ok: false,
        words: reply?.problem ?? "The server was not reached. What you typed is kept here.",
        details: reply?.details,
      });
    setSaid({ ok: true, words: `${words} Version ${reply.version}. Jobs keep the model their findings were made with.` });
    router.refresh();
  };
  const number = (v: string) => (v.trim() === "" ? 0 : Number(v.replace(",", ".")));
  const finding = draft.findings.find((f) => f.id === at);
  const setFinding = (change: Partial<TriageTable["findings"][number]>) =>
    setDraft({ ...draft, findings: draft.findings.map((f) => (f.id === at ? { ...f, ...change } : f)) });
  return (
    <>
      <p className="q">
        {draft.source}. Strength = the chance that this fault alone brings the finding about; two faults add up by noisy-OR. All
        figures are adjustable defaults (A).
      </p>
      <SaidBox said={said} />
      <div className="grid grid-cols-2 gap-8">
        <section>
          <h2 className="sec">How often each is the cause</h2>
          <ul className="rows">
            {draft.faults.map((f, i) => (
              <li key={`${f.id}-${version}`} style={{ alignItems: "center" }}>
                <label className="grow" htmlFor={`prior-${f.id}`}>
                  {f.name}
                </label>
                <input
                  id={`prior-${f.id}`}
                  className="mono"
                  style={{ width: 90 }}
                  inputMode="decimal"
                  defaultValue={f.prior}
                  onChange={(e) =>
                    setDraft({
                      ...draft,
                      faults: draft.faults.map((x, k) => (k === i ? { ...x, prior: number(e.target.value) } : x)),
                    })
                  }
                />
              </li>
            ))}
            {(["noneOfThese", "noFault"] as const).map((k) => (
              <li key={`${k}-${version}`} style={{ alignItems: "center" }}>
                <label className="grow" htmlFor={`prior-${k}`}>
                  {draft[k].name}
                </label>
                <input
                  id={`prior-${k}`}
                  className="mono"
                  style={{ width: 90 }}
                  inputMode="decimal"
                  defaultValue={draft[k].prior}
                  onChange={(e) => setDraft({ ...draft, [k]: { ...draft[k], prior: number(e.target.value) } })}
                />
              </li>
            ))}
          </ul>
        </section>
        <section>
          <label className="field">
            <span>Finding</span>
            <Choose value={at} options={draft.findings.map((f) => [f.id, f.name])} onValue={setAt} />
          </label>
          {finding && !finding.strength ? (
            <div className="empty mt-3">
              <b>Part of "{draft.groups.find((g) => g.members.includes(finding.id))?.name}".</b> Looks at one thing share a joint
              table: change it in the file.
            </div>
          ) : (
            finding && (
              <ul className="rows" key={`${finding.id}-${version}`}>
                {draft.faults.map((f) => (
                  <li key={f.id} style={{ alignItems: "center" }}>
                    <label className="grow" htmlFor={`s-${f.id}`}>
                      {f.name}
                    </label>
                    <input
                      id={`s-${f.id}`}
                      className="mono"
                      style={{ width: 90 }}
                      inputMode="decimal"
                      defaultValue={finding.strength?.[f.id] ?? 0}
                      onChange={(e) => setFinding({ strength: { ...finding.strength, [f.id]: number(e.target.value) } })}
                    />
                  </li>
                ))}
                <li style={{ alignItems: "center" }}>
                  <label className="grow" htmlFor="s-leak">
                    Nothing at fault
                  </label>
                  <input
                    id="s-leak"
                    className="mono"
                    style={{ width: 90 }}
                    inputMode="decimal"
                    defaultValue={finding.leak}
                    onChange={(e) => setFinding({ leak: number(e.target.value) })}
                  />
                </li>
              </ul>
            )
          )}
        </section>
      </div>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn"
          disabled={!changed}
          onClick={() => void send({ text: JSON.stringify(draft), version }, "Saved.")}
        >
          {changed ? "Save the changes" : "Save: nothing changed"}
        </button>
        <a className="btn" href="/api/triage">
          Export (JSON)
        </a>
        <button type="button" className="btn" onClick={() => void send({ shipped: true, version }, "Back to the shipped model.")}>
          Back to shipped
        </button>
      </div>
      <section className="flex flex-col gap-3">
        <h2 className="sec">Read a model from a file</h2>
        <label className="field">
          <span>Fault model (JSON)</span>
          <input
            type="file"
            accept=".json,application/json"
            onChange={async (e) => setFile((await e.target.files?.[0]?.text()) ?? "")}
          />
        </label>
        <button type="button" className="btn self-start" onClick={() => void send({ text: file, version }, "Read.")}>
          Read it
        </button>
      </section>
    </>
  );
}
