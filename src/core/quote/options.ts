import { logSpread, type P50P80, Z80 } from "../chance";
import { durationWords, formatMoney } from "../quantity";
import { type Cost, expectedMinor, quantileMinor, type Risk } from "./distribution";
import { type OtherJobId, otherJobs } from "./otherJobs";
import type { Mishap, QuotePolicy } from "./policy";

export type QuoteOptionId = "cover" | "makerService" | "lidAssembly" | "panelNew" | "panelUsed" | OtherJobId | "none";
type Family = keyof QuotePolicy["familyMinutes"];

export interface Part {
  name: string;
  priceMinor: number;
  days: number;
  /** What its changes need: parts in minor units, minutes at the bench. */
  changeMinor?: number;
  changeMinutes?: number;
  /** What the customer is asked before it is ordered. */
  questions?: readonly string[];
  /** The panel was not read yet: what each variant seen costs, and how often it is the one; `priceMinor` is their mean. */
  variants?: readonly { priceMinor: number; share: number; code?: string }[];
}

export interface ShopLog {
  /** Hands-on minutes taken / planned (P50), one per closed job of this family. */
  ratios: readonly number[];
  /** Closed jobs of this family, and how often each mishap was noted in them. */
  jobs: number;
  mishaps: Readonly<Record<string, number>>;
}
export const NO_LOG: ShopLog = { ratios: [], jobs: 0, mishaps: {} };

export interface QuoteInput {
  policy: QuotePolicy;
  family: Family | null;
  machineModel: string;
  /** Hands-on minutes of the plan; null takes the family's default. */
  plan: P50P80 | null;
  panelNew: Part | null;
  panelUsed: Part | null;
  cover: "yes" | "no" | "unknown";
  /** A warranty costs nothing, accident cover its excess. */
  coverKind?: "warranty" | "accident" | undefined;
  /** What Triage points at, with its chance. */
  points?: { fault: string; p: number } | undefined;
  /** What another machine costs; null takes the policy's. */
  replacementMinor: number | null;
  log: ShopLog;
}

export interface QuoteOption {
  id: QuoteOptionId;
  name: string;
  /** Why it cannot be offered now, or null. */
  whyNot: string | null;
  partsMinor: number;
  labour: P50P80;
  /** Tax included, whole minor units. */
  likelyMinor: number;
  expectedMinor: number;
  p80Minor: number;
  days: number;
  /** Expected price against another machine. */
  ratio: number;
  mishaps: { name: string; chance: number; costMinor: number; from: string }[];
  keeps: string;
  notes: string[];
  /** Costs more than the shop's share of another machine. */
  overWorth: boolean;
  /** Where the part is not known yet: the least and the most that is likely, by the variant. */
  lowMinor: number;
  highMinor: number;
}

/** Jobs it takes before the shop's own log weighs as much as the default (adj). */
const LABOUR_PRIOR = 4;
const MISHAP_PRIOR = 20;
/** Above this share of another machine it is said, percent (adj). */
const WORTH_PERCENT = 60;
/** Timed jobs under this are said to be default (adj). */
const FEW = 3;

/**
 * Labour from the plan, pooled with the shop's own jobs by how many there are: the mean log ratio is shrunk towards 0, the
 * spread towards the plan's.
 * @param plan minutes P50 and P80 @param ratios taken / planned of closed jobs, each over 0
 * @example pooledLabour({ p50: 50, p80: 62 }, []) // { p50: 50, p80: 62 }
 */
export function pooledLabour(plan: P50P80, ratios: readonly number[]): P50P80 {
  const logs = ratios.filter((r) => r > 0.05 && r < 20).map(Math.log);
  if (logs.length === 0 || plan.p50 <= 0) return plan;
  const n = logs.length;
  const shift = logs.reduce((a, b) => a + b, 0) / (n + LABOUR_PRIOR);
  const sigma0 = logSpread(plan);
  const spread = logs.reduce((a, l) => a + (l - shift) ** 2, 0);
  const sigma = Math.sqrt((LABOUR_PRIOR * sigma0 * sigma0 + spread) / (n + LABOUR_PRIOR));
  const p50 = plan.p50 * Math.exp(shift);
  return { p50, p80: p50 * Math.exp(Z80 * sigma) };
}

function riskOf(m: Mishap, family: Family | null, log: ShopLog): Risk & { id: string; name: string; from: string } {
  const base = (family ? m.chance[family] : undefined) ?? m.otherwise;
  const seen = log.mishaps[m.id] ?? 0;
  return {
    id: m.id,
    name: m.name,
    chance: (base * MISHAP_PRIOR + seen) / (MISHAP_PRIOR + log.jobs),
    costMinor: m.costMinor,
    from: log.jobs < FEW ? "default (A)" : `default and ${log.jobs} jobs here`,
  };
}

