"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { addConnector, addPart, addScrew, type Build, checkBuild, moveThing, removeThing, type Thing } from "@/core/build";
import { durationWords } from "@/core/quantity";
import { makePlan } from "@/core/teardown";
import { type Said, SaidBox } from "../controls/SaidBox";
import { Mark } from "../draw/Mark";
import { BuildDrawing } from "./BuildDrawing";
import { ThingForm } from "./ThingForm";

type Tool = "move" | "screw" | "plug";
const MOST_UNDO = 100;

/** A build on its own drawing: parts, screws and plugs where they are, what blocks what, and the plan that follows at once. */
export function BuildEditor({ build: first, version: firstVersion }: { build: Build; version: number }) {
  const router = useRouter();
  const [build, setBuild] = useState(first);
  const [past, setPast] = useState<Build[]>([]);
  const [version, setVersion] = useState(firstVersion);
  const [saved, setSaved] = useState(first);
  const [view, setView] = useState<"lid" | "base">("base");
  const [selected, setSelected] = useState<Thing | null>(null);
  const [tool, setTool] = useState<Tool>("move");
  const [name, setName] = useState("");
  const [said, setSaid] = useState<Said | null>(null);
  const edit = (next: Build) => {
    setPast((p) => [...p.slice(-MOST_UNDO), build]);
    setBuild(next);
    setSaid(null);
  };
  const undo = () => {
    const last = past.at(-1);
    if (!last) return;
    setPast((p) => p.slice(0, -1));
    setBuild(last);
  };
  const problems = useMemo(() => checkBuild(build), [build]);
  const plan = useMemo(() => (problems.length ? null : makePlan(build)), [build, problems]);
  const part = selected?.kind === "part" ? build.parts.find((p) => p.id === selected.id) : undefined;
  const place = (xMm: number, yMm: number) => {
    if (tool === "screw") {
      if (!part) return setSaid({ ok: false, words: "Select the part the screw holds first." });
      return edit(addScrew(build, part.id, view, xMm, yMm));
    }
    if (tool === "plug") {
      if (!part) return setSaid({ ok: false, words: "Select the part the plug ties first." });
      return edit(addConnector(build, part.id, view, xMm, yMm));
    }
    if (selected) edit(moveThing(build, selected, xMm, yMm));
  };
  const nudge = (dx: number, dy: number) => {
    if (!selected) return;
    const s = build.parts.find((p) => p.id === selected.id)?.shape ?? build.tapes.find((t) => t.id === selected.id)?.shape;
    const at = s
      ? { x: s.xMm + s.widthMm / 2, y: s.yMm + s.heightMm / 2 }
      : (() => {
          const point =
            build.connectors.find((c) => c.id === selected.id) ??
            build.screwGroups.flatMap((g) => g.screws).find((x) => x.id === selected.id);
          return point ? { x: point.xMm, y: point.yMm } : null;
        })();
    if (at) edit(moveThing(build, selected, at.x + dx, at.y + dy));
  };
  const save = async () => {
    const res = await fetch("/api/builds", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ text: JSON.stringify(build), replaceVersion: version }),
    }).catch(() => null);
    const body = await res?.json().catch(() => null);
    if (!res) return setSaid({ ok: false, words: "The server was not reached. What you drew is kept here." });
    if (!res.ok) return setSaid({ ok: false, words: body?.problem ?? "Not saved.", details: body?.details ?? [] });
    setVersion(body.version);
    setSaved(build);
    setSaid({ ok: true, words: `Saved as version ${body.version}. Jobs under way keep the build they were planned with.` });
    if (firstVersion === 0) router.replace(`/builds/${body.id}`);
  };
  const changed = build !== saved || version === 0;
  return (
    <main className="grow-page">
      <div className="panelpage">
        <header className="flex flex-wrap items-end gap-4">
          <h1 className="step long">{build.machineModel}</h1>
          <span className="q grow pb-1">
            family {build.family}, {version ? `version ${version}` : "not saved yet"}
            {changed && version > 0 && ", changed here"}
          </span>
          <button type="button" className="btn quiet" disabled={past.length === 0} onClick={undo}>
            Undo
          </button>
          <Link className="link pb-2" href="/builds">
            All builds
          </Link>
        </header>
        <div className="cols">
          <section aria-label="Drawing" className="flex flex-col gap-2">
            <div className="flex flex-wrap gap-2">
              {(["base", "lid"] as const).map((v) => (
                <button key={v} type="button" className="btn quiet" aria-pressed={view === v} onClick={() => setView(v)}>
                  {v === "lid" ? "Lid" : "Base"}
                </button>
              ))}
              <span className="mx-2 border-l border-hair" />
              {(
                [
                  ["move", "Select and move"],
                  ["screw", "Add screws"],
                  ["plug", "Add plugs"],
                ] as const
              ).map(([t, words]) => (
                <button key={t} type="button" className="btn quiet" aria-pressed={tool === t} onClick={() => setTool(t)}>
                  {words}
                </button>
              ))}
            </div>
            <div className="matbox overflow-x-auto p-3">
              <BuildDrawing
                build={build}
                view={view}
                selected={selected}
                onSelect={(t) => {
                  // While something is added a tap is a place, whatever lies there; what is selected moves to a tapped place.
                  if (tool !== "move" || (selected?.kind === t.kind && selected.id === t.id)) return false;
                  setSelected(t);
                  return true;
                }}
                onPlace={place}
                onNudge={nudge}
              />
            </div>
            <form
              className="flex items-end gap-2"
              onSubmit={(e) => {
                e.preventDefault();
                if (!name.trim()) return setSaid({ ok: false, words: "Name the part first." });
                const next = addPart(build, name.trim(), view);
                edit(next);
                setSelected({ kind: "part", id: next.parts.at(-1)!.id });
                setName("");
              }}
            >
              <label className="field grow">
                <span>New part on the {view}</span>
                <input value={name} maxLength={60} onChange={(e) => setName(e.target.value)} placeholder="Speaker bar" />
              </label>
              <button type="submit" className="btn">
                Add part
              </button>
            </form>
          </section>
          <section aria-label="Parts and plan" className="flex flex-col gap-3">
            {selected ? (
              <ThingForm
                key={`${selected.kind}-${selected.id}`}
                build={build}
                thing={selected}
                onEdit={edit}
                onSelect={setSelected}
                onRemove={() => {
                  edit(removeThing(build, selected));
                  setSelected(null);
                }}
              />
            ) : (
              <p className="q">Tap a part, screw or plug on the drawing, or pick a part here.</p>
            )}
            <div className="flex flex-wrap gap-1.5" role="group" aria-label="Parts">
              {build.parts.map((p) => (
                <button
                  key={p.id}
                  type="button"
                  className="btn quiet"
                  style={{ minHeight: 36, padding: "3px 9px" }}
                  aria-pressed={part?.id === p.id}
                  onClick={() => {
                    setSelected({ kind: "part", id: p.id });
                    setView(p.view);
                  }}
                >
                  {p.name}
                </button>
              ))}
            </div>
            <section aria-label="Plan" aria-live="polite" className="border-t-[1.5px] border-ink pt-2">
              {plan?.ok ? (
                <>
                  <h2 className="sec flex items-center gap-2">
                    <Mark kind={plan.plan.objective.proven ? "same" : "look"} size={20} />
                    {plan.plan.out.length} steps out, {plan.plan.in.length} back, {durationWords(plan.plan.minutes.p50)}
                  </h2>
                  <ol className="list-decimal pl-7 text-[15px] leading-[19px]">
                    {plan.plan.out.map((s) => (
                      <li key={s.id}>{s.title}</li>
                    ))}
                  </ol>
                </>
              ) : (
                <>
                  <h2 className="sec flex items-center gap-2">
                    <Mark kind="stop" size={20} /> No plan yet
                  </h2>
                  <ul className="list-disc pl-5 text-[15px]">
                    {plan && !plan.ok && <li>{plan.problem}</li>}
                    {problems.slice(0, 8).map((p, i) => (
                      <li key={i}>
                        <span className="mono">{p.where}</span>: {p.message}
                      </li>
                    ))}
                  </ul>
                </>
              )}
            </section>
          </section>
        </div>
        <footer className="savebar">
          <SaidBox said={said} />
          <div className="flex items-center gap-4">
            <button type="button" className="plate small" style={{ width: 340 }} disabled={!changed} onClick={() => void save()}>
              <span>
                <b>{version ? "Save the build" : "Add this machine"}</b>
                <i>{changed ? "Checked whole before it is saved." : "Nothing changed."}</i>
              </span>
            </button>
            <a
              className="btn quiet"
              download={`${build.id}.json`}
              href={`data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(build, null, 1))}`}
            >
              Write to a file
            </a>
            {version > 0 && (
              <Link className="btn quiet" href={`/builds/${build.id}/rehearse`}>
                Rehearse it
              </Link>
            )}
            <span className="q">
              {plan?.ok
                ? `${plan.plan.out.length} steps out, ${plan.plan.in.length} back, ${durationWords(plan.plan.minutes.p50)}`
                : "no plan yet"}
            </span>
          </div>
        </footer>
      </div>
    </main>
  );
}
