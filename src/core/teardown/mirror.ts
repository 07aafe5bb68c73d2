import { type Build, CONNECTOR_MOTION, indexBuild } from "../build";
import { motionStep, type Step } from "./step";

/** One step before another on the way in, with its reason where plain reversal would not put it there. */
export interface Edge {
  first: string;
  then: string;
  why?: string;
}

/** The id of a step. @example kindId("cableOn", "display-plug") // "cableOn:display-plug" */
export const kindId = (kind: Step["kind"], target = ""): string => (target ? `${kind}:${target}` : kind);

/** The step that undoes a step of the way out, or null when it has none or another rule makes it. */
export function mirror(build: Build, s: Step): Step | null {
  const b = indexBuild(build);
  if (s.kind === "partOut") {
    const p = b.part.get(s.target)!;
    if (p.role === "panel") return null;
    const m = p.back ?? p.out!;
    return {
      id: kindId("partBack", p.id),
      kind: "partBack",
      target: p.id,
      station: "close",
      title: p.back?.verb ?? `Put back ${p.name.toLowerCase()}`,
      ...motionStep(m),
    };
  }
  if (s.kind === "screwsOut" || s.kind === "screwsLoosen") {
    const g = b.group.get(s.target)!;
    const [kind, verb, how] =
      s.kind === "screwsOut"
        ? (["screwsBack", "Put back", "Each into its own hole, finger-tight first."] as const)
        : (["screwsTighten", "Tighten", "They were only loosened: tighten them now."] as const);
    return {
      id: kindId(kind, g.id),
      kind,
      target: g.id,
      station: g.holds === b.panel.id ? "bond" : "close",
      title: `${verb} ${g.screws.length} ${g.name.toLowerCase()}`,
      how,
      minutes: s.minutes,
      ...(s.tool ? { tool: s.tool } : {}),
    };
  }
  if (s.kind === "cableOff") {
    const c = b.connector.get(s.target)!;
    if (c.joins[0] === b.panel.id) return null;
    return {
      id: kindId("cableOn", c.id),
      kind: "cableOn",
      target: c.id,
      station: c.reachableWhenSeated ? "close" : "swap",
      title: `Put on ${c.name.toLowerCase()}`,
      how: `${CONNECTOR_MOTION[c.kind].in}. Home when: ${CONNECTOR_MOTION[c.kind].homeWhen.toLowerCase()}.${c.mark ? ` ${c.mark}.` : ""}`,
      minutes: c.minutes,
    };
  }
  return null;
}

/** Kahn's order, always the first ready step in the order they were named. */
export function ordered(steps: Map<string, Step>, edges: readonly Edge[]): Step[] {
  const needs = new Map<string, Set<string>>([...steps.keys()].map((k) => [k, new Set()]));
  for (const e of edges) if (steps.has(e.first) && steps.has(e.then)) needs.get(e.then)!.add(e.first);
  const out: Step[] = [];
  const done = new Set<string>();
  while (out.length < steps.size) {
    const next = [...steps.keys()].find((k) => !done.has(k) && [...needs.get(k)!].every((n) => done.has(n)));
    if (!next) throw new Error(`the way in of ${[...steps.keys()].filter((k) => !done.has(k)).join(", ")} runs in a circle`);
    done.add(next);
    out.push(steps.get(next)!);
  }
  return out;
}
