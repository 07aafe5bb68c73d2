"use client";
import { format } from "date-fns";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { readHabit } from "@/client/habit";
import type { Act } from "@/core/job";
import { readWhen, writeWhen } from "@/core/quantity";
import { Mark } from "../draw/Mark";
import { useBench } from "./context";
import { PromiseHint } from "./PromiseHint";

const WORDS = ["customer", "contact", "machineModel", "serial", "happened", "words"] as const;
const LABEL: Readonly<Record<(typeof WORDS)[number], readonly [string, number]>> = {
  customer: ["Customer", 80],
  contact: ["How to reach them", 120],
  machineModel: ["Machine", 60],
  serial: ["Serial", 60],
  happened: ["What happened", 120],
  words: ["In their own words", 600],
};
type Fields = Record<(typeof WORDS)[number] | "promise", string>;

/** What was written when the job came in, put right; its promise; put off, closed without repair, opened again. Each is an act of its own. */
export function JobWords({ onDone }: { onDone: () => void }) {
  const { log, nowMs, reference, jobId } = useBench();
  const { job, putOff, closed } = log.state;
  const order = readHabit("dateOrder");
  const [why, setWhy] = useState("");
  const [until, setUntil] = useState("");
  const promise = job?.promiseAt ? writeWhen(Date.parse(job.promiseAt), order) : "";
  const { register, handleSubmit, setError, setValue, watch, formState } = useForm<Fields>({
    defaultValues: {
      customer: job?.customer ?? "",
      contact: job?.contact ?? "",
      machineModel: job?.machineModel ?? "",
      serial: job?.serial ?? "",
      happened: job?.happened ?? "",
      words: job?.words ?? "",
      promise,
    },
  });
  if (!job) return null;
  const readAs = readWhen(watch("promise"), nowMs, order);
  const untilMs = readWhen(until, nowMs, order);
  const save = handleSubmit((f) => {
    const acts: Act[] = [];
    const put: Partial<Record<(typeof WORDS)[number], string>> = {};
    for (const k of WORDS) if (f[k].trim() !== (job[k] ?? "")) put[k] = f[k].trim();
    if (put.customer === "") return setError("customer", { message: "Write whose machine it is." });
    if (put.machineModel === "") return setError("machineModel", { message: "Write its model, as printed under it." });
    if (Object.keys(put).length) acts.push({ type: "job.edited", payload: put });
    if (f.promise.trim() !== promise) {
      const at = f.promise.trim() ? readWhen(f.promise, nowMs, order) : null;
      if (f.promise.trim() && at === null)
        return setError("promise", {
          message: `"${f.promise.trim()}" is no day. Write it as Fri 16:00, or ${writeWhen(nowMs, order)}.`,
        });
      acts.push({ type: "job.promised", payload: { promiseAt: at === null ? null : new Date(at).toISOString() } });
    }
    if (acts.length === 0 || log.record(...acts)) onDone();
  });
  const act = (a: Act) => {
    if (log.record(a)) onDone();
  };
  return (
    <>
      {log.refusal && (
        <div className="refusal" role="alert">
          <Mark kind="stop" size={26} />
          <p>{log.refusal.reason}</p>
        </div>
      )}
      <form className="flex flex-col gap-3" onSubmit={save} noValidate>
        <div className="grid gap-3 sm:grid-cols-2">
          {WORDS.map((k) => (
            <label key={k} className="field">
              <span>{LABEL[k][0]}</span>
              <input
                {...register(k)}
                className={k === "serial" ? "mono" : ""}
                maxLength={LABEL[k][1]}
                autoComplete="off"
                disabled={!!closed}
                list={k === "machineModel" ? "machines-known" : undefined}
              />
              {formState.errors[k] && <span className="wrong">{formState.errors[k].message}</span>}
            </label>
          ))}
          <datalist id="machines-known">
            {reference.machines.map((m) => (
              <option key={m.model} value={m.model} />
            ))}
          </datalist>
          <label className="field">
            <span>Promised for</span>
            <input {...register("promise")} placeholder="Fri 16:00" maxLength={40} autoComplete="off" disabled={!!closed} />
            <span className="hint">{readAs === null ? "no date" : format(readAs, "EEE d MMM yyyy, HH:mm")}</span>
            {formState.errors.promise && <span className="wrong">{formState.errors.promise.message}</span>}
          </label>
          {!closed && <PromiseHint jobId={jobId} onTake={(ms) => setValue("promise", writeWhen(ms, order))} />}
        </div>
        {!closed && (
          <button type="submit" className="btn self-start">
            Keep these words
          </button>
        )}
      </form>
      <fieldset className="flex flex-col gap-3 border-t-[1.5px] border-ink pt-3">
        <legend className="vh">Put off, close, open again</legend>
        {putOff ? (
          <p className="flex flex-wrap items-center gap-3">
            <span className="grow">
              Put off{putOff.until && ` until ${format(new Date(putOff.until), "EEE d MMM")}`}: {putOff.why}
            </span>
            <button type="button" className="btn" onClick={() => act({ type: "job.takenUp", payload: {} })}>
              Take it up again
            </button>
          </p>
        ) : (
          <>
            <label className="field">
              <span>{closed ? "Why it goes on" : "Why it waits, or ends"}</span>
              <input value={why} maxLength={400} autoComplete="off" onChange={(e) => setWhy(e.target.value)} />
            </label>
            {!closed && (
              <label className="field">
                <span>Until, where that is known</span>
                <input
                  value={until}
                  maxLength={40}
                  placeholder="Mon"
                  autoComplete="off"
                  onChange={(e) => setUntil(e.target.value)}
                />
                <span className="hint">
                  {untilMs === null
                    ? until.trim()
                      ? `"${until.trim()}" is no day`
                      : "no date"
                    : format(untilMs, "EEE d MMM yyyy")}
                </span>
              </label>
            )}
            <div className="flex flex-wrap gap-2">
              {closed ? (
                <button
                  type="button"
                  className="btn"
                  disabled={!why.trim()}
                  onClick={() => act({ type: "job.reopened", payload: { why: why.trim() } })}
                >
                  Open it again
                </button>
              ) : (
                <>
                  <button
                    type="button"
                    className="btn"
                    disabled={!why.trim() || (until.trim() !== "" && untilMs === null)}
                    onClick={() =>
                      act({
                        type: "job.putOff",
                        payload: { until: untilMs === null ? null : new Date(untilMs).toISOString(), why: why.trim() },
                      })
                    }
                  >
                    Put it off
                  </button>
                  <button
                    type="button"
                    className="btn quiet"
                    disabled={!why.trim()}
                    onClick={() => act({ type: "job.closed", payload: { outcome: "cancelled", reason: why.trim() } })}
                  >
                    Cancel the job
                  </button>
                </>
              )}
            </div>
            {!why.trim() && <p className="hint">Both ask for a reason.</p>}
          </>
        )}
      </fieldset>
    </>
  );
}
