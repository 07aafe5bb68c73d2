"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Said } from "@/client/send";
import type { TriageTable } from "@/core/triage";
import { Choose } from "../controls/Choose";
import { SaidBox } from "../controls/SaidBox";

/** A chance on its ruler from 0 to 1: solid up to the value, the shipped or saved one as a tick. */
const Chance = ({ value, was }: { value: number; was: number }) => {
  const x = (v: number) => Math.max(0, Math.min(1, Number.isFinite(v) ? v : 0)) * 160;
  return (
    <svg width={162} height={18} className="dw flex-none" aria-hidden="true">
      <path d="M1 14h160M1 11v6M41 12v4M81 11v6M121 12v4M161 11v6" className="pen1 s3" />
      <rect x={1} y={5} width={x(value)} height={6} className="pf" />
      {Math.abs(value - was) > 1e-9 && <path d={`M${1 + x(was)} 1v14`} className="pen2 spart" />}
    </svg>
  );
};

/** What share of all causes this weight is. */
const share = (t: TriageTable, prior: number) =>
  prior /
  Math.max(
    1e-9,
    t.faults.reduce((n, f) => n + f.prior, t.noneOfThese.prior + t.noFault.prior),
  );

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
  const savedFinding = table.findings.find((f) => f.id === at);
  const setFinding = (change: Partial<TriageTable["findings"][number]>) =>
    setDraft({ ...draft, findings: draft.findings.map((f) => (f.id === at ? { ...f, ...change } : f)) });
  return (
    <>
      <p className="q">
        {draft.source}. Strength = the chance that this fault alone brings the finding about; two faults add up by noisy-OR. All
        figures are adjustable defaults (A). Causes are weighed against each other: a ruler shows the share of all, from 0 to 1. A
        tick is the value saved, while it is being changed.
      </p>
      <SaidBox said={said} />
      <div className="grid gap-8 lg:grid-cols-2">
        <section>
          <h2 className="sec">How often each is the cause</h2>
          <ul className="rows">
            {draft.faults.map((f, i) => (
              <li key={`${f.id}-${version}`} style={{ alignItems: "center" }}>
                <label className="grow" htmlFor={`prior-${f.id}`}>
                  {f.name}
                </label>
                <Chance
                  value={share(draft, f.prior)}
                  was={share(table, table.faults.find((x) => x.id === f.id)?.prior ?? f.prior)}
                />
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
                <Chance value={share(draft, draft[k].prior)} was={share(table, table[k].prior)} />
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
                    <Chance value={finding.strength?.[f.id] ?? 0} was={savedFinding?.strength?.[f.id] ?? 0} />
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
                  <Chance value={finding.leak ?? 0} was={savedFinding?.leak ?? 0} />
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
