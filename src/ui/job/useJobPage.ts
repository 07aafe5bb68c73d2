"use client";
import { useCallback, useEffect, useRef, useState } from "react";
import type { Station } from "@/core/teardown";
import type { JobPageReply } from "@/wire/jobPage";

/**
 * What the stations are drawn with, as the page came with it; asked for anew at each station, and when it is known to have changed.
 * Where the server does not answer, what is here stands.
 */
export function useJobPage(jobId: string, station: Station, first: JobPageReply): JobPageReply & { renew: () => void } {
  const [now, set] = useState(first);
  const newest = useRef(0);
  const renew = useCallback(async () => {
    newest.current += 1;
    const mine = newest.current;
    const res = await fetch(`/api/jobs/${jobId}/page?station=${station}`, { cache: "no-store" }).catch(() => null);
    const reply = res?.ok ? ((await res.json().catch(() => null)) as JobPageReply | null) : null;
    // An answer that was overtaken by a later one is older than what is here.
    if (reply?.reference && mine === newest.current) set(reply);
  }, [jobId, station]);
  const shown = useRef(station);
  useEffect(() => {
    if (shown.current === station) return;
    shown.current = station;
    void renew();
  }, [station, renew]);
  return { ...now, renew: () => void renew() };
}
