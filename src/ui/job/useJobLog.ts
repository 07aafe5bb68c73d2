"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Act } from "@/core/job";
import {
  askGate,
  counting,
  fold,
  type JobEvent,
  type JobState,
  makeEventId,
  newestVersion,
  nextClock,
  type Refusal,
  type Snapshots,
} from "@/core/job";
import type { AppendReply, EventsReply } from "@/wire/jobs";
import { deviceId, whoIsHere } from "./device";
import { keepKnown, withKnown } from "./known";
import { dropSent, failedToSend, keepUnsent, unsentHere, unsentOf } from "./outbox";

export interface LogStart {
  jobId: string;
  events: JobEvent[];
  snapshots: Snapshots;
  cursor: number;
  /** Reference data acts may rely on, by hash, beyond what the job already keeps. */
  reference: Snapshots;
}

export interface JobLogHandle {
  state: JobState;
  snapshots: Snapshots;
  events: readonly JobEvent[];
  refusal: Refusal | null;
  clearRefusal: () => void;
  refuse: (r: Refusal) => void;
  unsent: number;
  offline: boolean;
  /** Records an act: its gate is asked first; true when it was recorded. */
  record: (...acts: Act[]) => boolean;
  /** Takes back this device's newest entry that counts, or one by id. */
  takeBack: (eventId?: string) => boolean;
  canTakeBack: JobEvent | null;
}

const RETRY_MS = 3000;
const maxClock = (events: readonly JobEvent[]) =>
  events.reduce<string | null>((m, e) => (m === null || e.clock > m ? e.clock : m), null);

