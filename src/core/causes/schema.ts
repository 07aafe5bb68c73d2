import { z } from "zod";
import { words } from "../quantity/shapes";

/** Ids of this table are words of their own, as the design names them. */
const id = z.string().regex(/^[A-Za-z][A-Za-z0-9]{0,39}$/);
const chance = z.number().min(0).max(1);
const minutes = z.number().min(0).max(600);
const access = z.enum(["closed", "opened"]);

/** What may be wrong after a repair, what feeds each cause, and what each would show: all of it a shop may set. */
export const CauseTable = z.strictObject({
  format: z.literal("helvane.causes"),
  version: z.literal(1),
  source: words(160),
  /** Weight of "none of these", and how likely two causes stand together. */
  noneWeight: z.number().positive().max(10),
  pairRate: z.number().min(0).max(1),
  /** What giving up costs, and opening the machine, min. */
  giveUpMinutes: minutes,
  openMinutes: minutes,
  /** Factor on a feed after a loose test seen good. */
  passed: z.record(z.string(), chance),
  findings: z
    .array(
      z.strictObject({
        id,
        name: words(80),
        leak: chance,
        none: chance,
        /** 0 = a symptom, never asked as a look. */
        minutes,
        access,
        /** Says that something works: of two causes the lesser counts. */
        works: z.boolean().optional(),
      }),
    )
    .min(1)
    .max(60),
  causes: z
    .array(
      z.strictObject({
        id,
        name: words(80),
        background: z.number().min(0).max(20),
        minutes,
        access,
        feeds: z.record(z.string(), z.number().min(0).max(50)),
        /** Leads to reseat for it, by what they serve; missing = no lead. */
        lead: z.enum(["picture", "battery", "keyboard", "camera", "wireless", "touch", "lidSensor"]).optional(),
        /** Where hands have to get to where there is no lead: the board, what lies over the panel, or behind the panel itself. */
        at: z.enum(["board", "covers", "panel"]).optional(),
        /** What is looked at and done, in words. */
        how: words(200).optional(),
        strength: z.record(z.string(), chance),
      }),
    )
    .min(1)
    .max(60),
});
export type CauseTable = z.infer<typeof CauseTable>;

/** What the leads of a build serve that a cause's `lead` means. */
export const SERVES_OF_LEAD: Readonly<Record<NonNullable<CauseTable["causes"][number]["lead"]>, readonly string[]>> = {
  picture: ["picture", "power"],
  battery: ["battery"],
  keyboard: ["keyboard", "other"],
  camera: ["camera"],
  wireless: ["wireless"],
  touch: ["touch"],
  lidSensor: ["lidSensor"],
};

/**
 * What is wrong with a table of the right shape: ids used twice, strengths for findings it does not have.
 * @example checkCauses(causeTable) // []
 */
export function checkCauses(t: CauseTable): { where: string; message: string }[] {
  const problems: { where: string; message: string }[] = [];
  const findings = new Set(t.findings.map((f) => f.id));
  for (const [list, name] of [
    [t.findings, "findings"],
    [t.causes, "causes"],
  ] as const) {
    const seen = new Set<string>();
    for (const [i, x] of list.entries()) {
      if (seen.has(x.id) || x.id === "noneOfThese") problems.push({ where: `${name}[${i}].id`, message: `"${x.id}" is taken` });
      seen.add(x.id);
    }
  }
  for (const [i, c] of t.causes.entries())
    for (const f of Object.keys(c.strength))
      if (!findings.has(f)) problems.push({ where: `causes[${i}].strength.${f}`, message: `there is no finding "${f}"` });
  return problems;
}
