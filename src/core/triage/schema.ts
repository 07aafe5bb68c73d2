import { z } from "zod";
import { words } from "../quantity/shapes";
import { AGES, BACKLIGHTS, HAPPENED, NO_FAULT, NONE, REPAIRED, TOUCH_KINDS, TOUCHES } from "./words";

const id = z.string().regex(/^[A-Za-z][A-Za-z0-9]{0,40}$/, "an id of letters and digits, a letter first");
const p = z.number().min(0).max(1);
/** Chances of each combination of a group's findings, as text of 0 and 1 in the order of its members: "101" = yes, no, yes. */
const joint = z.record(z.string().regex(/^[01]{1,4}$/, "a text of 0 and 1, one for each finding of the group"), p);

/** What is known of the machine before anything is looked at: it moves the priors. */
export const TriageContext = z.strictObject({
  backlight: z.enum(BACKLIGHTS),
  touch: z.enum(TOUCHES),
  age: z.enum(AGES),
  happened: z.enum(HAPPENED),
  /** Facts asked since version 3: missing = unknown. */
  touchKind: z.enum(TOUCH_KINDS).optional(),
  repaired: z.enum(REPAIRED).optional(),
});
export type TriageContext = z.infer<typeof TriageContext>;
const Shape = z.strictObject({
  format: z.literal("helvane.triage"),
  version: z.union([z.literal(2), z.literal(3)]),
  source: words(400),
  currency: z.string().length(3),
  benchRateMinorPerHour: z.int().min(0),
  /** Minutes to open a machine as far as the board, when no plan says better (adj). */
  openMinutes: z.number().min(0).max(600),
  /** How often a second listed fault comes along with a first (adj). */
  pairRate: z.number().min(0).max(1),
  /** What a fault left unrepaired costs afterwards: the machine comes back. Minor units. */
  missMinor: z.int().min(0),
  noFault: z.strictObject({ name: words(60), prior: z.number().min(0), advice: words(160) }),
  noneOfThese: z.strictObject({ name: words(60), prior: z.number().positive(), advice: words(160) }),
  faults: z
    .array(
      z.strictObject({
        id,
        name: words(60),
        /** Whether a new panel ends it. */
        panel: z.boolean(),
        prior: z.number().min(0),
        advice: words(160),
        note: z.string().max(300).default(""),
      }),
    )
    .min(1)
    .max(60),
  /** Factors on the priors by what is known. A factor of 0 rules a fault out. */
  priorFactors: z
    .array(
      z.strictObject({
        when: z.union([
          z.strictObject({ backlight: z.enum(BACKLIGHTS) }),
          z.strictObject({ touch: z.enum(TOUCHES) }),
          z.strictObject({ age: z.enum(AGES) }),
          z.strictObject({ happened: z.enum(HAPPENED) }),
          z.strictObject({ touchKind: z.enum(TOUCH_KINDS) }),
          z.strictObject({ repaired: z.enum(REPAIRED) }),
        ]),
        factors: z.record(id, z.number().min(0).max(100)),
        note: z.string().max(300).default(""),
      }),
    )
    .max(60)
    .default([]),
  findings: z
    .array(
      z.strictObject({
        id,
        name: words(80),
        kind: z.enum(["sign", "test"]),
        how: z.string().max(240).default(""),
        minutes: z.number().min(0).max(240).default(0),
        costMinor: z.int().min(0).default(0),
        riskMinor: z.int().min(0).default(0),
        access: z.enum(["closed", "opened"]).default("closed"),
        power: z.enum(["any", "isolated", "live"]).default("any"),
        /** Whether the machine runs while it is done; missing = unless it is isolated for it. */
        runs: z.boolean().optional(),
        caution: z.string().max(240).optional(),
        note: z.string().max(300).default(""),
        /** Damage marks that say *yes* by themselves. */
        fromMark: z
          .strictObject({
            kind: z.enum(["crack", "blot", "lines", "dim", "deadTouch"]),
            direction: z.enum(["vertical", "horizontal"]).optional(),
            lowerEdge: z.boolean().optional(),
            movesWithLid: z.boolean().optional(),
          })
          .optional(),
        /** Strength: the chance that this fault alone brings the finding about. Missing = 0. Absent for findings of a group. */
        strength: z.record(id, p).optional(),
        /** The chance of *yes* when nothing in the list is at fault. */
        leak: p.optional(),
        /** The chance of *yes* when the cause is none of these; `leak` when missing. */
        none: p.optional(),
      }),
    )
    .min(1)
    .max(300),
  /** Findings that look at one thing, with a joint table per fault: repeating a look never raises certainty. */
  groups: z
    .array(
      z.strictObject({
        id,
        name: words(80),
        members: z.array(id).min(2).max(4),
        joint: z.record(id, joint),
        leak: joint,
        none: joint,
        note: z.string().max(300).default(""),
      }),
    )
    .max(20)
    .default([]),
  decisions: z
    .array(
      z.strictObject({
        id,
        name: words(60),
        /** Faults it ends. */
        fixes: z.array(id).max(60),
        /** What is lost when it ends nothing, minor units. */
        wasteMinor: z.int().min(0),
        /** False for "look closer": costs its waste, whatever the fault, and misses nothing. */
        final: z.boolean().default(true),
        /** Right when nothing is at fault. */
        endsNoFault: z.boolean().default(false),
        /** What it costs more than a cheaper decision that ends the same. */
        dearerMinor: z.int().min(0).optional(),
        /** Considered only on such machines. */
        onlyWhere: z.strictObject({ touchKind: z.enum(TOUCH_KINDS) }).optional(),
        note: z.string().max(300).optional(),
      }),
    )
    .min(1)
    .max(40),
  /** Tests that are done before a panel is ordered, however sure it is, unless they cost more than this share of a wrong order. */
  beforeOrder: z.strictObject({ tests: z.array(id).max(10), mostShare: p, note: z.string().max(300).default("") }).optional(),
  /** Where a meter is put, what it should read, and which finding the reading answers. */
  meter: z
    .array(
      z.strictObject({
        point: id,
        name: words(60),
        mode: z.enum(["continuity", "diode", "dcVolts"]),
        unit: z.enum(["ohm", "V"]),
        /** What a meter can show at all. */
        range: z.tuple([z.number(), z.number()]),
        /** What a good board shows. */
        band: z.tuple([z.number(), z.number()]),
        finding: id,
        caution: words(240),
        note: z.string().max(300).optional(),
      }),
    )
    .max(20)
    .default([]),
});

