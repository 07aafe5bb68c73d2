"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { type Said, send } from "@/client/send";
import {
  addProcedureStep,
  checkProcedure,
  moveProcedureStep,
  newProcedure,
  type Procedure,
  procedureCard,
  removeProcedureStep,
  setProcedureStep,
} from "@/core/procedure";
import { Txt } from "../builds/fields";
import { SaidBox } from "../controls/SaidBox";
import { Mark } from "../draw/Mark";
import { StepForm } from "./StepForm";

export interface KeptProcedure {
  id: string;
  version: number;
  data: Procedure;
}

/** Makers' procedures written in their plain format: step by step, with what must be so, the window each has, and where it begins again. */
export function ProcedureEditor({ kept }: { kept: readonly KeptProcedure[] }) {
  const router = useRouter();
  const [p, setP] = useState<Procedure | null>(null);
  const [version, setVersion] = useState(0);
  const [was, setWas] = useState("");
  const [maker, setMaker] = useState("");
  const [what, setWhat] = useState("pairing");
  const [act, setAct] = useState("");
  const [said, setSaid] = useState<Said | null>(null);
  const open = (data: Procedure, at: number) => {
    setP(data);
    setVersion(at);
    setWas(at ? JSON.stringify(data) : "");
    setSaid(null);
  };
  const changed = p !== null && JSON.stringify(p) !== was;
  const problems = p ? checkProcedure(p) : [];
  const save = async () => {
    if (!p) return;
    const r = await send<{ id: string; version: number }>("PUT", "/api/procedures", { text: JSON.stringify(p), version });
    if (!r.ok) return setSaid(r.said);
    setVersion(r.body.version);
    setWas(JSON.stringify(p));
    setSaid({ ok: true, words: "Kept. Jobs that have begun one keep theirs." });
    router.refresh();
  };
  const read = async (file: File | undefined) => {
    if (!file) return;
    const text = await file.text();
    const r = await send<{ id: string; version: number }>("PUT", "/api/procedures", { text, version: 0 });
    setSaid(r.ok ? { ok: true, words: `Read and kept as ${r.body.id}.` } : r.said);
    if (r.ok) router.refresh();
  };
  return (
    <>
      <ul className="flex flex-wrap gap-2" aria-label="Procedures">
        {kept.map((k) => (
          <li key={k.id}>
            <button
              type="button"
              className="btn quiet"
              aria-pressed={p?.id === k.id}
              disabled={changed && p?.id !== k.id}
              onClick={() => open(k.data, k.version)}
            >
              {k.data.maker}: {k.id.replace(`${k.data.maker.toLowerCase()}-`, "").replaceAll("-", " ")}
            </button>
          </li>
        ))}
        {kept.length === 0 && <li className="q">None yet. Write down what the maker asks for, or read a file.</li>}
      </ul>
      <form
        className="flex flex-wrap items-end gap-2"
        aria-label="A new procedure"
        onSubmit={(e) => {
          e.preventDefault();
          open(newProcedure(maker.trim(), what.trim(), new Set(kept.map((k) => k.id))), 0);
        }}
      >
        <label className="field">
          <span>Maker</span>
          <input required value={maker} maxLength={60} onChange={(e) => setMaker(e.target.value)} />
        </label>
        <label className="field">
          <span>What it is for</span>
          <input required value={what} maxLength={30} onChange={(e) => setWhat(e.target.value)} />
        </label>
        <button type="submit" className="btn" disabled={!maker.trim() || !what.trim() || changed}>
          Write a new one
        </button>
        <label className="field">
          <span>Or read a file (JSON)</span>
          <input type="file" accept=".json,application/json" onChange={(e) => void read(e.target.files?.[0])} />
        </label>
      </form>
      <SaidBox said={said} />
      {p && (
        <section aria-label={`Procedure ${p.id}`} className="flex flex-col gap-2">
          <h2 className="sec">
            {p.maker}, <span className="mono">{p.id}</span>
          </h2>
          <Txt label="Where it is from" value={p.source} max={160} onPut={(source) => setP({ ...p, source })} />
          <ol>
            {p.steps.map((s, i) => (
              <StepForm
                key={s.id}
                p={p}
                at={i}
                onSet={(change) => setP(setProcedureStep(p, i, change))}
                onMove={(by) => setP(moveProcedureStep(p, i, by))}
                onRemove={() => setP(removeProcedureStep(p, i))}
              />
            ))}
          </ol>
          <form
            className="flex items-end gap-2"
            aria-label="Another step"
            onSubmit={(e) => {
              e.preventDefault();
              if (!act.trim() || p.steps.length >= 40) return;
              setP(addProcedureStep(p, act.trim()));
              setAct("");
            }}
          >
            <label className="field grow">
              <span>Then</span>
              <input value={act} maxLength={160} placeholder="Shut the lid" onChange={(e) => setAct(e.target.value)} />
            </label>
            <button type="submit" className="btn" disabled={!act.trim() || p.steps.length >= 40}>
              Add the step
            </button>
          </form>
          {problems.length > 0 && (
            <div className="look" role="status">
              <Mark kind="look" size={24} />
              <ul>
                {problems.map((x) => (
                  <li key={x.where + x.message}>
                    <span className="mono">{x.where}</span>: {x.message}
                  </li>
                ))}
              </ul>
            </div>
          )}
          {problems.length === 0 && (
            <details>
              <summary className="link min-h-11">As it will be printed</summary>
              <ol className="list-decimal pl-7 text-[16px] leading-[22px]">
                {procedureCard(p).map((r) => (
                  <li key={r.number}>
                    <b>{r.act}</b> {r.says.join(" ")}
                  </li>
                ))}
              </ol>
            </details>
          )}
          <div className="flex flex-wrap gap-2">
            <button type="button" className="btn" disabled={!changed || problems.length > 0} onClick={() => void save()}>
              {changed ? "Keep it" : "Nothing changed"}
            </button>
            {changed && (
              <button type="button" className="btn quiet" onClick={() => (was ? setP(JSON.parse(was)) : setP(null))}>
                Put back what was kept
              </button>
            )}
            <a
              className="btn quiet"
              download={`${p.id}.json`}
              href={`data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(p, null, 1))}`}
            >
              As a file (JSON)
            </a>
          </div>
        </section>
      )}
    </>
  );
}
