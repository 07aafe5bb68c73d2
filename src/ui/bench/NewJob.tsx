"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { deviceId, whoIsHere } from "@/client/device";
import { aheadMs } from "@/client/serverTime";
import { makeEventId, nextClock } from "@/core/job";
import type { AppendReply } from "@/wire/jobs";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { Brand } from "../shell/JobStrip";

const local = (ms: number) => {
  const d = new Date(ms - new Date(ms).getTimezoneOffset() * 60_000);
  return d.toISOString().slice(0, 16);
};

/** Opens a job. Nothing is lost when something is missing: the form says what, where. */
export function NewJob({
  number,
  machines,
  nowMs,
}: {
  number: string;
  machines: { model: string; hasBuild: boolean }[];
  nowMs: number;
}) {
  const router = useRouter();
  const [f, set] = useState({
    customer: "",
    machineModel: machines[0]?.model ?? "",
    serial: "",
    happened: "",
    words: "",
    promiseAt: "",
  });
  const [jobId] = useState(() => ({ current: "" }));
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const put = (k: keyof typeof f) => (e: { target: { value: string } }) => set({ ...f, [k]: e.target.value });
  const open = async () => {
    if (!f.customer.trim()) return setWrong("Customer: write whose machine it is.");
    if (!f.machineModel.trim()) return setWrong("Machine: write its model, as printed under it.");
    setBusy(true);
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
        customer: f.customer.trim(),
        words: f.words.trim(),
        machineModel: f.machineModel.trim(),
        serial: f.serial.trim(),
        happened: f.happened.trim(),
        promiseAt: f.promiseAt ? new Date(f.promiseAt).toISOString() : null,
      },
    };
    const res = await fetch(`/api/jobs/${jobId.current}/events`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ events: [event], aheadMs: [aheadMs()] }),
    }).catch(() => null);
    setBusy(false);
    if (!res) return setWrong("The server was not reached. What you typed is kept here.");
    const reply = (await res.json()) as AppendReply & { problem?: string };
    if (!res.ok) return setWrong(reply.refused?.reason ?? reply.problem ?? "The job was not opened.");
    router.push(`/jobs/${jobId.current}/triage`);
  };
  return (
    <main className="grow-page">
      <form
        className="desk"
        onSubmit={(e) => {
          e.preventDefault();
          void open();
        }}
        noValidate
      >
        <Brand />
        <h1 className="step">Open job {number}</h1>
        <div className="grid grid-cols-2 gap-5">
          <label className="field">
            <span>Customer</span>
            <input value={f.customer} onChange={put("customer")} maxLength={80} autoFocus autoComplete="off" />
          </label>
          <label className="field">
            <span>Machine</span>
            <input value={f.machineModel} onChange={put("machineModel")} maxLength={60} list="machines" autoComplete="off" />
            <datalist id="machines">
              {machines.map((m) => (
                <option key={m.model} value={m.model} />
              ))}
            </datalist>
            <span className="hint">
              {machines.find((m) => m.model === f.machineModel)?.hasBuild
                ? "Its build is known."
                : "No build for it yet: it can be triaged and matched, and planned once its build is read."}
            </span>
          </label>
          <label className="field">
            <span>Serial</span>
            <input className="mono" value={f.serial} onChange={put("serial")} maxLength={60} autoComplete="off" />
          </label>
          <label className="field">
            <span>What happened</span>
            <input value={f.happened} onChange={put("happened")} maxLength={120} autoComplete="off" />
          </label>
          <label className="field">
            <span>Promised for</span>
            <input type="datetime-local" value={f.promiseAt} min={local(nowMs)} onChange={put("promiseAt")} />
          </label>
          <label className="field">
            <span>In their own words</span>
            <input value={f.words} onChange={put("words")} maxLength={600} autoComplete="off" />
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
