"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { carry } from "@/client/carried";
import { send } from "@/client/send";
import {
  addConnector,
  addPart,
  addPhoto,
  addScrew,
  addTape,
  type Build,
  checkBuild,
  moveThing,
  removeThing,
  type Thing,
} from "@/core/build";
import type { PlanWeights } from "@/core/teardown";
import { usePlan } from "@/ui/job/usePlan";
import type { KeptPlan } from "@/wire/plan";
import { AddPhoto } from "./AddPhoto";
import { BuildDrawing } from "./BuildDrawing";
import { DraftFound } from "./DraftFound";
import { EditorFooter } from "./EditorFooter";
import { EditorHeader } from "./EditorHeader";
import { EditorPlan } from "./EditorPlan";
import { EditorTools, type Tool } from "./EditorTools";
import { PryForm } from "./LeadForms";
import { NewPart } from "./NewPart";
import { addedTo, placeOf } from "./placeOf";
import { pointOver } from "./pointOver";
import { ThingForm } from "./ThingForm";
import { useBuildDraft } from "./useBuildDraft";
import { useCarried } from "./useCarried";

const MOST_UNDO = 100;

/** A build on its own drawing: parts, screws, plugs, tapes and photos where they are, what blocks what, and the plan that follows at once. */
export function BuildEditor({
  build: first,
  version: firstVersion,
  plan: firstPlan,
  weights,
  back = null,
}: {
  build: Build;
  version: number;
  plan: KeptPlan["made"] | null;
  weights: PlanWeights;
  /** The job this is done for. */
  back?: { id: string; number: string } | null;
}) {
  const router = useRouter();
  const [build, setBuild] = useState(first);
  const [past, setPast] = useState<Build[]>([]);
  const [version, setVersion] = useState(firstVersion);
  const [saved, setSaved] = useState(first);
  const [view, setView] = useState<"lid" | "base">("base");
  const [selected, setSelected] = useState<Thing | null>(null);
  const [tool, setTool] = useState<Tool>("move");
  const [spot, setSpot] = useState<{ xMm: number; yMm: number } | null>(null);
  const [said, setSaid] = useCarried(first.id);
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
  const changed = build !== saved || version === 0;
  const draft = useBuildDraft(build, version, build !== saved);
  const problems = useMemo(() => checkBuild(build), [build]);
  const key = useMemo(() => (problems.length ? null : JSON.stringify(build)), [build, problems]);
  const ask = useMemo(() => ({ build, changes: [], quick: false, weights }), [build, weights]);
  const plan = usePlan(key, ask, firstPlan && { key: JSON.stringify(first), made: firstPlan });
  const part = selected?.kind === "part" ? build.parts.find((p) => p.id === selected.id) : undefined;
  const place = (xMm: number, yMm: number, byKey: boolean) => {
    if (tool === "photo") return setSpot({ xMm, yMm });
    if (tool === "over") return void pointOver(build, selected, null, edit, setSaid);
    if (tool === "move") return selected && edit(moveThing(build, selected, xMm, yMm));
    if (!part)
      return setSaid({ ok: false, words: `Select the part the ${tool === "plug" ? "plug ties" : `${tool} holds`} first.` });
    if (tool === "tape" && view === "base") return setSaid({ ok: false, words: "Tape under the panel lies in the lid." });
    const next =
      tool === "screw"
        ? addScrew(build, part.id, view, xMm, yMm)
        : tool === "plug"
          ? addConnector(build, part.id, view, xMm, yMm)
          : addTape(build, part.id, xMm, yMm);
    edit(next);
    if (!byKey) return;
    // By keyboard: what was added is selected, so that the arrow keys take it to its place.
    const kind = tool === "plug" ? "connector" : tool;
    const id = addedTo(build, next, kind);
    if (id) setSelected({ kind, id });
    setTool("move");
  };
  const nudge = (dx: number, dy: number) => {
    const at = selected && placeOf(build, selected);
    if (selected && at) edit(moveThing(build, selected, at.xMm + dx, at.yMm + dy));
  };
  const save = async () => {
    const r = await send<{ id: string; version: number }>("POST", "/api/builds", {
      text: JSON.stringify(build),
      replaceVersion: version,
    });
    if (!r.ok) return setSaid(r.said);
    draft.drop();
    setVersion(r.body.version);
    setSaved(build);
    const words = `Saved as version ${r.body.version}. Jobs under way keep the build they were planned with.`;
    setSaid({ ok: true, words });
    if (firstVersion > 0) return;
    // The new build's own page takes this one's place, and says it again.
    carry(r.body.id, words);
    router.replace(`/builds/${r.body.id}${back ? `?job=${back.id}` : ""}`);
  };
  return (
    <main className="grow-page">
      <div className="panelpage">
        <EditorHeader build={build} version={version} changed={changed} back={back} onUndo={past.length > 0 ? undo : null} />
        {draft.found && (
          <DraftFound
            from={draft.found.from}
            onTake={() => {
              edit(draft.found!.build);
              draft.dismiss();
            }}
            onDrop={draft.drop}
          />
        )}
        <div className="cols">
          <section aria-label="Drawing" className="flex flex-col gap-2 self-start lg:sticky lg:top-3">
            <EditorTools
              view={view}
              tool={tool}
              onView={setView}
              onTool={(t) => {
                setTool(t);
                setSpot(null);
                if (t === "tape") setView("lid");
              }}
            />
            <div className="matbox overflow-x-auto p-3">
              <BuildDrawing
                build={build}
                view={view}
                selected={selected}
                onSelect={(t) => {
                  if (tool === "over") return pointOver(build, selected, t, edit, setSaid);
                  // While something is added a tap is a place, whatever lies there; what is selected moves to a tapped place.
                  if (tool !== "move" || (selected?.kind === t.kind && selected.id === t.id)) return false;
                  setSelected(t);
                  return true;
                }}
                spot={spot}
                onPlace={(x, y) => place(x, y, false)}
                onPlaceByKey={() => {
                  const at = (selected && placeOf(build, selected)) ?? {
                    xMm: build.lid.widthMm / 2,
                    yMm: build.lid.heightMm / 2,
                  };
                  if (tool !== "move") place(at.xMm, at.yMm, true);
                }}
                onNudge={nudge}
              />
            </div>
            {tool === "photo" && (
              <AddPhoto
                key={spot ? `${spot.xMm} ${spot.yMm}` : "none"}
                spot={spot}
                onAdd={(p) => {
                  const of = selected && selected.kind !== "photo" && selected.kind !== "group" ? { of: selected.id } : {};
                  const next = addPhoto(build, { ...of, view, ...spot!, ...p });
                  edit(next);
                  setSelected({ kind: "photo", id: next.photos!.at(-1)!.id });
                  setSpot(null);
                  setTool("move");
                }}
              />
            )}
            <NewPart
              view={view}
              onSay={(words) => setSaid({ ok: false, words })}
              onAdd={(name) => {
                const next = addPart(build, name, view);
                edit(next);
                setSelected({ kind: "part", id: next.parts.at(-1)!.id });
              }}
            />
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
            <PryForm build={build} onEdit={edit} />
            <EditorPlan build={build} plan={plan} problems={problems} />
          </section>
        </div>
        <EditorFooter
          build={build}
          version={version}
          changed={changed}
          plan={plan}
          problems={problems.length}
          said={said}
          onSave={save}
        />
      </div>
    </main>
  );
}
