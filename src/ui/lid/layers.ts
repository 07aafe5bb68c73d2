import type { Build } from "@/core/build";
import type { JobState } from "@/core/job";
import type { Panel } from "@/core/panel";
import type { Step } from "@/core/teardown";
import type { Frame } from "../draw/Ground";
import type { HeatShown } from "./HeatLayer";
import type { Compared } from "./MatchLayer";

export type Layer = "outline" | "candidate" | "screws" | "tape" | "cables" | "damage" | "faults" | "hidden" | "heat";
export const LAYER_WORDS: Record<Layer, string> = {
  outline: "Old",
  candidate: "New",
  screws: "Screws",
  tape: "Tape",
  cables: "Cables",
  damage: "Damage",
  faults: "Faults",
  hidden: "Hidden",
  heat: "Heat",
};

export interface LidDrawingProps {
  build: Build | null;
  view: "lid" | "base";
  layers: ReadonlySet<Layer>;
  state: JobState;
  old: Panel | null;
  candidate: Panel | null;
  /** What Match compares; null on every other station. */
  compared?: Compared | null;
  /** A warming that is followed; null where none is. */
  heat?: HeatShown | null;
  step?: Step | null;
  /** Held at 1:1 with this point of the part, in mm, in the middle of the pane. */
  heldAt?: { xMm: number; yMm: number } | null;
  onTap?: ((xMm: number, yMm: number) => void) | undefined;
}

/** What the layers of one side are drawn from. */
export type Inner = LidDrawingProps & { build: Build; f: Frame };
