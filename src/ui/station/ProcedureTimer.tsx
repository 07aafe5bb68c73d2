"use client";
import { useEffect, useRef, useState } from "react";
import { bell } from "@/client/bell";
import { deviceMoment, momentNow } from "@/client/moment";
import { elapsedBetween, foldProcedure, type Procedure, type ProcedureEvent, type ProcedureStep } from "@/core/procedure";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "./RefusalBox";

const clock = (s: number) => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;
const STATES = [
  ["mains", true, "Mains in"],
  ["mains", false, "Mains out"],
  ["network", true, "Network there"],
  ["network", false, "Network gone"],
  ["lid", "open", "Lid open"],
  ["lid", "shut", "Lid shut"],
] as const;

/** What was recorded, as the procedure reads it. */
const eventsOf = (kept: readonly { at: number; mono: number; session: string; server?: number | undefined; did: unknown }[]) =>
  kept.map(
    ({ did, server, ...at }) => ({ ...at, ...(server === undefined ? {} : { server }), ...(did as object) }) as ProcedureEvent,
  );

/** A maker's procedure: the step to do, its window running, what must be repeated and why. Drawn from the log: a reload changes nothing. */
export function ProcedureTimer({
  hash,
  procedure,
  due,
}: {
  hash: string;
  procedure: Procedure;
  /** It is what is to be done now: the plate and its keys are its own. */
  due: boolean;
}) {
  const { log, view, jobId, setKeys } = useBench();
  const [busy, setBusy] = useState(false);
  const kept = view.state.after.procedures[hash] ?? [];
  const events = eventsOf(kept);
  const now = foldProcedure(procedure, events);
  const step = procedure.steps.find((s) => s.id === now.next) ?? null;
  const since = sinceOf(step, events, now.done);
  const elapsed = useElapsed(since);
  useBells(step, elapsed);
  const record = async (did: { kind: "done"; step: string } | { kind: "state"; set: Record<string, unknown> }) => {
    if (busy) return;
    setBusy(true);
    const at = await momentNow(jobId);
    setBusy(false);
    log.record({ type: "after.procedureDid", payload: { procedureHash: hash, ...at, did: did as never } });
  };
  const act = step ? () => void record({ kind: "done", step: step.id }) : undefined;
  if (due) setKeys(act ? { space: act, enter: act } : {});
  const breach = now.breaches.at(-1);
  const name = (id: string) => procedure.steps.find((s) => s.id === id)?.act ?? id;
  const missing = Object.entries(step?.needs ?? {}).filter(([k, v]) => now.state[k] !== v);
  return (
    <section aria-label={`Procedure of ${procedure.maker}`} className="flex flex-col gap-3">
      {step && !due ? (
        <button type="button" className="btn self-start" onClick={act}>
          {step.act}
        </button>
      ) : step ? (
        <Plate
          line1={step.act}
          line2={
            missing.length
              ? `First: ${missing.map(([k, v]) => (k === "lid" ? `lid ${v}` : v ? `${k} there` : `${k} off`)).join(", ")}. Say so below when you see it.`
              : "Press the moment it is done."
          }
          onAct={act!}
        />
      ) : (
        <p className="flex items-center gap-3 text-[20px]">
          <Mark kind="same" size={26} />
          <b>Every step done.</b>
        </p>
      )}
      {step?.window && <WindowBand step={step} elapsed={elapsed} since={name(step.window.since)} />}
      {breach && (
        <div className="look" role="status">
          <Mark kind="look" size={26} />
          <p>
            <b>{breach.restart ? `Again from "${name(breach.restart)}": ` : "Not taken, nothing lost: "}</b>
            {breach.why}.
          </p>
        </div>
      )}
      <RefusalBox />
      <fieldset className="flex flex-wrap gap-1">
        <legend className="q">What stands now (not said is not known)</legend>
        {STATES.map(([k, v, w]) => (
          <button
            key={w}
            type="button"
            className="btn quiet"
            aria-pressed={now.state[k] === v}
            onClick={() => void record({ kind: "state", set: { [k]: v } })}
          >
            {w}
          </button>
        ))}
      </fieldset>
      <ol className="rows" aria-label="Steps of the procedure">
        {procedure.steps.map((s) => (
          <li key={s.id} data-now={s.id === now.next} style={{ alignItems: "center" }}>
            {now.done.includes(s.id) ? (
              <Mark kind="same" size={18} label="done" />
            ) : (
              <span className="open-sq" role="img" aria-label="to do" />
            )}
            <span className="grow">{s.act}</span>
            {s.window && (
              <em>
                {s.window.atMostS === undefined
                  ? `after ${s.window.atLeastS} s`
                  : `${s.window.atLeastS} to ${s.window.atMostS} s`}
              </em>
            )}
          </li>
        ))}
      </ol>
      <p className="q">
        <a className="link" href={`/jobs/${jobId}/procedure?h=${hash}`}>
          Card to print
        </a>
        . {procedure.source}. {now.notes.at(-1) ? `${now.notes.at(-1)}: it does not matter.` : ""}
      </p>
    </section>
  );
}

