"use client";
import { useEffect, useState, useSyncExternalStore } from "react";
import { JobClient, type JobLog } from "@/client/jobClient";
import { browserPorts } from "@/client/jobServer";
import { withKnown } from "@/client/known";
import type { Act, JobEvent, Refusal, Snapshots } from "@/core/job";
import type { Station } from "@/core/teardown";
import { stationTitle } from "../shell/JobStrip";

export interface LogStart {
  jobId: string;
  events: JobEvent[];
  snapshots: Snapshots;
  cursor: number;
  /** Reference data acts may rely on, by hash, beyond what the job already keeps. */
  reference: Snapshots;
}

export interface JobLogHandle extends JobLog {
  record: (...acts: Act[]) => boolean;
  takeBack: (eventId?: string) => boolean;
  putAgain: () => boolean;
  refuse: (r: Refusal) => void;
  clearRefusal: () => void;
  /** Sends an act that was not taken once more. */
  again: (eventId: string) => void;
  /** Lets go of an act that was not taken, on a person's word. */
  letGo: (eventId: string, words: string, asNote: boolean) => boolean;
}

/** The job's log on this device, followed by React: the work is the client's. */
export function useJobLog(start: LogStart): JobLogHandle {
  const { jobId, events, snapshots, cursor, reference } = start;
  // With what this page has seen of the job already: what the server sent may have been read before the last act arrived.
  const [client] = useState(
    () => new JobClient(jobId, browserPorts(jobId), withKnown(jobId, { events, snapshots, cursor }), reference),
  );
  const log = useSyncExternalStore(client.subscribe, client.log, client.first);
  useEffect(() => client.start(), [client]);
  useEffect(() => client.learn(reference), [client, reference]);
  const [acts] = useState(() => ({
    record: (...list: Act[]) => client.record(...list),
    takeBack: (eventId?: string) => client.takeBack(eventId),
    putAgain: () => client.putAgain(),
    refuse: (r: Refusal) => client.refuse(r),
    clearRefusal: () => client.refuse(null),
    again: (eventId: string) => client.again(eventId),
    letGo: (eventId: string, words: string, asNote: boolean) => client.letGo(eventId, words, asNote),
  }));
  return { ...log, ...acts };
}

/** The page's title; and on its root: that it is ready, how much is not sent, and what counted last. For styles, and for whoever watches a page. */
export function useRootMarks({ unsent, state }: JobLog, station: Station): void {
  const number = state.job?.number;
  useEffect(() => {
    if (number) document.title = stationTitle(number, station);
  }, [number, station]);
  useEffect(() => {
    Object.assign(document.documentElement.dataset, { ready: "true", unsent: String(unsent), last: state.last?.id ?? "" });
  }, [unsent, state.last]);
}
