"use client";
import { format } from "date-fns";
import { useState } from "react";
import { whoIsHere } from "@/client/device";
import { type Said, send } from "@/client/send";
import { counted } from "@/core/quantity";
import type { RedactLine } from "@/wire/backup";
import { SaidBox } from "../controls/SaidBox";

/** Customers' words, names, serials and photos: how long they stay, what is held of one person, and their end. */
export function RemoveWords() {
  const [months, setMonths] = useState(24);
  const [customer, setCustomer] = useState("");
  const [found, setFound] = useState<{ lines: RedactLine[]; ask: { months: number } | { customer: string } } | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const [busy, setBusy] = useState(false);
  const look = async (ask: { months: number } | { customer: string }) => {
    setBusy(true);
    const r = await send<{ lines: RedactLine[] }>("POST", "/api/redact", ask);
    setBusy(false);
    if (!r.ok) return setSaid(r.said);
    setFound({ lines: r.body.lines, ask });
    setSaid(r.body.lines.length ? null : { ok: true, words: "No closed job holds any." });
  };
  const remove = async () => {
    if (!found) return;
    setBusy(true);
    const r = await send<{ jobs: number; entries: number }>("POST", "/api/redact", {
      ...found.ask,
      sure: true,
      who: whoIsHere(),
    });
    setBusy(false);
    if (!r.ok) return setSaid(r.said);
    setFound(null);
    setSaid({
      ok: true,
      words: `Removed for good from ${counted(r.body.jobs, "job")}, ${counted(r.body.entries, "entry", "entries")}.`,
    });
  };
  return (
    <section className="flex flex-col gap-3" data-section="words">
      <h2 className="sec">Customers' words, names and photos</h2>
      <p className="q">
        In closed jobs they can be removed for good; what was done to the machine, times and figures stay. Guarantee and tax
        papers may ask that names, dates and prices are kept longer: print the hand-over sheet first. Backups made before still
        hold them until they go by themselves, within twelve months.
      </p>
      <div className="grid gap-3 sm:grid-cols-2">
        <label className="field">
          <span>Closed more than this many months ago</span>
          <input type="number" min={0} max={240} value={months} onChange={(e) => setMonths(Number(e.target.value))} />
        </label>
        <div className="field justify-end">
          <button type="button" className="btn" disabled={busy} onClick={() => void look({ months })}>
            Show these jobs
          </button>
        </div>
        <label className="field">
          <span>Or of one customer, the name as it was written</span>
          <input value={customer} maxLength={80} onChange={(e) => setCustomer(e.target.value)} />
        </label>
        <div className="field justify-end">
          <button
            type="button"
            className="btn"
            disabled={busy || !customer.trim()}
            onClick={() => void look({ customer: customer.trim() })}
          >
            Show what is held
          </button>
        </div>
      </div>
      <SaidBox said={said} />
      {found && found.lines.length > 0 && (
        <>
          <ul className="rows">
            {found.lines.map((l) => (
              <li key={l.jobId}>
                <span className="grow">
                  <b>{l.number}</b>, {l.customer}, closed {format(new Date(l.closedAt), "d MMM yyyy")}
                </span>
                <em>
                  {counted(l.entries, "entry", "entries")}, {counted(l.photos, "photo")}
                </em>
                <a className="link" href={`/api/jobs/${l.jobId}/export`}>
                  export
                </a>
              </li>
            ))}
          </ul>
          <div className="refusal">
            <div className="grow">
              <b>Remove them for good from {counted(found.lines.length, "job")}?</b>
              There is no way back. Export a job first if its owner wants what is held.
              <div className="flex gap-2 mt-2">
                <button type="button" className="btn" disabled={busy} onClick={() => void remove()}>
                  Remove for good
                </button>
                <button type="button" className="btn quiet" onClick={() => setFound(null)}>
                  Leave them
                </button>
              </div>
            </div>
          </div>
        </>
      )}
    </section>
  );
}
