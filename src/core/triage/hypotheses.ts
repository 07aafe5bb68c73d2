import { explanations, orCombine } from "../chance";
import type { TriageContext, TriageTable } from "./schema";
import { NO_FAULT, NONE } from "./words";

export type Outcome = "yes" | "no" | "unclear" | "notDone";
export type Findings = Readonly<Record<string, Outcome>>;

/** One explanation: no fault, a cause not in the list, one listed fault, or two. */
export interface Hypothesis {
  kind: "noFault" | "none" | "faults";
  /** Indices into `table.faults`; empty unless `kind` is "faults". */
  faults: readonly number[];
  prior: number;
}

/** A finding by itself, or a group of findings that look at one thing. */
interface Factor {
  members: readonly string[];
  /** Chance of each combination of answers under each hypothesis: `table[h * size + bits]`, first member = lowest bit. */
  table: Float64Array;
  size: number;
}

export interface TriageModel {
  table: TriageTable;
  hypotheses: readonly Hypothesis[];
  factors: readonly Factor[];
  /** Finding id to its factor and its bit there. */
  place: ReadonlyMap<string, { factor: number; bit: number }>;
  /** Where each hypothesis counts among the listed faults, none of these and no fault (in this order); -1 for no second. */
  counts: { first: Int16Array; second: Int16Array };
  /** Loss of each decision under each hypothesis, minor units: `loss[d][h]`. */
  loss: readonly Float64Array[];
}

const cache = new WeakMap<TriageTable, Map<string, TriageModel>>();

/** Weight of each listed fault, of *none of these* and of *no fault* under a context. */
function weights(t: TriageTable, c: TriageContext): { faults: number[]; none: number; noFault: number } {
  const factor = (id: string) =>
    t.priorFactors.reduce((m, f) => {
      const [key, value] = Object.entries(f.when)[0] as [keyof TriageContext, string];
      return c[key] === value ? m * (f.factors[id] ?? 1) : m;
    }, 1);
  return {
    faults: t.faults.map((f) => f.prior * factor(f.id)),
    none: t.noneOfThese.prior * factor(NONE),
    noFault: t.noFault.prior * factor(NO_FAULT),
  };
}

function hypothesesOf(t: TriageTable, c: TriageContext): Hypothesis[] {
  const w = weights(t, c);
  const out: Hypothesis[] = [
    { kind: "noFault", faults: [], prior: w.noFault },
    { kind: "none", faults: [], prior: w.none },
  ];
  for (const { set, weight } of explanations(w.faults, t.pairRate)) out.push({ kind: "faults", faults: set, prior: weight });
  const total = out.reduce((s, h) => s + h.prior, 0);
  return out.map((h) => ({ ...h, prior: h.prior / total }));
}

function jointTable(j: Readonly<Record<string, number>>, members: number): Float64Array {
  const out = new Float64Array(1 << members);
  for (const [bits, p] of Object.entries(j)) {
    let at = 0;
    for (let i = 0; i < members; i++) if (bits[i] === "1") at |= 1 << i;
    out[at] = p;
  }
  return out;
}

/** What one cause brings about by itself, scaled: chances of anything but "all no" times `by`, at most 0.99 together. */
function scaledCause(cause: Float64Array, by: number): Float64Array {
  if (by === 1) return cause;
  const most = 1 - cause[0]!;
  const k = most > 0 ? Math.min(by, Math.max(0.99, most) / most) : 1;
  return cause.map((p, bits) => (bits === 0 ? 1 - most * k : p * k));
}

/**
 * The factor of a group or of a single finding, under every hypothesis.
 * @param by scales every fault's strength (1 as it stands; 0.5 and 2 to see how a verdict stands)
 * @example factorOf(table, model.hypotheses, [table.findings[0].id], 0).members // ["cracks"]
 */
