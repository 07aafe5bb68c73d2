"use client";
import { useState } from "react";
import { send } from "@/client/send";
import { counted } from "@/core/quantity";
import type { ShopFile, ShopRead } from "@/wire/backup";
import { SaidBox } from "../controls/SaidBox";
import { useLongWork } from "../controls/useLongWork";

/** The whole shop in one file, to another machine and in from one. */
export function CarryShop({ files, here }: { files: ShopFile[]; here: string }) {
  const [phrase, setPhrase] = useState("");
  const { said, busy, doing } = useLongWork();
  const [look, setLook] = useState<{ file: string; read: ShopRead } | null>(null);
  const write = () =>
    doing("Writing the whole shop", async () => {
      const r = await send<{ file: string; counts: { jobs: number; events: number; photos: number } }>("POST", "/api/shop", {
        passphrase: phrase,
      });
      if (!r.ok) return r.said;
      const { jobs, events, photos } = r.body.counts;
      return {
        ok: true,
        words: `Written to ${r.body.file}: ${counted(jobs, "job")}, ${counted(events, "event")}, ${counted(photos, "photo")}.`,
      };
    });
  const lookInto = (file: string) =>
    doing("Reading it whole", async () => {
      const r = await send<ShopRead>("POST", "/api/shop/take", { file, passphrase: phrase });
      if (!r.ok) return r.said;
      setLook({ file, read: r.body });
      return { ok: true, words: "Every part of it is as it was written. Nothing was changed here." };
    });
  const take = (file: string) =>
    doing("Taking it over", async () => {
      const r = await send<{ jobs: number; events: number }>("POST", "/api/shop/take", { file, passphrase: phrase, sure: true });
      if (!r.ok) return r.said;
      setLook(null);
      return { ok: true, words: `Taken over: ${counted(r.body.jobs, "job")}, ${counted(r.body.events, "event")}.` };
    });
  return (
    <section className="flex flex-col gap-3" data-section="carry">
      <h2 className="sec">To another machine</h2>
      <p className="q">
        Every job, photo, build, panel and setting in one file of open formats, without passcode and devices. On the new machine
        put it into {here}, look into it, take it over. With a passphrase nobody reads it without; a lost passphrase is a lost
        file.
      </p>
      <label className="field">
        <span>Passphrase, if it is to be locked or is</span>
        <input type="password" autoComplete="off" value={phrase} maxLength={200} onChange={(e) => setPhrase(e.target.value)} />
      </label>
      <div className="flex flex-wrap gap-2 items-center">
        <button type="button" className="btn" disabled={busy !== null} onClick={() => void write()}>
          Write the whole shop
        </button>
        {busy && <span role="status">{busy} …</span>}
      </div>
      <SaidBox said={said} />
      <ul className="rows">
        {files.map((f) => (
          <li key={f.file} className="flex-wrap">
            <span className="grow mono break-all">{f.name}</span>
            <em>{f.bytes < 1e6 ? `${Math.ceil(f.bytes / 1000)} kB` : `${(f.bytes / 1e6).toFixed(1)} MB`}</em>
            <a className="btn" href={`/api/shop/file?file=${encodeURIComponent(f.file)}`} download={f.name}>
              Save as
            </a>
            {look?.file === f.file ? (
              <TakeOver read={look.read} busy={busy !== null} onTake={() => void take(f.file)} onLeave={() => setLook(null)} />
            ) : (
              <button type="button" className="btn" disabled={busy !== null} onClick={() => void lookInto(f.file)}>
                Look into it
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function TakeOver({ read, busy, onTake, onLeave }: { read: ShopRead; busy: boolean; onTake: () => void; onLeave: () => void }) {
  return (
    <div className="refusal w-full">
      <div className="grow">
        <b>{read.intoEmpty ? "Take it over exactly as it was?" : "Take over what is new in it?"}</b>
        {counted(read.jobsNew, "job")} and {counted(read.eventsNew, "event")} new, {read.eventsSame} here already,{" "}
        {counted(read.referenceNew, "record")} of panels, builds and tables new.
        {read.conflicts.length > 0 && (
          <>
            <br />
            These stay as they are here:
            <ul>
              {read.conflicts.map((c) => (
                <li key={c} className="mono break-all">
                  {c}
                </li>
              ))}
            </ul>
          </>
        )}
        <div className="flex gap-2 mt-2">
          <button type="button" className="btn" disabled={busy} onClick={onTake}>
            Take it over
          </button>
          <button type="button" className="btn quiet" onClick={onLeave}>
            Leave it
          </button>
        </div>
      </div>
    </div>
  );
}
