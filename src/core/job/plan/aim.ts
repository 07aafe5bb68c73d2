import { type BuildIndex, comesBack, screwsComeBack } from "../../build";
import { listed } from "../../quantity";
import { type Answer, no } from "../answer";
import { panelReading } from "../derived";
import type { JobState } from "../state";
import { seated } from "../subject";

/** What the hands are after: the new one in; only the label on the old one's back; or the machine closed again as it came. */
export type Aim = "swap" | "label" | "close";

/**
 * Whether something of the machine is away that goes back: the old one itself, a part, a screw, a lead, a turned lid, the old one leaned over.
 * @example liesOpen(emptyState(), b) // false
 */
export function liesOpen(s: JobState, b: BuildIndex): boolean {
  return (
    s.subject === "out" ||
    s.parts[b.subject.id] === "folded" ||
    Object.entries(s.screws).some(([id, x]) => {
      const g = b.groupOfScrew.get(id);
      return x === "loosened" || (x === "out" && (!g || screwsComeBack(b.build, g)));
    }) ||
    b.build.tapes.some((t) => {
      const p = b.part.get(t.holds);
      return s.tapesOut[t.id] && !s.close.taped[t.id] && p !== undefined && p.id !== b.subject.id && comesBack(p);
    }) ||
    Object.values(s.connectors).some((x) => x === "off") ||
    Object.values(s.turned).some((x) => x === "out") ||
    Object.entries(s.parts).some(([id, x]) => {
      const p = b.part.get(id);
      return x !== "back" && p !== undefined && p.id !== b.subject.id && comesBack(p);
    })
  );
}

/**
 * What the hands are after now. Opened for its label only until that is read, closing only until everything is home: then the
 * swap goes on by itself.
 * @example aimOf(emptyState(), b) // "swap"
 */
export function aimOf(s: JobState, b: BuildIndex): Aim {
  const aim = s.plan?.aim;
  if (aim === "label") return panelReading(s)?.source === "L" ? "swap" : "label";
  return aim === "close" && !seated(s) && liesOpen(s, b) ? "close" : "swap";
}

/**
 * Ends a closing again once everything is home: opened once more, the machine is opened from the start. What broke or is missing
 * stays so.
 * @example settleClosing(emptyState(), b)
 */
export function settleClosing(s: JobState, b: BuildIndex | null): void {
  if (!b || s.plan?.aim !== "close" || seated(s) || liesOpen(s, b)) return;
  openAnew(s, b);
  s.connectors = {};
  s.touched = {};
  s.turned = {};
  s.tethered = {};
  s.countedTogether = [];
  const { aim: _, why: __, ...plan } = s.plan;
  s.plan = plan;
}

/**
 * What went home while the machine was being closed is to be opened anew, as if it never had been. What broke or is missing stays so.
 * @example openAnew(emptyState(), b)
 */
export function openAnew(s: JobState, b: BuildIndex): void {
  for (const [id, x] of Object.entries(s.screws)) if (x === "back" || x === "tightened") delete s.screws[id];
  for (const [id, x] of Object.entries(s.parts)) if (x === "back") delete s.parts[id];
  for (const [id, x] of Object.entries(s.connectors))
    if (x === "on") {
      delete s.connectors[id];
      delete s.touched[id];
    }
  for (const [id, x] of Object.entries(s.turned)) if (x === "back") delete s.turned[id];
  for (const t of b.build.tapes)
    if (s.close.taped[t.id]) {
      delete s.tapesOut[t.id];
      delete s.close.taped[t.id];
    }
}

/**
 * May the hands go after something else from here?
 * @example mayAim(emptyState(), null, "close").reason // "There is no plan yet."
 */
export function mayAim(s: JobState, b: BuildIndex | null, aim: Aim): Answer {
  if (!s.plan || !b) return no("plan", "There is no plan yet.");
  const now = aimOf(s, b);
  if (aim === now) return no("plan", "That is what is being done already.");
  if (aim === "swap") return null;
  if (seated(s)) return no("plan", "The new one is in. Lift it out first, or prove it and close the machine.");
  if (aim === "label") {
    if (b.build.subject.kind === "lidAssembly") return no("plan", "A whole lid is not opened: its label is looked for outside.");
    if (s.subject === "out") return no("plan", "The old one is out: read its label.");
    return panelReading(s)?.source === "L" ? no("plan", "Its label was read.") : null;
  }
  if (!liesOpen(s, b)) return no("plan", "Nothing is open.");
  const on = s.subject === "out" ? b.subjectConnectors.filter((c) => s.connectors[c.id] === "on") : [];
  return on.length ? no("plan", `The new one hangs on ${listed(on.map((c) => c.name.toLowerCase()))}: take it off first.`) : null;
}
