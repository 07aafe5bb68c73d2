"use client";
import { useState, useSyncExternalStore } from "react";
import type { Build } from "@/core/build";
import type { JobState } from "@/core/job";
import type { Panel } from "@/core/panel";
import { type Step, stepRule } from "@/core/teardown";
import type { StationPath } from "../shell/JobStrip";
import type { HeatShown } from "./HeatLayer";
import { LidDrawing } from "./LidDrawing";
import { LAYER_WORDS, type Layer } from "./layers";
import type { Compared } from "./MatchLayer";
import { scaleOf } from "./scale";
import { useScreen } from "./screen";

const LAYERS: Record<StationPath, Layer[]> = {
  triage: ["damage"],
  identify: ["outline", "damage"],
  match: ["outline", "candidate"],
  plan: ["outline", "tape", "screws", "cables"],
  open: ["screws", "tape", "hidden", "heat"],
  swap: ["outline", "cables", "candidate", "screws"],
  bond: ["candidate", "tape", "screws"],
  prove: ["faults"],
  close: ["screws"],
};

/** Which side of the machine a step happens on. */
export function sideOf(build: Build, { target, kind }: Step): "lid" | "base" {
  const found =
    build.parts.find((p) => p.id === target) ??
    build.screwGroups.find((g) => g.id === target) ??
    build.connectors.find((c) => c.id === target);
  if (found) return found.view;
  return build.parts.some((p) => p.role === "baseCover") && stepRule(kind).atBase ? "base" : "lid";
}

const NARROW = "(max-width: 760px)";
const onNarrow = (then: () => void) => {
  const q = matchMedia(NARROW);
  q.addEventListener("change", then);
  return () => q.removeEventListener("change", then);
};

/** The one drawing with its title bar: which side, at which scale, with which layers. */
export function DrawingPane(p: {
  station: StationPath;
  build: Build | null;
  view: "lid" | "base";
  state: JobState;
  old: Panel | null;
  candidate: Panel | null;
  compared: Compared | null;
  heat: HeatShown | null;
  step: Step | null;
  /** The point held at 1:1 in the middle of the pane, with its name. */
  held: { xMm: number; yMm: number; name: string } | null;
  onHold: () => void;
  onTap: ((xMm: number, yMm: number) => void) | undefined;
}) {
  const [layers, setLayers] = useState<ReadonlySet<Layer>>(() => new Set(LAYERS[p.station]));
  // On a phone the drawing scrolls by itself: by keys too, then.
  const narrow = useSyncExternalStore(
    onNarrow,
    () => matchMedia(NARROW).matches,
    () => false,
  );
  const { pxPerMm, checked } = useScreen();
  const ratio = scaleOf(p.build, pxPerMm);
  const trust = checked ? "checked by ruler" : "scale not checked";
  return (
    <section className="pane onshell" aria-label="Drawing">
      <div className="art" data-drawing tabIndex={narrow ? 0 : -1}>
        <LidDrawing
          build={p.build}
          view={p.view}
          layers={layers}
          state={p.state}
          old={p.old}
          candidate={p.candidate}
          compared={p.compared}
          heat={p.heat}
          step={p.step}
          heldAt={p.held}
          onTap={p.onTap}
        />
      </div>
      <div className="titlebar">
        <span>
          <b>{p.view === "base" ? "Base, seen from below." : "Lid, seen from the front."}</b>{" "}
          <span className="at-desk">{p.view === "base" ? "Hinge edge away from you" : "Hinge down"}</span>
        </span>
        <span>
          {p.held ? (
            `1:1 at the ${p.held.name}, ${trust}`
          ) : (
            <>
              <span className="at-desk">{`1:${ratio}, ${trust}`}</span>
              <span className="at-tablet">{`1:${ratio * 1.5}`}</span>
            </>
          )}
        </span>
        <span className="layers">
          <button type="button" aria-pressed={p.held !== null} onClick={p.onHold}>
            <span>1:1</span>
          </button>
          {LAYERS[p.station]
            .filter((l) => l !== "heat" || p.heat)
            .map((l) => (
              <button
                key={l}
                type="button"
                aria-pressed={layers.has(l)}
                onClick={() =>
                  setLayers((s) => {
                    const n = new Set(s);
                    if (n.has(l)) n.delete(l);
                    else n.add(l);
                    return n;
                  })
                }
              >
                <span>{LAYER_WORDS[l]}</span>
              </button>
            ))}
        </span>
      </div>
    </section>
  );
}