/** The event a step's window counts from; null while it is not done, or for a step without one. */
function sinceOf(step: ProcedureStep | null, events: readonly ProcedureEvent[], done: readonly string[]): ProcedureEvent | null {
  const w = step?.window;
  if (!w || !done.includes(w.since)) return null;
  return events.findLast((e) => e.kind === "done" && e.step === w.since) ?? null;
}

/** Seconds since an event by this device's clocks; over a reload by the server's time, else null: not certain. */
function useElapsed(since: ProcedureEvent | null): number | null {
  const { jobId } = useBench();
  const [now, setNow] = useState<number | null>(null);
  const anchor = useRef<{ server: number; mono: number } | null>(null);
  const other = since !== null && since.session !== deviceMoment().session;
  useEffect(() => {
    if (!since) return setNow(null);
    if (other && !anchor.current)
      void momentNow(jobId).then((m) => {
        if (m.server !== undefined) anchor.current = { server: m.server, mono: m.mono };
      });
    const tick = () => {
      const here = deviceMoment();
      const a = anchor.current;
      const { least, most } = elapsedBetween(since, a ? { ...here, server: a.server + here.mono - a.mono } : here);
      setNow(Number.isFinite(most) ? (least + most) / 2 : null);
    };
    tick();
    const t = setInterval(tick, 200);
    return () => clearInterval(t);
  }, [since, other, jobId]);
  return since ? now : null;
}

/** Three short tones before a window opens, a high one when it does, a low one when it ends. */
function useBells(step: ProcedureStep | null, elapsed: number | null): void {
  const last = useRef<number | null>(null);
  useEffect(() => {
    const w = step?.window;
    const before = last.current;
    last.current = elapsed;
    if (!w || elapsed === null || before === null || elapsed < before) return;
    const passed = (t: number) => before < t && elapsed >= t;
    if (passed(w.atLeastS - 3) || passed(w.atLeastS - 2) || passed(w.atLeastS - 1)) bell(660, 0.12);
    if (passed(w.atLeastS)) bell(990, 0.4);
    if (w.atMostS !== undefined && passed(w.atMostS)) bell(330, 0.6);
  }, [step, elapsed]);
}

function WindowBand({ step, elapsed, since }: { step: ProcedureStep; elapsed: number | null; since: string }) {
  const w = step.window!;
  const end = Math.max((w.atMostS ?? w.atLeastS * 1.4) * 1.15, 10);
  const x = (s: number) => 2 + (Math.min(s, end) / end) * 496;
  const most = w.atMostS ?? end;
  const words =
    elapsed === null
      ? `Since "${since}": not certain`
      : elapsed < w.atLeastS
        ? `Wait ${Math.ceil(w.atLeastS - elapsed)} s`
        : w.atMostS === undefined
          ? "Now"
          : elapsed <= w.atMostS
            ? `Now: ${Math.ceil(w.atMostS - elapsed)} s left`
            : "Over";
  const close = elapsed !== null && elapsed >= w.atLeastS - 5;
  return (
    <div role="timer" aria-label={words}>
      <p className={close ? "mono text-[64px] leading-[64px]" : "mono text-[32px] leading-[36px]"}>
        <b>{words}</b>
      </p>
      <svg viewBox="0 0 504 34" width="100%" height="34" className="dw" aria-hidden>
        <rect
          x={x(w.atLeastS)}
          y={4}
          width={x(most) - x(w.atLeastS)}
          height={18}
          className="pen1 sink"
          style={{ fill: "url(#hMetal)" }}
        />
        {elapsed !== null && <rect x={2} y={4} width={Math.max(0, x(elapsed) - 2)} height={18} className="pf" />}
        <path d="M2 22H498" className="pen1 sink" />
        <text x={x(w.atLeastS)} y={34} className="t14 mono i3" textAnchor="middle">
          {clock(w.atLeastS)}
        </text>
        {w.atMostS !== undefined && (
          <text x={x(w.atMostS)} y={34} className="t14 mono i3" textAnchor="middle">
            {clock(w.atMostS)}
          </text>
        )}
      </svg>
    </div>
  );
}
