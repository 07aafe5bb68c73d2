"use client";
import { zodResolver } from "@hookform/resolvers/zod";
import { format } from "date-fns";
import { useRouter } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { useForm } from "react-hook-form";
import { z } from "zod";
import { deviceId, whoIsHere } from "@/client/device";
import { readHabit } from "@/client/habit";
import { aheadMs } from "@/client/serverTime";
import { findCost } from "@/core/catalogue";
import { makeEventId, nextClock } from "@/core/job";
import { readWhen, writeWhen } from "@/core/quantity";
import type { AppendReply } from "@/wire/jobs";
import { Plate } from "../controls/Plate";
import { useBenchKeys } from "../controls/useBenchKeys";
import { Mark } from "../draw/Mark";
import { Brand } from "../shell/JobStrip";
import { type Earlier, EarlierJobs } from "./EarlierJobs";
import { NewPromiseHint } from "./NewPromiseHint";

export interface KnownMachine {
  model: string;
  codes: string[];
  hasBuild: boolean;
}
const Fields = z.object({
  customer: z.string().trim().min(1, "Write whose machine it is.").max(80),
  contact: z.string().trim().max(120),
  machineModel: z.string().trim().min(1, "Write its model, as printed under it.").max(60),
  serial: z.string().trim().max(60),
  happened: z.string().trim().max(120),
  promise: z.string().trim().max(40),
  words: z.string().trim().max(600),
});
type Fields = z.infer<typeof Fields>;
const PROMISES = ["today 17:00", "tomorrow 12:00", "Fri 16:00"] as const;

