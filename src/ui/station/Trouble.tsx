"use client";
import Link from "next/link";
import { useState } from "react";
import { type Build, cannotLieOver, FIND_KINDS, FIND_WORDS, type Find, indexBuild } from "@/core/build";
import { eventGate, type JobEvent, makeEventId } from "@/core/job";
import { nextAct, type Step } from "@/core/teardown";
import { Sheet } from "../controls/Sheet";
import { Tick } from "../controls/Tick";
import { useBench } from "../job/context";
import { CloseAgain } from "./AimBox";
import { ForgottenBehind } from "./ForgottenBehind";
import { Mended } from "./Mended";
import { SolventUsed } from "./SolventBox";
import { ScrewLeftOver } from "./steps";

/** The part a step is about: what a hidden screw there would hold. */
function partOf(build: Build, step: Step): string {
  const b = indexBuild(build);
  return (
    (b.part.has(step.target) ? step.target : undefined) ??
    b.group.get(step.target)?.holds ??
    b.tape.get(step.target)?.holds ??
    b.connector.get(step.target)?.joins[0] ??
    b.subject.id
  );
}

/** Found something, cannot do this, pause: three ways out of a step that does not go as planned. */
export function Trouble({ step }: { step: Step }) {
  const { build, log, view, progress, jobId, say } = useBench();
  const [open, setOpen] = useState<"found" | "stuck" | null>(null);
  const [why, setWhy] = useState("");
  const [words, setWords] = useState("");
  /** What a person says lies over it; null = as the drawing has it. */
  const [said, setSaid] = useState<ReadonlySet<string> | null>(null);
  if (!build) return null;
  const b = indexBuild(build.data);
  const part = b.part.get(partOf(build.data, step))!;
  const at = part.shape;
  // What is away now and lay over this place is what it lies under.
  const mid = at && { x: at.xMm + at.widthMm / 2, y: at.yMm + at.heightMm / 2 };
  const away = build.data.parts.filter(
    (p) =>
      (view.state.parts[p.id] === "out" || view.state.parts[p.id] === "folded") &&
      p.view === part.view &&
      p.id !== part.id &&
      p.id !== b.subject.id &&
      cannotLieOver(b, { holds: part.id, under: [p.id] }) === null,
  );
  const covers = (p: (typeof away)[number]) =>
    !mid ||
    !p.shape ||
    (mid.x >= p.shape.xMm &&
      mid.x <= p.shape.xMm + p.shape.widthMm &&
      mid.y >= p.shape.yMm &&
      mid.y <= p.shape.yMm + p.shape.heightMm);
  const under = said ?? new Set(away.filter(covers).map((p) => p.id));
  const found = (kind: Find["kind"]) => {
    const done = log.record({
      type: "open.found",
      payload: {
        kind,
        holds: part.id,
        view: part.view,
        xMm: at ? Math.round(at.xMm + at.widthMm / 2) : 0,
        yMm: at ? Math.round(at.yMm + at.heightMm / 2) : 0,
        words: words.trim() || `${FIND_WORDS[kind]} at ${part.name.toLowerCase()}`.slice(0, 60),
        screwType: null,
        ...(under.size && kind !== "glue" ? { under: [...under].slice(0, 6) } : {}),
        connector: "friction",
      },
    });
    if (!done) return;
    setOpen(null);
    setWords("");
    setSaid(null);
    say(`${FIND_WORDS[kind]} counts from here on`);
  };
  /** Other steps whose gate is open now. */
  const others = (progress?.steps ?? [])
    .filter((x) => !x.done && x.step.id !== step.id && (x.step.station === "open" || x.step.station === "swap"))
    .flatMap(({ step: s }) => {
      const act = nextAct(view, s);
      if (!act) return [];
      const e = {
        ...act,
        id: makeEventId(0, new Uint8Array(10)),
        jobId,
        v: 1,
        who: "x",
        device: "dev-x",
        clock: "",
        seen: 0,
      } as JobEvent;
      return eventGate(view, e) === null ? [{ s, act }] : [];
    })
    .slice(0, 4);
  const opened = (progress?.plan.in ?? []).filter((s) => ["partBack", "screwsBack", "screwsTighten", "cableOn"].includes(s.kind));
  const back = opened.filter((s) =>
    s.kind === "partBack"
      ? view.state.parts[s.target] === "out" || view.state.parts[s.target] === "folded"
      : s.kind === "cableOn"
        ? view.state.connectors[s.target] === "off"
        : b.group.get(s.target)?.screws.some((x) => ["out", "loosened"].includes(view.state.screws[x.id] ?? "in")),
  );
  return (
    <div className="flex flex-wrap gap-2 tight">
      <button type="button" className="btn quiet" onClick={() => setOpen("found")}>
        Found something
      </button>
      <button type="button" className="btn quiet" onClick={() => setOpen("stuck")}>
        Cannot do this
      </button>
      <ForgottenBehind />
      <Mended part={part.id} />
      <SolventUsed />
      {step.station === "close" && <ScrewLeftOver />}
      <Link className="btn quiet" href={`/jobs/${jobId}/pause`} prefetch={false}>
        Pause card
      </Link>
      <Sheet open={open === "found"} onClose={() => setOpen(null)} title={`Found at ${part.name.toLowerCase()}`}>
        <p className="q">Counts at once in this job, both ways. For the machine's build it is a proposal.</p>
        <label className="field">
          <span>In words, if you like</span>
          <input value={words} maxLength={60} onChange={(e) => setWords(e.target.value)} />
        </label>
        {away.length > 0 && (
          <fieldset className="flex flex-wrap gap-x-4">
            <legend className="font-bold">What lay over it: on again only once this is home</legend>
            {away.map((p) => (
              <label key={p.id} className="flex min-h-11 items-center gap-2">
                <Tick
                  on={under.has(p.id)}
                  onPut={(on) => setSaid(new Set(on ? [...under, p.id] : [...under].filter((x) => x !== p.id)))}
                />
                {p.name.toLowerCase()}
              </label>
            ))}
          </fieldset>
        )}
        <div className="flex flex-wrap gap-2">
          {FIND_KINDS.map((k) => (
            <button key={k} type="button" className="btn" onClick={() => found(k)}>
              {FIND_WORDS[k]}
            </button>
          ))}
        </div>
      </Sheet>
      <Sheet open={open === "stuck"} onClose={() => setOpen(null)} title="Cannot do this">
        <label className="field">
          <span>Why</span>
          <input value={why} maxLength={300} onChange={(e) => setWhy(e.target.value)} />
        </label>
        <button
          type="button"
          className="btn quiet self-start"
          onClick={() => {
            if (!why.trim()) return log.refuse({ gate: "stuck", reason: "Write why in a word or two." });
            if (log.record({ type: "open.stuck", payload: { target: step.target || step.kind, why: why.trim() } })) setWhy("");
          }}
        >
          Record it
        </button>
        <h3 className="sec">Goes instead</h3>
        {others.length === 0 ? (
          <p>Nothing else can be done before this.</p>
        ) : (
          <ul className="rows">
            {others.map(({ s, act }) => (
              <li key={s.id} style={{ alignItems: "center" }}>
                <span className="grow">{s.title}</span>
                <button
                  type="button"
                  className="btn quiet"
                  onClick={() => {
                    if (log.record(act)) setOpen(null);
                  }}
                >
                  Done
                </button>
              </li>
            ))}
          </ul>
        )}
        <h3 className="sec">The way back from here</h3>
        <CloseAgain onDone={() => setOpen(null)} />
        {back.length === 0 ? null : (
          <ol className="list-decimal pl-6">
            {back.map((s) => (
              <li key={s.id}>{s.title}</li>
            ))}
          </ol>
        )}
      </Sheet>
    </div>
  );
}