/**
 * The choices a customer has, each with price, spread and days. Exact, so the same input gives the same answer.
 * Prices include tax. *Expected* counts what may go wrong; *P80* is not passed in four jobs of five; *likely* is the median.
 * @example quoteOptions(quoteInput).map((o) => o.id) // ["cover", "makerService", "lidAssembly", "panelNew", "panelUsed", "none"]
 */
export function quoteOptions(i: QuoteInput): QuoteOption[] {
  const p = i.policy;
  const replacement = i.replacementMinor ?? p.replacementMinor;
  const none: P50P80 = { p50: 0, p80: 0 };
  const byFamily = i.family ? p.familyMinutes[i.family] : undefined;
  const base: P50P80 = i.plan ?? (byFamily ? { p50: byFamily[0], p80: byFamily[1] } : { p50: 60, p80: 90 });
  const labour = pooledLabour(base, i.log.ratios);
  const timed = i.log.ratios.length;
  const labourNote = `${i.plan ? "Labour from the plan" : byFamily ? `Labour of family ${i.family}, no plan yet` : "Labour guessed, family not known"}, ${timed < FEW ? `default spread (A), ${timed} timed jobs` : `with ${timed} timed jobs`}: ${durationWords(labour.p50)} to ${durationWords(labour.p80)}`;
  const risks = p.mishaps.map((m) => riskOf(m, i.family, i.log));
  const assembly = p.assemblies.find((a) => a.machineModel === i.machineModel);
  // A broken panel costs that panel again; hurt films mean the whole lid, where its price is on record.
  const risksOf = (part: Part | null) =>
    risks.map((r) =>
      r.id === "glass" && part
        ? { ...r, costMinor: part.priceMinor }
        : r.id === "films" && assembly
          ? { ...r, costMinor: assembly.priceMinor }
          : r,
    );
  const withChanges = (part: Part | null): P50P80 => {
    const more = part?.changeMinutes ?? 0;
    return more ? { p50: labour.p50 + more, p80: labour.p80 + more } : labour;
  };
  const make = (
    id: QuoteOptionId,
    name: string,
    rest: {
      whyNot?: string | null;
      parts?: number;
      labour?: P50P80;
      risks?: readonly (Risk & { name: string; from: string })[];
      days: number;
      keeps: string;
      notes?: string[];
      fixed?: number;
      /** False: no supply, so no tax on it. */
      taxed?: boolean;
      part?: Part | null;
    },
  ): QuoteOption => {
    const tax = rest.taxed === false ? 1 : 1 + p.taxPercent / 100;
    const changes = rest.part?.changeMinor ?? 0;
    const work = rest.labour ?? none;
    const cost: Cost = {
      fixedMinor: (rest.parts ?? 0) + (rest.fixed ?? 0) + changes,
      labour: work,
      rateMinorPerHour: p.benchRateMinorPerHour,
      risks: rest.risks ?? [],
    };
    const round = (x: number) => Math.round(x * tax);
    const expected = round(expectedMinor(cost));
    const ratio = replacement > 0 ? expected / replacement : 0;
    const variants = [...(rest.part?.variants ?? [])].sort((a, b) => a.priceMinor - b.priceMinor);
    /** The variant not passed in so many of a hundred jobs. */
    const variantAt = (q: number): number => {
      let sum = 0;
      for (const v of variants) {
        sum += v.share;
        if (sum >= q - 1e-9) return v.priceMinor;
      }
      return variants.at(-1)?.priceMinor ?? rest.parts ?? 0;
    };
    const shifted = (q: number, price: number) =>
      round(quantileMinor({ ...cost, fixedMinor: cost.fixedMinor - (rest.parts ?? 0) + price }, q));
    const middle = variants.length ? shifted(0.5, variantAt(0.5)) : round(quantileMinor(cost, 0.5));
    const bad = variants.length ? shifted(0.8, variantAt(0.8)) : round(quantileMinor(cost, 0.8));
    const worth = p.worthPercent ?? WORTH_PERCENT;
    const overWorth = ratio * 100 > worth + 1e-9;
    return {
      id,
      name,
      whyNot: rest.whyNot ?? null,
      partsMinor: rest.parts ?? 0,
      labour: work,
      likelyMinor: middle,
      expectedMinor: expected,
      p80Minor: Math.max(bad, 0),
      days: rest.days,
      ratio,
      overWorth,
      lowMinor: variants.length ? shifted(0.5, variants[0]!.priceMinor) : middle,
      highMinor: variants.length ? shifted(0.8, variants.at(-1)!.priceMinor) : Math.max(bad, 0),
      mishaps: (rest.risks ?? [])
        .filter((r) => r.chance > 0)
        .map(({ name: n, chance, costMinor, from }) => ({ name: n, chance, costMinor, from })),
      keeps: rest.keeps,
      notes: [
        ...(rest.notes ?? []),
        ...(rest.part?.questions ?? []).map((q) => `To be asked before it is ordered: ${q}`),
        ...(changes || rest.part?.changeMinutes
          ? [
              `With what it needs to fit: ${formatMoney(changes, p.currency)} of parts, ${durationWords(rest.part?.changeMinutes ?? 0)}`,
            ]
          : []),
        ...(overWorth ? [`${Math.round(ratio * 100)} % of what another machine costs: above ${worth} %`] : []),
      ],
    };
  };
  const lidWork: P50P80 = assembly ? { p50: assembly.minutes, p80: assembly.minutes * 1.3 } : none;
  const again = i.panelUsed
    ? [
        {
          name: "Used panel fails or disappoints",
          chance: p.usedFails,
          costMinor: i.panelUsed.priceMinor + Math.round((labour.p50 / 60) * p.benchRateMinorPerHour),
          from: "default (A)",
        },
      ]
    : [];
  return [
    make("cover", "Warranty or accident cover", {
      whyNot:
        i.cover === "no" ? "No cover on this machine." : i.cover === "unknown" ? "Ask whether there is cover: not known." : null,
      fixed: i.coverKind === "warranty" ? 0 : p.cover.excessMinor,
      taxed: false,
      days: p.cover.days,
      keeps: p.cover.keeps,
      notes: [
        "Nothing is opened here: opening may end the cover.",
        ...(i.coverKind === "warranty"
          ? ["A warranty costs nothing."]
          : i.coverKind === "accident"
            ? ["Accident cover costs its excess, without tax."]
            : ["Its excess, if it is accident cover; nothing under a warranty."]),
      ],
    }),
    make("makerService", "Maker's service", {
      fixed: p.makerService.priceMinor,
      days: p.makerService.days,
      keeps: p.makerService.keeps,
    }),
    make("lidAssembly", "Whole lid assembly", {
      whyNot: assembly ? null : `No price for a lid of ${i.machineModel || "this machine"} on record.`,
      parts: assembly?.priceMinor ?? 0,
      labour: lidWork,
      risks: risks.filter((r) => r.id === "cable" || r.id === "screwThread" || r.id === "other"),
      days: assembly?.days ?? 0,
      keeps: "Seals, frame and camera come new; the old lid's marks are gone.",
      notes: assembly ? [`Labour ${durationWords(lidWork.p50)} to ${durationWords(lidWork.p80)} (A)`] : [],
    }),
    make("panelNew", "Panel, new", {
      whyNot: i.panelNew ? null : "No new panel that fits is on offer.",
      parts: i.panelNew?.priceMinor ?? 0,
      part: i.panelNew,
      labour: withChanges(i.panelNew),
      risks: risksOf(i.panelNew),
      days: i.panelNew?.days ?? 0,
      keeps: "Lid, calibration and data stay; the maker's warranty may end.",
      notes: [labourNote, ...(i.panelNew ? [i.panelNew.name] : [])],
    }),
    make("panelUsed", "Panel, used or salvaged", {
      whyNot: i.panelUsed ? null : "No used panel that fits is on offer.",
      parts: i.panelUsed?.priceMinor ?? 0,
      part: i.panelUsed,
      labour: withChanges(i.panelUsed),
      risks: [...risksOf(i.panelUsed), ...again],
      days: i.panelUsed?.days ?? 0,
      keeps: "As new panel, with the used one's hours and marks.",
      notes: [labourNote, ...(i.panelUsed ? [i.panelUsed.name] : [])],
    }),
    ...(i.points ? otherJobs(i.points.fault) : []).map((j) =>
      make(j.id, j.name, { parts: j.partsMinor, labour: j.labour, days: j.days, keeps: j.keeps }),
    ),
    make("none", "Do not repair", {
      taxed: false,
      days: 0,
      keeps: "The machine as it is; another costs its price.",
      notes: ["Data can still be saved over an external screen."],
    }),
  ];
}

/**
 * Whether a price given to the customer no longer holds: a later computation moved it beyond the margin promised.
 * @param given expected price then @param now expected price now, both minor units @param marginPercent as promised
 * @returns the move in percent when it is beyond, else null
 * @example priceMoved(10_000, 12_500, 15) // 25
 */
export function priceMoved(given: number, now: number, marginPercent: number): number | null {
  if (given <= 0) return now > 0 ? 100 : null;
  const percent = ((now - given) / given) * 100;
  return Math.abs(percent) > marginPercent + 1e-9 ? percent : null;
}