type Draft = z.infer<typeof Shape>;

function check(t: Draft, say: (path: PropertyKey[], message: string) => void): void {
  const faults = new Set(t.faults.map((f) => f.id));
  const findings = new Map(t.findings.map((f) => [f.id, f]));
  const known = (path: PropertyKey[], name: string, more: readonly string[] = []) => {
    if (!faults.has(name) && !more.includes(name)) say(path, `there is no fault "${name}"`);
  };
  const twice = <T extends { id: string }>(list: readonly T[], where: string) => {
    const seen = new Set<string>();
    list.forEach((x, i) => {
      if (seen.has(x.id)) say([where, i, "id"], `the id "${x.id}" is used twice`);
      seen.add(x.id);
    });
  };
  twice(t.faults, "faults");
  twice(t.findings, "findings");
  twice(t.groups, "groups");
  twice(t.decisions, "decisions");
  for (const reserved of [NONE, NO_FAULT])
    if (faults.has(reserved)) say(["faults"], `"${reserved}" is always considered and may not be listed`);
  t.priorFactors.forEach((f, i) => {
    for (const k of Object.keys(f.factors)) known(["priorFactors", i, "factors", k], k, [NONE, NO_FAULT]);
  });
  const grouped = new Map<string, number>();
  t.groups.forEach((g, i) => {
    g.members.forEach((m, j) => {
      if (!findings.has(m)) say(["groups", i, "members", j], `there is no finding "${m}"`);
      if (grouped.has(m)) say(["groups", i, "members", j], `"${m}" is already in group ${t.groups[grouped.get(m)!]?.id}`);
      grouped.set(m, i);
    });
    const table = (path: PropertyKey[], j: Record<string, number>) => {
      const sum = Object.values(j).reduce((a, b) => a + b, 0);
      if (Object.keys(j).some((k) => k.length !== g.members.length))
        say(path, `each combination needs ${g.members.length} digits, one for each finding`);
      if (Math.abs(sum - 1) > 1e-6) say(path, `the chances add up to ${Math.round(sum * 1e4) / 1e4}, expected 1`);
    };
    for (const [f, j] of Object.entries(g.joint)) {
      known(["groups", i, "joint", f], f);
      table(["groups", i, "joint", f], j);
    }
    table(["groups", i, "leak"], g.leak);
    table(["groups", i, "none"], g.none);
  });
  t.findings.forEach((f, i) => {
    if (grouped.has(f.id)) {
      if (f.strength || f.leak !== undefined)
        say(["findings", i], `"${f.id}" is in a group: its chances stand in the group's table`);
      return;
    }
    if (!f.strength || f.leak === undefined) say(["findings", i], `"${f.id}" needs strength and leak, or a group`);
    for (const k of Object.keys(f.strength ?? {})) known(["findings", i, "strength", k], k);
  });
  t.decisions.forEach((d, i) => {
    d.fixes.forEach((f, j) => known(["decisions", i, "fixes", j], f));
  });
  t.beforeOrder?.tests.forEach((x, i) => {
    if (!findings.has(x)) say(["beforeOrder", "tests", i], `there is no finding "${x}"`);
  });
  // Since version 3 every row says where its figures come from.
  if (t.version >= 3)
    for (const where of ["faults", "priorFactors", "findings", "groups", "decisions", "meter"] as const)
      t[where].forEach((row, i) => {
        if (!row.note?.trim()) say([where, i, "note"], "a source or a reason for this row is missing");
      });
  t.meter.forEach((m, i) => {
    if (!findings.has(m.finding)) say(["meter", i, "finding"], `there is no finding "${m.finding}"`);
    if (m.band[0] > m.band[1] || m.band[0] < m.range[0] || m.band[1] > m.range[1])
      say(["meter", i, "band"], `${m.band[0]} to ${m.band[1]} does not lie within ${m.range[0]} to ${m.range[1]}`);
    if ((m.mode === "dcVolts") !== (findings.get(m.finding)?.power === "live"))
      say(["meter", i, "mode"], "volts are read live, continuity and diode isolated: mode and power of the finding disagree");
  });
}

/** What faults there are, what signs and tests say about them, and what a wrong decision costs. Data, not code. */
export const TriageTable = Shape.superRefine((t, ctx) => {
  check(t, (path, message) => ctx.addIssue({ code: "custom", path, message }));
});
export type TriageTable = Draft;
