"use client";
import { usePathname } from "next/navigation";
import { useCallback } from "react";
import { STATIONS, type Station } from "@/core/teardown";

/**
 * The station on screen. Going to another one only changes the address: the job's page is here already, and has to stay when the
 * server is away.
 */
export function useStation(jobId: string, first: Station): [Station, (s: Station) => void] {
  const path = usePathname();
  const said = path?.startsWith(`/jobs/${jobId}/`) ? path.split("/")[3] : undefined;
  const station = STATIONS.find((s) => s === said) ?? first;
  const go = useCallback(
    (s: Station) => {
      if (window.location.pathname !== `/jobs/${jobId}/${s}`) window.history.pushState(null, "", `/jobs/${jobId}/${s}`);
    },
    [jobId],
  );
  return [station, go];
}