export function factorOf(t: TriageTable, hypotheses: readonly Hypothesis[], members: readonly string[], by: number): Factor {
  const group = t.groups.find((g) => g.members.includes(members[0]!));
  const spec = group ? null : t.findings.find((f) => f.id === members[0])!;
  const two = (yes: number) => Float64Array.of(1 - yes, yes);
  const leak = group ? jointTable(group.leak, members.length) : two(spec!.leak ?? 0);
  const none = group ? jointTable(group.none, members.length) : two(spec!.none ?? spec!.leak ?? 0);
  const causes = t.faults.map((f) => {
    if (group) return group.joint[f.id] ? scaledCause(jointTable(group.joint[f.id]!, members.length), by) : null;
    return spec!.strength?.[f.id] ? scaledCause(two(spec!.strength[f.id]!), by) : null;
  });
  const size = 1 << members.length;
  const table = new Float64Array(hypotheses.length * size);
  if (!group) {
    // A finding by itself: it stays away only when the leak and every cause leave it away.
    const quiet = causes.map((c) => (c ? c[0]! : 1));
    hypotheses.forEach((h, at) => {
      let away = h.kind === "none" ? none[0]! : leak[0]!;
      for (const f of h.faults) away *= quiet[f]!;
      table[at * 2] = away;
      table[at * 2 + 1] = 1 - away;
    });
    return { members, table, size };
  }
  // One cause on top of the leak is shared by every pair it is in.
  const single = causes.map((c) => (c ? orCombine(leak, c) : leak));
  hypotheses.forEach((h, at) => {
    let row = leak;
    if (h.kind === "none") row = none;
    else if (h.faults.length === 1) row = single[h.faults[0]!]!;
    else if (h.faults.length === 2) {
      const second = causes[h.faults[1]!];
      row = second ? orCombine(single[h.faults[0]!]!, second) : single[h.faults[0]!]!;
    }
    table.set(row, at * size);
  });
  return { members, table, size };
}

function lossOf(t: TriageTable, hypotheses: readonly Hypothesis[], c: TriageContext): Float64Array[] {
  return t.decisions.map((d) => {
    // Not to be considered on this machine: never the least loss.
    if (d.onlyWhere && c.touchKind !== d.onlyWhere.touchKind) return new Float64Array(hypotheses.length).fill(1e12);
    const fixes = new Set(d.fixes);
    return Float64Array.from(hypotheses, (h) => {
      if (!d.final) return h.kind === "none" ? 0 : d.wasteMinor;
      if (h.kind === "noFault") return d.endsNoFault ? 0 : d.wasteMinor;
      if (h.kind === "none") return d.wasteMinor + t.missMinor;
      const left = h.faults.filter((f) => !fixes.has(t.faults[f]!.id)).length;
      return (left === h.faults.length ? d.wasteMinor : 0) + left * t.missMinor + (d.dearerMinor ?? 0);
    });
  });
}

/**
 * The whole model of a table under a context: every hypothesis with its prior, every finding with its chances.
 * Sets considered: no fault, none of these (never paired), every listed fault, every pair of listed faults.
 * @param t a valid table @param c what is known of the machine
 * @returns the same object for the same table and context
 * @example modelOf(table, NOTHING_KNOWN).hypotheses.length > table.faults.length // true
 */
export function modelOf(t: TriageTable, c: TriageContext): TriageModel {
  const key = `${c.backlight}/${c.touch}/${c.age}/${c.happened}/${c.touchKind ?? ""}/${c.repaired ?? ""}`;
  let byContext = cache.get(t);
  if (!byContext) {
    byContext = new Map();
    cache.set(t, byContext);
  }
  const known = byContext.get(key);
  if (known) return known;
  const hypotheses = hypothesesOf(t, c);
  const groups = t.groups.map((g) => g.members);
  const alone = t.findings.filter((f) => !groups.some((g) => g.includes(f.id))).map((f) => [f.id]);
  const factors = [...groups, ...alone].map((members) => factorOf(t, hypotheses, members, 1));
  const place = new Map<string, { factor: number; bit: number }>();
  factors.forEach((f, factor) => {
    f.members.forEach((m, bit) => {
      place.set(m, { factor, bit });
    });
  });
  const n = t.faults.length;
  const first = Int16Array.from(hypotheses, (h) => (h.kind === "none" ? n : h.kind === "noFault" ? n + 1 : h.faults[0]!));
  const second = Int16Array.from(hypotheses, (h) => h.faults[1] ?? -1);
  const model = { table: t, hypotheses, factors, place, counts: { first, second }, loss: lossOf(t, hypotheses, c) };
  byContext.set(key, model);
  return model;
}

/** Which answers of a factor are given: bits answered, and their values. @example answersOf(model.factors[0], {}).mask // 0 */
export function answersOf(f: Factor, findings: Findings): { mask: number; value: number } {
  let mask = 0;
  let value = 0;
  f.members.forEach((m, bit) => {
    const o = findings[m];
    if (o !== "yes" && o !== "no") return;
    mask |= 1 << bit;
    if (o === "yes") value |= 1 << bit;
  });
  return { mask, value };
}

/**
 * Chance of the given answers of one factor under one hypothesis; what is not answered is summed over.
 * @example chanceOf(model.factors[0], 0, 0, 0) // 1
 */
export function chanceOf(f: Factor, h: number, mask: number, value: number): number {
  if (mask === 0) return 1;
  let sum = 0;
  const at = h * f.size;
  for (let bits = 0; bits < f.size; bits++) if ((bits & mask) === value) sum += f.table[at + bits]!;
  return sum;
}
