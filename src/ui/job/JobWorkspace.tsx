"use client";
import { useEffect, useMemo, useRef, useState } from "react";
import type { JobEvent, Snapshots } from "@/core/job";
import type { Station } from "@/core/teardown";
import type { JobPageReply, JobReference } from "@/wire/jobPage";
import { loadStations } from "../station/StationColumn";
import { loadDialogs } from "./BenchDialogs";
import { JobFrame } from "./JobFrame";
import { Tour } from "./Tour";
import { useJobLog } from "./useJobLog";
import { useJobPage } from "./useJobPage";
import { useStation } from "./useStation";

export interface WorkspaceProps extends JobPageReply {
  jobId: string;
  station: Station;
  events: JobEvent[];
  snapshots: Snapshots;
  cursor: number;
  nowMs: number;
  clockFixed: boolean;
  /** The parts of the screen are explained where they stand. */
  tour?: boolean;
}

const kindsOf = (r: JobReference): Snapshots => {
  const out: Record<string, Snapshots[string]> = {};
  for (const b of r.builds) out[b.hash] = { kind: "build", data: b.data };
  for (const p of r.panels) out[p.hash] = { kind: "panel", data: p.data };
  if (r.triage) out[r.triage.hash] = { kind: "triage", data: r.triage.data };
  if (r.policy) out[r.policy.hash] = { kind: "policy", data: r.policy.data };
  if (r.checks) out[r.checks.hash] = { kind: "checks", data: r.checks.data };
  if (r.causes) out[r.causes.hash] = { kind: "causes", data: r.causes.data };
  for (const p of r.procedures) out[p.hash] = { kind: "procedure", data: p.data };
  return out;
};

/** One job, all its stations: what is shared by them stays here while the stations change. */
export function JobWorkspace(props: WorkspaceProps) {
  const { jobId } = props;
  const [station, go] = useStation(jobId, props.station);
  const page = useJobPage(jobId, station, { reference: props.reference, plan: props.plan });
  const refSnapshots = useMemo(() => kindsOf(page.reference), [page.reference]);
  const log = useJobLog({
    jobId,
    events: props.events,
    snapshots: props.snapshots,
    cursor: props.cursor,
    reference: refSnapshots,
  });
  const [nowMs, setNow] = useState(props.nowMs);
  useEffect(() => {
    if (props.clockFixed) return;
    const skew = props.nowMs - Date.now();
    const t = setInterval(() => setNow(Date.now() + skew), 30_000);
    return () => clearInterval(t);
  }, [props.nowMs, props.clockFixed]);
  // Every station at hand before it is wanted: it may be wanted while the server is away.
  useEffect(() => {
    const t = setTimeout(() => {
      loadStations();
      void loadDialogs();
    }, 1500);
    return () => clearTimeout(t);
  }, []);
  const awaySince = useRef<number | null>(null);
  if (log.held?.by !== "away") awaySince.current = null;
  else awaySince.current ??= nowMs;
  return (
    <>
      {props.tour && <Tour />}
      <JobFrame
        key={station}
        jobId={jobId}
        station={station}
        go={go}
        log={log}
        reference={page.reference}
        renew={page.renew}
        first={page.plan}
        nowMs={nowMs}
        awaySinceMs={awaySince.current}
      />
    </>
  );
}
