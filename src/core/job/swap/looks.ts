import { hiddenBySeat } from "../../build";
import { buildOf, candidateOf, type JobView, oldPanelOf } from "../derived";
import type { LooseLook } from "../state";

/** What a look of the loose test is called. */
export const LOOK_WORDS: Readonly<Record<LooseLook, string>> = { touch: "touch", camera: "the camera" };

/**
 * What is tried in the loose test beside the picture: what the new part itself carries, and what nobody gets at again once it
 * lies in its place. What it carries is told by its leads, whatever its record says.
 * @example looseLooks(view) // []
 */
export function looseLooks(v: JobView): LooseLook[] {
  const b = buildOf(v);
  if (!b) return [];
  const { build, subject } = b;
  // On its leads while it lies loose: its own, and those that are out of reach later.
  const there = (serves: string): boolean =>
    build.connectors.some(
      (c) =>
        c.serves === serves &&
        v.state.connectors[c.id] !== "off" &&
        (c.joins[0] === subject.id || hiddenBySeat(build, c)) &&
        v.state.touched[c.id] !== undefined,
    );
  const onCell = [candidateOf(v), oldPanelOf(v)].every((p) => p?.touch.value === "onCell");
  const looks: LooseLook[] = [];
  // On the cell it comes over the picture's own lead; else over one that goes to it. A machine without either has no touch to try.
  if (onCell || there("touch")) looks.push("touch");
  if (there("camera")) looks.push("camera");
  return looks;
}

/** Looks of a test that showed its picture and nobody has answered yet. @example looksOpen(view) // [] */
export function looksOpen(v: JobView): LooseLook[] {
  const t = v.state.looseTest;
  return t?.picture && !t.voidedBy ? looseLooks(v).filter((l) => t.looks[l] === undefined) : [];
}
