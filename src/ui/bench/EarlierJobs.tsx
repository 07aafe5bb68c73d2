"use client";
import Link from "next/link";
import { useEffect, useState } from "react";
import { counted } from "@/core/quantity";
import { Mark } from "../draw/Mark";

/** An earlier job of a machine. */
export interface Earlier {
  id: string;
  number: string;
  station: string;
  customer: string;
  contact: string;
  machine: string;
  when: string;
}
/** What the shop knows of the machine with this serial, and a way to take its customer over. */
export function EarlierJobs({
  serial,
  onTake,
  back,
  onBack,
}: {
  serial: string;
  onTake: (e: Earlier) => void;
  /** The earlier job it came back after; null = another matter. */
  back: Earlier | null;
  onBack: (e: Earlier | null) => void;
}) {
  const earlier = useEarlier(serial);
  if (earlier.length === 0) return null;
  return (
    <div className="look" role="status">
      <Mark kind="look" size={22} />
      <div>
        <b>Here before, {counted(earlier.length, "job")}.</b>{" "}
        {earlier.slice(0, 3).map((e) => (
          <span key={e.id} className="block">
            <Link className="link mono" href={`/jobs/${e.id}/${e.station}`} target="_blank">
              {e.number}
            </Link>{" "}
            {e.when}{" "}
            <button
              type="button"
              className="btn quiet"
              aria-label={`Came back after ${e.number}`}
              aria-pressed={back?.id === e.id}
              onClick={() => onBack(back?.id === e.id ? null : e)}
            >
              Came back after this
            </button>
          </span>
        ))}
        <button type="button" className="btn quiet mt-2" onClick={() => onTake(earlier[0]!)}>
          Take over customer and machine
        </button>
      </div>
    </div>
  );
}

/** Earlier jobs of a serial, looked for while it is typed. */
function useEarlier(serial: string): Earlier[] {
  const [found, setFound] = useState<Earlier[]>([]);
  useEffect(() => {
    if (serial.trim().length < 4) return setFound([]);
    const gone = new AbortController();
    const t = setTimeout(async () => {
      const res = await fetch(`/api/machines?serial=${encodeURIComponent(serial.trim())}`, { signal: gone.signal }).catch(
        () => null,
      );
      const body = (await res?.json().catch(() => null)) as { jobs?: Earlier[] } | null;
      if (!gone.signal.aborted) setFound(body?.jobs ?? []);
    }, 200);
    return () => {
      clearTimeout(t);
      gone.abort();
    };
  }, [serial]);
  return found;
}