/** Opens a job. Nothing is lost when something is missing: the form says what, where. */
export function NewJob({ number, machines, nowMs }: { number: string; machines: KnownMachine[]; nowMs: number }) {
  const router = useRouter();
  const [order, setOrder] = useState<"dmy" | "mdy" | "ymd">("dmy");
  useEffect(() => setOrder(readHabit("dateOrder")), []);
  const { register, handleSubmit, watch, setValue, setError, setFocus, formState } = useForm<Fields>({
    resolver: zodResolver(Fields),
    defaultValues: { customer: "", contact: "", machineModel: "", serial: "", happened: "", promise: "", words: "" },
  });
  const { errors } = formState;
  const [jobId] = useState(() => ({ current: "" }));
  const [wrong, setWrong] = useState<string | null>(null);
  const [back, setBack] = useState<Earlier | null>(null);
  const [busy, setBusy] = useState(false);
  const f = watch();
  // What is printed or scanned under the machine is its model, a variant of it, or its serial.
  const near = useMemo(() => {
    const typed = f.machineModel.trim();
    if (!typed || machines.some((m) => m.model === typed)) return [];
    return machines
      .flatMap((m) => {
        const cost = findCost(typed, [m.model, ...m.codes]);
        return cost === null ? [] : [{ m, cost }];
      })
      .sort((a, b) => a.cost - b.cost)
      .slice(0, 4)
      .map((x) => x.m);
  }, [f.machineModel, machines]);
  const known = machines.find((m) => m.model === f.machineModel.trim());
  const promiseMs = readWhen(f.promise, nowMs, order);
  useBenchKeys({
    lettersOff: true,
    keys: {},
    onScan: (t) => {
      const text = t.trim();
      const m = machines.find((x) => [x.model, ...x.codes].some((c) => c.toLowerCase() === text.toLowerCase()));
      if (m) setValue("machineModel", m.model);
      else setValue(f.machineModel && !f.serial ? "serial" : f.serial ? "machineModel" : "serial", text);
    },
  });
  const open = handleSubmit(async (v) => {
    const at = v.promise ? readWhen(v.promise, nowMs, order) : null;
    if (v.promise && at === null) {
      setError("promise", { message: `"${v.promise}" is no day. Write it as Fri 16:00, or ${writeWhen(nowMs, order)}.` });
      return setFocus("promise");
    }
    setBusy(true);
    setWrong(null);
    const ms = Date.now();
    const random = () => crypto.getRandomValues(new Uint8Array(10));
    jobId.current ||= makeEventId(ms, random());
    const event = {
      id: makeEventId(ms, random()),
      jobId: jobId.current,
      type: "job.opened",
      v: 1,
      who: whoIsHere(),
      device: deviceId(),
      clock: nextClock(null, ms),
      seen: 0,
      payload: {
        number,
        customer: v.customer,
        words: v.words,
        machineModel: v.machineModel,
        serial: v.serial,
        happened: v.happened,
        promiseAt: at === null ? null : new Date(at).toISOString(),
        ...(v.contact ? { contact: v.contact } : {}),
        ...(back ? { cameBack: { job: back.id, number: back.number } } : {}),
      },
    };
    const res = await fetch(`/api/jobs/${jobId.current}/events`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ events: [event], aheadMs: [aheadMs()] }),
    }).catch(() => null);
    setBusy(false);
    if (!res) return setWrong("The server was not reached. What you typed is kept here.");
    const reply = (await res.json().catch(() => ({}))) as Partial<AppendReply> & { problem?: string };
    if (!res.ok)
      return setWrong(reply.refused?.reason ?? reply.problem ?? "The job was not opened. What you typed is kept here.");
    router.push(`/jobs/${jobId.current}/triage`);
  });
  return (
    <main className="grow-page">
      <form className="desk" onSubmit={open} noValidate>
        <Brand />
        <h1 className="step">Open job {number}</h1>
        <div className="grid gap-5 sm:grid-cols-2">
          <label className="field">
            <span>Customer</span>
            <input {...register("customer")} maxLength={80} autoFocus autoComplete="off" aria-invalid={!!errors.customer} />
            {errors.customer && <span className="wrong">{errors.customer.message}</span>}
          </label>
          <label className="field">
            <span>How to reach them</span>
            <input {...register("contact")} maxLength={120} autoComplete="off" />
          </label>
          <div className="field">
            <label className="field">
              <span>Machine</span>
              <input {...register("machineModel")} maxLength={60} autoComplete="off" aria-invalid={!!errors.machineModel} />
            </label>
            {errors.machineModel && <span className="wrong">{errors.machineModel.message}</span>}
            {near.length > 0 && (
              <div className="flex flex-wrap gap-2" role="group" aria-label="Machines on record">
                {near.map((m) => (
                  <button key={m.model} type="button" className="btn quiet" onClick={() => setValue("machineModel", m.model)}>
                    {m.model}
                  </button>
                ))}
              </div>
            )}
            <span className="hint">
              {!f.machineModel.trim()
                ? "Type or scan what is printed under it."
                : known?.hasBuild
                  ? "Its build is known."
                  : "No build for it yet: the job goes on, and Plan asks how it comes apart."}
            </span>
          </div>
          <div className="field">
            <label className="field">
              <span>Serial</span>
              <input className="mono" {...register("serial")} maxLength={60} autoComplete="off" />
            </label>
            <EarlierJobs
              serial={f.serial}
              back={back}
              onBack={setBack}
              onTake={(e) => {
                if (!f.customer) setValue("customer", e.customer);
                if (!f.contact) setValue("contact", e.contact);
                if (!f.machineModel) setValue("machineModel", e.machine);
              }}
            />
          </div>
          <label className="field">
            <span>What happened</span>
            <input {...register("happened")} maxLength={120} autoComplete="off" />
          </label>
          <div className="field">
            <label className="field">
              <span>Promised for</span>
              <input
                {...register("promise")}
                placeholder="Fri 16:00"
                maxLength={40}
                autoComplete="off"
                aria-invalid={!!errors.promise}
              />
            </label>
            {errors.promise && <span className="wrong">{errors.promise.message}</span>}
            <NewPromiseHint model={f.machineModel} onTake={(ms) => setValue("promise", writeWhen(ms, order))} />
            <div className="flex flex-wrap gap-2">
              {PROMISES.map((p) => (
                <button key={p} type="button" className="btn quiet" onClick={() => setValue("promise", p)}>
                  {p[0]!.toUpperCase() + p.slice(1)}
                </button>
              ))}
            </div>
            <span className="hint" suppressHydrationWarning>
              {promiseMs === null ? "no date" : format(promiseMs, "EEE d MMM yyyy, HH:mm")}
            </span>
          </div>
          <label className="field sm:col-span-2">
            <span>In their own words</span>
            <textarea {...register("words")} rows={1} className="min-h-11" maxLength={600} autoComplete="off" />
          </label>
        </div>
        {wrong && (
          <div className="refusal" role="alert">
            <Mark kind="stop" size={26} />
            <p>{wrong}</p>
          </div>
        )}
        <Plate
          line1={busy ? "Opening the job" : `Open ${number}`}
          line2="Goes to Triage. Passwords are not kept here."
          keyCap="Enter"
          submit
          onAct={() => void open()}
        />
      </form>
    </main>
  );
}
