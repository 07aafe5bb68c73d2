"use client";
import { format } from "date-fns";
import { useState } from "react";
import { send } from "@/client/send";
import { counted } from "@/core/quantity";
import type { BackupLine } from "@/wire/backup";
import { SaidBox } from "../controls/SaidBox";
import { useLongWork } from "../controls/useLongWork";

const when = (iso: string) => format(new Date(iso), "EEE d MMM yyyy HH:mm");
const mb = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;
const SHOWN = 8;

/** Copies of the whole shop: when, where, whether they are good, and the way back. */
export function KeepShop({
  backups,
  setting,
  here,
  caution,
  drill,
}: {
  backups: BackupLine[];
  /** When the shop was last started from a copy, and how that went. */
  drill: { at: string; ok: boolean; problem: string | null; jobs: number } | null;
  setting: { elsewhere: string | null; everyMin: number; warnDays: number };
  here: string;
  caution: string | null;
}) {
  const { said, busy, doing } = useLongWork();
  const [f, set] = useState({ elsewhere: setting.elsewhere ?? "", everyMin: setting.everyMin, warnDays: setting.warnDays });
  const [read, setRead] = useState<{ file: string; words: string } | null>(null);
  const [all, setAll] = useState(false);
  const now = () =>
    doing("Copying the shop and reading the copy back", async () => {
      const r = await send<{ file: string; jobs: number; events: number }>("POST", "/api/backup", {});
      return r.ok
        ? { ok: true, words: `Backed up and read back: ${counted(r.body.jobs, "job")}, ${counted(r.body.events, "event")}.` }
        : r.said;
    });
  const keep = () =>
    doing("Trying the folder", async () => {
      const r = await send<{ caution: string | null }>("PUT", "/api/backup", f);
      return r.ok ? { ok: true, words: r.body.caution ?? "Kept." } : r.said;
    });
  const dryRun = (file: string) =>
    doing("Reading the backup back", async () => {
      const r = await send<{ read: { jobs: number; events: number; photos: number } }>("POST", "/api/backup/restore", { file });
      if (!r.ok) return r.said;
      const { jobs, events, photos } = r.body.read;
      setRead({ file, words: `${counted(jobs, "job")}, ${counted(events, "event")}, ${counted(photos, "photo")}` });
      return { ok: true, words: "It is whole. Nothing was changed." };
    });
  const tryOut = (file: string) =>
    doing("Starting the shop from its newest copy, on a port of its own", async () => {
      const r = await send<{ jobs: number }>("POST", "/api/backup/drill", { file });
      return r.ok
        ? { ok: true, words: `It started from the copy: the bench and ${counted(r.body.jobs, "job")} were read there.` }
        : r.said;
    });
  const newest = backups.find((b) => b.verifiedAt);
  const back = (file: string) =>
    doing("Putting the shop back", async () => {
      const r = await send<{ before: string | null }>("POST", "/api/backup/restore", { file, sure: true });
      if (!r.ok) return r.said;
      setRead(null);
      return {
        ok: true,
        words: `The shop is as it was then. Every device unlocks anew. The one from before is kept in ${r.body.before}.`,
      };
    });
  return (
    <section className="flex flex-col gap-3" data-section="keep">
      <h2 className="sec">Keeping the shop</h2>
      <p className="q">
        Everything recorded lies in one database on this machine. It is copied every {setting.everyMin} minutes while acts come,
        each copy is read back job by job, and old ones go: 24 hours, 14 days, 8 weeks and 12 months keep their newest. Copies are
        as readable as the database itself: who may not read them is the disk's business.
      </p>
      {caution && (
        <p className="q" role="status">
          <b>{caution}</b>
        </p>
      )}
      <div className="flex flex-wrap gap-2 items-center">
        <button type="button" className="btn" disabled={busy !== null} onClick={() => void now()}>
          Back up now
        </button>
        {newest && (
          <button type="button" className="btn" disabled={busy !== null} onClick={() => void tryOut(newest.file)}>
            Start from the newest copy, to try
          </button>
        )}
        {busy && <span role="status">{busy} …</span>}
      </div>
      <SaidBox said={said} />
      <p className="q">
        {drill
          ? `Last started from a copy: ${when(drill.at)}, ${drill.ok ? `${counted(drill.jobs, "job")} read there` : `not good: ${drill.problem}`}.`
          : "Not started from a copy yet. That is done by itself every 30 days."}
      </p>
      <div className="grid gap-3 sm:grid-cols-3">
        <label className="field sm:col-span-3">
          <span>Second folder, on another disk or machine</span>
          <input
            className="mono"
            value={f.elsewhere}
            placeholder="none"
            maxLength={400}
            onChange={(e) => set({ ...f, elsewhere: e.target.value })}
          />
          <span className="hint">Copies beside the database lie in {here}.</span>
        </label>
        <label className="field">
          <span>Every, minutes</span>
          <input
            type="number"
            min={5}
            max={1440}
            value={f.everyMin}
            onChange={(e) => set({ ...f, everyMin: Number(e.target.value) })}
          />
        </label>
        <label className="field">
          <span>Say when older than, days</span>
          <input
            type="number"
            min={1}
            max={60}
            value={f.warnDays}
            onChange={(e) => set({ ...f, warnDays: Number(e.target.value) })}
          />
        </label>
        <div className="field justify-end">
          <button type="button" className="btn" disabled={busy !== null} onClick={() => void keep()}>
            Keep these
          </button>
        </div>
      </div>
      {backups.length === 0 && <p className="q">No backup yet.</p>}
      <ul className="rows">
        {(all ? backups : backups.slice(0, SHOWN)).map((b) => (
          <li key={b.file} className="flex-wrap">
            <span className="grow">
              <b>{when(b.at)}</b>, {counted(b.jobs, "job")}, {counted(b.events, "event")}, {mb(b.bytes)}
              <br />
              <span className="mono break-all">{b.file}</span>
              {b.beforeMigration && <em> Before the database changed its shape.</em>}
            </span>
            <em>{b.problem ? `Not good: ${b.problem}` : b.verifiedAt ? "read back whole" : "not read back yet"}</em>
            {read?.file === b.file ? (
              <div className="refusal w-full">
                <div className="grow">
                  <b>Put the shop back to {when(b.at)}?</b>
                  It holds {read.words}. What was recorded since is not in it; the shop as it is now is kept beside the backups.
                  <div className="flex gap-2 mt-2">
                    <button type="button" className="btn" disabled={busy !== null} onClick={() => void back(b.file)}>
                      Put it back
                    </button>
                    <button type="button" className="btn quiet" onClick={() => setRead(null)}>
                      Leave it as it is
                    </button>
                  </div>
                </div>
              </div>
            ) : (
              <button type="button" className="btn" disabled={busy !== null} onClick={() => void dryRun(b.file)}>
                Look into it
              </button>
            )}
          </li>
        ))}
      </ul>
      {backups.length > SHOWN && (
        <button type="button" className="btn quiet self-start" onClick={() => setAll(!all)}>
          {all ? "Show the newest" : `Show all ${backups.length}`}
        </button>
      )}
    </section>
  );
}
