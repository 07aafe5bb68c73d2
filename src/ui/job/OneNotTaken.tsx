import { format } from "date-fns";
import { useState } from "react";
import type { NotTaken } from "@/client/jobClient";
import { type JobEvent, msOf, placeOf, ruleOf } from "@/core/job";
import { Mark } from "../draw/Mark";
import type { JobLogHandle } from "./useJobLog";

/** What an act says, for a person who has to decide on it: what it was, when, by whom, and every word and figure it carries. */
export function actWords(e: JobEvent): { what: string; says: string } {
  const name = ruleOf(e.type).name;
  const flat = (v: unknown): string =>
    Array.isArray(v) ? v.map(flat).join(", ") : typeof v === "object" && v !== null ? said(v) : String(v ?? "none");
  const said = (o: object): string =>
    Object.entries(o)
      .filter(([, v]) => v !== undefined && v !== "")
      .map(([k, v]) => `${k.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)}: ${flat(v)}`)
      .join("; ");
  const only = "text" in e.payload ? String(e.payload.text) : said(e.payload);
  return { what: `${name[0]!.toUpperCase()}${name.slice(1)}, ${format(msOf(placeOf(e)), "HH:mm")}, ${e.who}`, says: only };
}

/** One act the server did not take: what it said, why, and what a person may do with it. Discarding is asked twice. */
export function OneNotTaken({ n, log }: { n: NotTaken; log: Pick<JobLogHandle, "again" | "letGo"> }) {
  const [sure, setSure] = useState(false);
  const { what, says } = actWords(n.event);
  const words = `${what}. ${says ? `It said: ${says}. ` : ""}Not taken: ${n.refusal.reason}`.slice(0, 2000);
  return (
    <li style={{ display: "block" }}>
      <div className="flex gap-3">
        <Mark kind="stop" size={26} />
        <div className="grow">
          <b>{what}</b>
          {says && <p className="break-words">{says}</p>}
          <p className="q">{n.refusal.reason}</p>
          {n.dependent.length > 0 && (
            <p className="q">Because of it also not taken: {n.dependent.map((e) => ruleOf(e.type).name).join(", ")}.</p>
          )}
        </div>
      </div>
      <div className="flex flex-wrap gap-2 mt-2">
        <button type="button" className="btn" onClick={() => log.again(n.event.id)}>
          Try again
        </button>
        <button type="button" className="btn" onClick={() => log.letGo(n.event.id, words, true)}>
          Keep as a note
        </button>
        {sure ? (
          <button type="button" className="btn" onClick={() => log.letGo(n.event.id, words, false)}>
            Discard for good: the log keeps what it said
          </button>
        ) : (
          <button type="button" className="btn" onClick={() => setSure(true)}>
            Discard
          </button>
        )}
      </div>
    </li>
  );
}
