"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { type Said, send } from "@/client/send";
import { SaidBox } from "../controls/SaidBox";

/** The calendar feed: off until somebody wants it, at an address nobody can guess. */
export function CalendarForm({ calendar }: { calendar: string | null }) {
  const router = useRouter();
  const [said, setSaid] = useState<Said | null>(null);
  const put = async (on: boolean) => {
    const r = await send<{ calendar: string | null }>("PUT", "/api/calendar", { on });
    setSaid(r.ok ? { ok: true, words: on ? "On. An address given out before is dead." : "Off. Its address is dead." } : r.said);
    router.refresh();
  };
  return (
    <div className="flex flex-col gap-2 mt-3">
      <h3>Calendar feed</h3>
      <p className="q">
        Promises and expected panels for a calendar program: job number and machine, no customer words. Whoever has the address
        can read it.
      </p>
      {calendar && (
        <p className="mono break-all" data-calendar={calendar}>
          <a className="link" href={calendar}>
            {calendar}
          </a>
        </p>
      )}
      <p className="flex flex-wrap gap-2">
        <button type="button" className="btn" onClick={() => void put(true)}>
          {calendar ? "Give it a new address" : "Turn it on"}
        </button>
        {calendar && (
          <button type="button" className="btn quiet" onClick={() => void put(false)}>
            Turn it off
          </button>
        )}
      </p>
      <SaidBox said={said} />
    </div>
  );
}