/** The job's log on this device: what the server acknowledged, and what is still to be sent. */
export function useJobLog(start: LogStart): JobLogHandle {
  // Empty but for what the server sent where the page was just loaded, so that both draw the same first picture.
  const [first] = useState(() =>
    withKnown(start.jobId, { events: start.events, snapshots: start.snapshots, cursor: start.cursor }),
  );
  const [acked, setAcked] = useState<readonly JobEvent[]>(first.events);
  const [pending, setPending] = useState<readonly JobEvent[]>(() => {
    const known = new Set(first.events.map((e) => e.id));
    return unsentHere(start.jobId).filter((e) => !known.has(e.id));
  });
  const [kept, setKept] = useState<Snapshots>(first.snapshots);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [offline, setOffline] = useState(false);
  const cursor = useRef(first.cursor);
  const sending = useRef(false);
  const now = useRef({
    acked: first.events,
    pending,
    kept: first.snapshots,
    snapshots: {} as Snapshots,
  });

  const snapshots = useMemo(() => ({ ...start.reference, ...kept }), [start.reference, kept]);
  now.current.snapshots = snapshots;
  const events = useMemo(() => [...acked, ...pending.filter((p) => !acked.some((a) => a.id === p.id))], [acked, pending]);
  const state = useMemo(() => fold(events, snapshots), [events, snapshots]);

  const put = useCallback(
    (a: readonly JobEvent[], p: readonly JobEvent[]) => {
      now.current.acked = a;
      now.current.pending = p;
      keepKnown(start.jobId, { events: a, snapshots: now.current.kept, cursor: cursor.current });
      setAcked(a);
      setPending(p);
    },
    [start.jobId],
  );

  const pull = useCallback(async () => {
    const res = await fetch(`/api/jobs/${start.jobId}/events?after=${cursor.current}`, { cache: "no-store" });
    if (!res.ok) return;
    const body = (await res.json()) as EventsReply;
    cursor.current = Math.max(cursor.current, body.cursor);
    if (body.events.length === 0) return;
    const known = new Set(now.current.acked.map((e) => e.id));
    const fresh = body.events.map((x) => x.event as JobEvent).filter((e) => !known.has(e.id));
    now.current.kept = { ...now.current.kept, ...(body.snapshots as Snapshots) };
    setKept(now.current.kept);
    now.current.snapshots = { ...now.current.snapshots, ...(body.snapshots as Snapshots) };
    if (fresh.length) put([...now.current.acked, ...fresh], now.current.pending);
  }, [start.jobId, put]);

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      while (now.current.pending.length) {
        const e = now.current.pending[0]!;
        let res: Response;
        try {
          res = await fetch(`/api/jobs/${start.jobId}/events`, {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: JSON.stringify({ via: failedToSend.has(e.id) ? "outbox" : "live", events: [e] }),
          });
          if (res.status >= 500) throw new Error(String(res.status));
        } catch {
          failedToSend.add(e.id);
          for (const p of now.current.pending) failedToSend.add(p.id);
          setOffline(true);
          return;
        }
        setOffline(false);
        const reply = (await res.json()) as Partial<AppendReply> & { problem?: string };
        const ok = reply.accepted?.some((a) => a.id === e.id);
        const rest = now.current.pending.filter((p) => p.id !== e.id);
        if (ok) put([...now.current.acked.filter((a) => a.id !== e.id), e], rest);
        else {
          put(now.current.acked, rest);
          setRefusal({
            gate: reply.refused?.gate ?? "server",
            reason: reply.refused?.reason ?? reply.problem ?? "The server did not take it.",
          });
        }
        // Last, so that at no moment the act is neither here nor known to be there.
        await dropSent(e);
        if (reply.cursor && reply.cursor > cursor.current) await pull().catch(() => undefined);
      }
    } finally {
      sending.current = false;
    }
  }, [start.jobId, put, pull]);

  useEffect(() => {
    let gone = false;
    void unsentOf(start.jobId).then((left) => {
      const known = new Set([...now.current.acked, ...now.current.pending].map((e) => e.id));
      const fresh = left.filter((e) => !known.has(e.id));
      // Acknowledged after all: the answer was lost on the way, not the act.
      for (const e of left) if (now.current.acked.some((a) => a.id === e.id)) void dropSent(e);
      if (gone || fresh.length === 0) return;
      for (const e of fresh) failedToSend.add(e.id);
      put(now.current.acked, [...fresh, ...now.current.pending]);
      void flush();
    });
    void flush();
    const retry = setInterval(() => void flush(), RETRY_MS);
    const stop = new AbortController();
    const follow = async () => {
      while (!gone) {
        try {
          const res = await fetch(`/api/jobs/${start.jobId}/wait?after=${cursor.current}`, {
            signal: stop.signal,
            cache: "no-store",
          });
          if (res.ok && ((await res.json()) as { cursor: number }).cursor > cursor.current) await pull();
        } catch {
          if (!gone) await new Promise((r) => setTimeout(r, RETRY_MS));
        }
      }
    };
    void follow();
    return () => {
      gone = true;
      clearInterval(retry);
      stop.abort();
    };
  }, [start.jobId, flush, pull, put]);

  const record = useCallback(
    (...acts: Act[]): boolean => {
      for (const act of acts) {
        const all = [...now.current.acked, ...now.current.pending];
        const ms = Date.now();
        const e = {
          id: makeEventId(ms, crypto.getRandomValues(new Uint8Array(10))),
          jobId: start.jobId,
          v: newestVersion(act.type),
          who: whoIsHere(),
          device: deviceId(),
          clock: nextClock(maxClock(all), ms),
          seen: cursor.current,
          ...act,
        } as JobEvent;
        const shut = askGate(all, now.current.snapshots, e);
        if (shut) {
          setRefusal(shut);
          return false;
        }
        void keepUnsent(e);
        put(now.current.acked, [...now.current.pending, e]);
      }
      setRefusal(null);
      void flush();
      return true;
    },
    [start.jobId, put, flush],
  );

  const canTakeBack = useMemo(() => {
    const used = counting(events);
    const me = typeof window === "undefined" ? "" : deviceId();
    for (let i = used.length - 1; i >= 0; i--)
      if (used[i]!.device === me && used[i]!.type !== "job.opened" && used[i]!.type !== "job.safetyRaised") return used[i]!;
    return null;
  }, [events]);

  const takeBack = useCallback(
    (eventId?: string) => {
      const id = eventId ?? canTakeBack?.id;
      if (!id) {
        setRefusal({ gate: "takeBack", reason: "Nothing of this device to take back." });
        return false;
      }
      return record({ type: "job.takenBack", payload: { eventId: id } });
    },
    [canTakeBack, record],
  );

  return {
    state,
    snapshots,
    events,
    refusal,
    clearRefusal: useCallback(() => setRefusal(null), []),
    refuse: setRefusal,
    unsent: pending.length,
    offline,
    record,
    takeBack,
    canTakeBack,
  };
}
