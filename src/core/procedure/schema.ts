import { z } from "zod";
import { slugId, words } from "../quantity/shapes";

const id = slugId(48);
const seconds = z.number().min(0).max(86_400);
const States = z.strictObject({
  mains: z.boolean().optional(),
  network: z.boolean().optional(),
  lid: z.enum(["open", "shut"]).optional(),
});

/** When a step has to come, counted from another; without `atMostS` it is a plain wait. Too early or too late begins again at the step named. */
const Window = z.strictObject({
  since: id,
  atLeastS: seconds,
  atMostS: seconds.optional(),
  early: id.optional(),
  late: id.optional(),
});

const ProcedureStep = z.strictObject({
  id,
  act: words(160),
  after: z.array(id).max(12).optional(),
  needs: States.optional(),
  sets: States.optional(),
  window: Window.optional(),
  /** Where it begins again when a state is lost while this step is the one to do. */
  lost: z.strictObject({ mains: id.optional(), network: id.optional() }).optional(),
});

/** A maker's ordered procedure: pairing, a first start. */
export const Procedure = z.strictObject({
  format: z.literal("helvane.procedure"),
  version: z.literal(1),
  id,
  maker: words(60),
  source: words(160),
  steps: z.array(ProcedureStep).min(1).max(40),
});
export type Procedure = z.infer<typeof Procedure>;
export type ProcedureStep = Procedure["steps"][number];
export type ProcedureState = z.infer<typeof States>;

export interface ProcedureProblem {
  where: string;
  message: string;
}

/**
 * Reads a procedure from the text of a JSON file.
 * @returns the procedure, or every problem with its place: an unknown step, a circle, a window that cannot be; never throws
 * @example parseProcedure("").problems[0].where // "file"
 */
export function parseProcedure(text: string): { ok: true; procedure: Procedure } | { ok: false; problems: ProcedureProblem[] } {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    return { ok: false, problems: [{ where: "file", message: `not readable as JSON: ${(e as Error).message}` }] };
  }
  const read = Procedure.safeParse(raw);
  if (!read.success)
    return {
      ok: false,
      problems: read.error.issues.map((i) => ({ where: i.path.map(String).join(".") || "file", message: i.message })),
    };
  const problems = checkProcedure(read.data);
  return problems.length ? { ok: false, problems } : { ok: true, procedure: read.data };
}

/**
 * What is wrong with a procedure of the right shape. An empty list for a sound one.
 * @example checkProcedure({ format: "helvane.procedure", version: 1, id: "first-start", maker: "Tollund", source: "note", steps: [{ id: "mains-in", act: "Mains in" }] }) // []
 */
export function checkProcedure(p: Procedure): ProcedureProblem[] {
  const problems: ProcedureProblem[] = [];
  const known = new Map<string, number>();
  for (const [i, s] of p.steps.entries()) {
    const before = known.get(s.id);
    if (before !== undefined)
      problems.push({ where: `steps.${i}.id`, message: `the id "${s.id}" is already used at steps.${before}` });
    else known.set(s.id, i);
  }
  for (const [i, s] of p.steps.entries()) {
    const need = (where: string, step: string | undefined) => {
      if (step !== undefined && !known.has(step))
        problems.push({ where: `steps.${i}.${where}`, message: `there is no step "${step}"` });
    };
    s.after?.forEach((a, k) => need(`after.${k}`, a));
    for (const k of ["since", "early", "late"] as const) need(["window", k].join("."), s.window?.[k]);
    for (const k of ["mains", "network"] as const) need(`lost.${k}`, s.lost?.[k]);
    const w = s.window;
    if (w?.atMostS !== undefined && w.atMostS < w.atLeastS)
      problems.push({ where: `steps.${i}.window`, message: `at most ${w.atMostS} s is less than at least ${w.atLeastS} s` });
    if (w?.atMostS !== undefined && !w.late)
      problems.push({
        where: ["steps", i, "window", "late"].join("."),
        message: "a window that ends says where it begins again when it is missed",
      });
  }
  if (problems.length === 0) {
    const circle = circleIn(p);
    if (circle)
      problems.push({
        where: `steps.${known.get(circle[0]!)}.after`,
        message: `these wait for each other: ${circle.join(", ")}`,
      });
  }
  return problems;
}

/** What a step comes after, and what its window counts from. */
const waitsFor = ({ after = [], window: w }: ProcedureStep): string[] => (w ? [...after, w.since] : after);

/**
 * Steps in an order that keeps every *after* and window, as written where that is free.
 * @example orderedSteps({ format: "helvane.procedure", version: 1, id: "x", maker: "Tollund", source: "note", steps: [{ id: "on", act: "On" }] }).length // 1
 */
export function orderedSteps(p: Procedure): ProcedureStep[] {
  const done = new Set<string>();
  const out: ProcedureStep[] = [];
  while (out.length < p.steps.length) {
    const next = p.steps.find((s) => !done.has(s.id) && waitsFor(s).every((x) => done.has(x)));
    if (!next) break;
    done.add(next.id);
    out.push(next);
  }
  return out;
}

/** Steps that wait for each other, through `after` and what their windows count from. */
function circleIn(p: Procedure): string[] | null {
  const left = new Map(p.steps.map((s) => [s.id, new Set(waitsFor(s))]));
  for (let moved = true; moved; ) {
    moved = false;
    for (const [step, waits] of left)
      if ([...waits].every((x) => !left.has(x))) {
        left.delete(step);
        moved = true;
      }
  }
  return left.size ? [...left.keys()] : null;
}
