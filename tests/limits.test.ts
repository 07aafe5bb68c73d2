import { builds, panels, policy, triageTable } from "@tests/bench";
import { describe, expect, it } from "vitest";
import type { z } from "zod";
import { Build } from "@/core/build/schema";
import { FeedRow } from "@/core/catalogue/sellerFeed";
import { PAYLOADS } from "@/core/job/payloads";
import { Panel } from "@/core/panel/schema";
import { Policy } from "@/core/proof/policySchema";
import { QuotePolicy } from "@/core/quote/policy";
import { PlanWeightsShape } from "@/core/teardown/weightsSchema";
import { TriageTable } from "@/core/triage/schema";

/**
 * What the open formats allow, field by field: the contract with everybody who writes such a file. A limit that moves makes files
 * that were good yesterday bad today, or lets in what no bench has: it is moved here too, with a version of the format.
 * "above" means more than the least; "letters" and "items" count; null is no limit.
 */
type Row = [kind: "letters" | "number" | "above" | "whole" | "items", least: number | null, most: number | null, fields: string];
const LIMITS: Record<string, Row[]> = {
  "job.opened": [
    ["letters", 1, 80, "customer"],
    ["letters", null, 600, "words"],
    ["letters", 1, 60, "machineModel"],
    ["letters", null, 60, "serial"],
    ["letters", null, 120, "happened"],
  ],
  "job.noted": [["letters", 1, 2_000, "text"]],
  "job.mishapNoted": [["letters", null, 200, "note"]],
  "job.safetyRaised": [["letters", null, 400, "note"]],
  "job.madeSafe": [
    ["letters", 1, 80, "by"],
    ["letters", 1, 400, "how"],
  ],
  "job.handedOn": [
    ["letters", 1, 80, "to"],
    ["letters", 1, 400, "why"],
  ],
  "job.breachResolved": [["letters", 1, 400, "how"]],
  "job.closed": [["letters", null, 400, "reason"]],
  "triage.damageMarked": [
    ["number", -50, 600, "xMm yMm"],
    ["above", 0, 400, "sizeMm"],
  ],
  "triage.meterRead": [["number", -2_000, 10_000_000, "value"]],
  "triage.conditionNoted": [
    ["number", -50, 600, "xMm yMm"],
    ["letters", null, 200, "note"],
  ],
  "triage.intakeAgreed": [
    ["letters", null, 600, "words"],
    ["letters", 1, 80, "agreedBy"],
  ],
  "triage.moneyStopRaised": [["letters", null, 400, "note"]],
  "triage.moneyStopWaived": [["letters", 1, 400, "reason"]],
  "triage.concluded": [["number", 0, 1, "probability"]],
  "quote.chosen": [
    ["whole", 0, null, "expectedMinor p80Minor"],
    ["letters", 3, 3, "currency"],
    ["number", 0, 100, "taxPercent"],
    ["number", 0, 365, "days"],
    ["items", null, 20, "assumptions"],
    ["letters", 1, 200, "assumptions.0"],
    ["number", 0, 6_000, "labourMinutes"],
    ["number", 0, 200, "marginPercent"],
    ["letters", null, 80, "agreedBy"],
  ],
  "identify.panelRead": [
    ["letters", 1, 4_000, "text"],
    ["letters", 1, 40, "code"],
  ],
  "match.chosen": [["letters", 1, 40, "code"]],
  "match.asked": [["letters", 1, 80, "by"]],
  "match.ordered": [
    ["letters", 1, 60, "seller"],
    ["whole", 0, null, "priceMinor days.orders lines.0.priceMinor"],
    ["letters", 3, 3, "currency"],
    ["whole", 0, 365, "dueDays"],
    ["items", null, 40, "acceptedUnknowns"],
    ["number", 0, null, "days.p50 days.p80"],
    ["items", null, 20, "lines"],
    ["letters", 1, 80, "lines.0.what"],
    ["whole", 1, 99, "lines.0.count"],
    ["whole", 0, 3_650, "guarantee.days"],
    ["letters", null, 200, "guarantee.excludes"],
  ],
  "match.arrived": [["letters", 1, 60, "codeRead"]],
  "match.arrivalChecked": [["letters", null, 200, "note"]],
  "match.returned": [
    ["letters", null, 400, "note"],
    ["items", null, 20, "kept"],
  ],
  "match.looked": [["letters", null, 200, "note"]],
  "plan.rebuilt": [["letters", 1, 200, "why"]],
  "bench.drained": [["number", 1, 120, "seconds"]],
  "open.screwsOutTogether": [["items", 1, 80, "screws"]],
  "open.found": [
    ["number", -50, 600, "xMm yMm"],
    ["letters", 1, 60, "words"],
  ],
  "open.stuck": [
    ["letters", 1, 80, "target"],
    ["letters", 1, 300, "why"],
  ],
  "swap.panelLifted": [["letters", 1, 200, "why"]],
  "swap.looseTested": [["letters", null, 200, "note"]],
  "prove.checkDone": [["letters", null, 200, "note"]],
  "prove.faultTapped": [["number", -50, 600, "xMm yMm"]],
  "prove.faultsAccepted": [
    ["letters", 1, 80, "by"],
    ["letters", 1, 400, "reason"],
  ],
  "close.screwsBackTogether": [["items", 1, 80, "screws"]],
  "close.screwAccounted": [["letters", 1, 200, "reason"]],
  "close.screwExtra": [
    ["letters", 1, 120, "words"],
    ["letters", 1, 200, "settled"],
  ],
  "close.angleChecked": [["number", 0, 360, "degrees"]],
  "close.handedOver": [["letters", 1, 80, "to"]],
  Build: [
    [
      "letters",
      1,
      60,
      "machineModel lid.pry.0.tool parts.0.name parts.0.out.verb parts.0.out.tool parts.0.fold.verb parts.0.either.0.options.0.instead.verb screwGroups.0.name screwGroups.0.screws.0.where screwGroups.0.screws.0.behind connectors.0.name tapes.0.name tapes.0.heat.ceilings.0.of wayIn.0.first wayIn.0.next",
    ],
    ["items", null, 40, "machineCodes screwTypes parts.0.blockedBy"],
    ["letters", 1, 40, "machineCodes.0"],
    ["letters", 1, 200, "source wayIn.0.why"],
    ["number", 150, 500, "lid.widthMm base.widthMm"],
    ["number", 100, 400, "lid.heightMm base.depthMm"],
    ["number", 0, 40, "lid.cornerMm base.cornerMm"],
    ["number", 1, 30, "lid.depthMm"],
    ["items", 1, 4, "lid.hinges"],
    [
      "number",
      -50,
      600,
      "lid.hinges.0.xMm lid.opening.xMm lid.opening.yMm lid.pocket.xMm lid.pocket.yMm lid.panelAt.xMm lid.panelAt.yMm lid.camera.xMm lid.camera.yMm parts.0.shape.xMm parts.0.shape.yMm screwGroups.0.screws.0.xMm screwGroups.0.screws.0.yMm connectors.0.xMm connectors.0.yMm tapes.0.shape.xMm tapes.0.shape.yMm photos.0.xMm photos.0.yMm",
    ],
    [
      "above",
      0,
      600,
      "lid.hinges.0.widthMm lid.opening.widthMm lid.opening.heightMm lid.pocket.widthMm lid.pocket.heightMm parts.0.shape.widthMm parts.0.shape.heightMm tapes.0.shape.widthMm tapes.0.shape.heightMm",
    ],
    ["above", 0, 20, "lid.pocketDepthMm"],
    ["items", null, 8, "lid.pry"],
    [
      "letters",
      1,
      80,
      "lid.pry.0.start lid.pry.0.behind parts.0.out.risk.breaks parts.0.fragile.breaks tapes.0.keepOuts.0.why photos.0.words",
    ],
    ["number", 0.1, 60, "lid.pry.0.depthMm"],
    ["letters", 1, 8, "screwTypes.0.thread"],
    ["number", 0.8, 40, "screwTypes.0.lengthMm screwGroups.0.screws.0.bossMm"],
    ["number", 1, 12, "screwTypes.0.headDiameterMm"],
    ["number", 0.2, 6, "screwTypes.0.headHeightMm"],
    ["letters", 1, 12, "screwTypes.0.size"],
    ["items", 1, 120, "parts"],
    [
      "letters",
      1,
      240,
      "parts.0.out.how parts.0.out.caution parts.0.either.0.options.0.instead.how screwGroups.0.caution tapes.0.heat.note isolation.how isolation.proof",
    ],
    ["above", 0, 240, "parts.0.out.minutes dust.minutes"],
    [
      "letters",
      1,
      120,
      "parts.0.out.hold screwGroups.0.screws.0.note connectors.0.mark tapes.0.heat.ceilings.0.source link.source",
    ],
    ["number", 0, 1, "parts.0.out.risk.chance"],
    ["whole", 0, 1_000_000, "parts.0.out.risk.costMinor"],
    ["items", null, 6, "parts.0.either"],
    ["letters", 1, 160, "parts.0.either.0.why"],
    ["items", 2, 4, "parts.0.either.0.options"],
    ["items", null, 20, "parts.0.either.0.options.0.free screwGroups.0.under connectors.0.under tapes.0.under"],
    ["number", 0, 5, "parts.0.fragile.perMinute"],
    ["items", null, 60, "screwGroups connectors wayIn photos"],
    ["above", 0, 10, "screwGroups.0.minutesEach"],
    ["items", 1, 80, "screwGroups.0.screws"],
    ["items", 2, 2, "connectors.0.joins tapes.0.heat.releaseC isolation.drainS"],
    ["number", 0, 300, "connectors.0.slackMm"],
    ["above", 0, 30, "connectors.0.minutes"],
    ["items", null, 30, "tapes"],
    ["above", 0, 3, "tapes.0.thicknessMm"],
    ["number", 0, 60, "tapes.0.tailMm"],
    ["items", 1, 8, "tapes.0.heat.ceilings"],
    ["number", 25, 150, "tapes.0.heat.ceilings.0.maxC"],
    ["items", null, 12, "tapes.0.keepOuts"],
    ["number", 0, null, "tapes.0.keepOuts.0.fromMm tapes.0.keepOuts.0.toMm"],
    ["whole", 1, 8, "link.lanes link.cableLanes"],
    ["items", 1, 10, "link.ratesGbps"],
    ["number", 1, 20, "link.ratesGbps.0 link.cableMaxRateGbps"],
    ["whole", 1, 20_000, "photos.0.widthPx photos.0.heightPx"],
  ],
  Panel: [
    ["letters", 2, 40, "code otherNames.0.text"],
    ["items", null, 20, "otherNames"],
    [
      "number",
      0,
      1,
      "technology.confidence diagonalIn.confidence outline.confidence thicknessMm.confidence active.confidence pixels.confidence refreshHz.confidence family.confidence contacts.confidence pitchMm.confidence contactSide.confidence logicSupplyV.confidence backlight.confidence backlightSupplyV.confidence connectorAt.confidence activeAt.confidence pixelClockKHz.confidence lowerModes.confidence laneRatesGbps.confidence compression.confidence lanes.confidence colourBits.confidence touch.confidence finish.confidence tabs.confidence inTheBox.confidence claims.0.confidence",
    ],
    ["number", 7, 20, "diagonalIn.value"],
    ["above", 0, 600, "outline.value.widthMm active.value.widthMm"],
    ["above", 0, 400, "outline.value.heightMm active.value.heightMm"],
    ["above", 0, 20, "thicknessMm.value"],
    ["whole", 320, 16_384, "pixels.value.h"],
    ["whole", 240, 16_384, "pixels.value.v"],
    ["number", 20, 480, "refreshHz.value"],
    ["whole", 10, 80, "contacts.value"],
    ["number", 0.2, 2, "pitchMm.value"],
    ["number", 1, 15, "logicSupplyV.value"],
    ["number", 1, 60, "backlightSupplyV.value"],
    ["number", -20, 600, "connectorAt.value.xMm"],
    ["number", -20, 400, "connectorAt.value.yMm"],
    ["number", 0, 600, "activeAt.value.xMm tabs.value.0.atMm"],
    ["number", 0, 400, "activeAt.value.yMm"],
    ["number", 1_000, 5_000_000, "pixelClockKHz.value"],
    ["items", null, 12, "lowerModes.value tabs.value inTheBox.value"],
    ["number", 1_000, null, "lowerModes.value.0.pixelClockKHz"],
    ["number", 10, 480, "lowerModes.value.0.refreshHz"],
    ["items", 1, 10, "laneRatesGbps.value"],
    ["number", 1, 20, "laneRatesGbps.value.0"],
    ["whole", 1, 8, "lanes.value"],
    ["whole", 6, 12, "colourBits.value"],
    ["above", 0, 120, "tabs.value.0.widthMm"],
    ["above", 0, 30, "tabs.value.0.outMm"],
    ["letters", 1, 40, "inTheBox.value.0"],
    ["items", null, 60, "claims"],
    ["letters", 1, 120, "claims.0.from"],
  ],
  Policy: [
    ["letters", 1, 60, "name"],
    ["letters", 1, 300, "source"],
    ["number", 0, null, "perMillion.bright perMillion.dark perMillion.subPixel perMillion.cluster"],
  ],
  TriageTable: [
    ["letters", 1, 400, "source"],
    ["letters", 3, 3, "currency"],
    ["whole", 0, null, "benchRateMinorPerHour missMinor findings.0.costMinor findings.0.riskMinor decisions.0.wasteMinor"],
    ["number", 0, 600, "openMinutes"],
    ["number", 0, 1, "pairRate findings.0.strength.x findings.0.leak findings.0.none"],
    ["letters", 1, 60, "noFault.name noneOfThese.name faults.0.name decisions.0.name meter.0.name"],
    ["number", 0, null, "noFault.prior faults.0.prior"],
    ["letters", 1, 160, "noFault.advice noneOfThese.advice faults.0.advice"],
    ["above", 0, null, "noneOfThese.prior"],
    ["items", 1, 60, "faults"],
    ["letters", null, 300, "faults.0.note priorFactors.0.note findings.0.note"],
    ["items", null, 60, "priorFactors decisions.0.fixes"],
    ["number", 0, 100, "priorFactors.0.factors.x"],
    ["items", 1, 300, "findings"],
    ["letters", 1, 80, "findings.0.name groups.0.name"],
    ["letters", null, 240, "findings.0.how findings.0.caution"],
    ["number", 0, 240, "findings.0.minutes"],
    ["items", null, 20, "groups meter"],
    ["items", 2, 4, "groups.0.members"],
    ["items", 1, 40, "decisions"],
    ["items", 2, 2, "meter.0.range meter.0.band"],
    ["letters", 1, 240, "meter.0.caution"],
  ],
  PlanWeightsShape: [
    ["number", 0, 20, "toolChange turn"],
    ["number", 1, 100_000, "minorPerMinute"],
    ["number", 0, 240, "heat glue"],
    ["number", 0, 5, "heatEarly glueEarly"],
  ],
  FeedRow: [
    ["letters", 2, 40, "code"],
    ["whole", 0, 365, "days"],
    ["whole", 0, 100_000, "stock"],
  ],
  quote: [
    ["letters", 1, 300, "source"],
    ["letters", 3, 3, "currency"],
    ["number", 0, 100, "taxPercent"],
    [
      "whole",
      0,
      100_000_000,
      "benchRateMinorPerHour replacementMinor cover.excessMinor makerService.priceMinor assemblies.0.priceMinor mishaps.0.costMinor",
    ],
    ["whole", 1, 365, "validDays"],
    ["number", 0, 200, "marginPercent"],
    ["number", 0, 365, "cover.days makerService.days assemblies.0.days"],
    ["letters", 1, 160, "cover.keeps makerService.keeps"],
    ["items", null, 400, "assemblies"],
    ["letters", 1, 60, "assemblies.0.machineModel mishaps.0.name"],
    ["above", 0, 600, "assemblies.0.minutes"],
    ["items", 2, 2, "familyMinutes.A"],
    ["items", null, 8, "mishaps"],
    ["number", 0, 1, "mishaps.0.chance.A mishaps.0.otherwise usedFails"],
    ["letters", null, 200, "mishaps.0.note"],
  ],
};

const SCHEMAS: Record<string, z.ZodType> = {
  Build,
  Panel,
  Policy,
  TriageTable,
  PlanWeightsShape,
  FeedRow,
  quote: QuotePolicy,
  ...PAYLOADS,
};

/** An object that holds a value at a path and nothing else: what else is missing is told of other fields. */
function holding(path: string[], value: unknown): unknown {
  const [first, ...rest] = path;
  if (first === undefined) return value;
  return /^\d+$/.test(first) ? [holding(rest, value)] : { [first]: holding(rest, value) };
}
/** True when the format finds something wrong with this very field. */
function refused(schema: z.ZodType, path: string[], value: unknown): boolean {
  const got = schema.safeParse(holding(path, value));
  const told = got.success ? [] : got.error.issues;
  const inside = (at: PropertyKey[], here: unknown): boolean =>
    path.every((p, i) => String(at[i]) === p) && (at.length === path.length || (Array.isArray(here) && at.length > path.length));
  return told.some(
    (i) =>
      inside(i.path, value) ||
      (i.code === "invalid_union" && i.errors.every((e) => e.some((x) => inside([...i.path, ...x.path], value)))),
  );
}
/** Items good enough to be counted, for lists whose items have a shape. */
const SLUG = (i: number) => `x-${i}`;
const build = builds["ostrel-kestrel-14"]!;
const first = (list: readonly unknown[]) => () => list[0];
const ITEMS: [RegExp, (i: number) => unknown][] = [
  [/^parts$/, first(build.parts)],
  [/^screwGroups$/, first(build.screwGroups)],
  [/screwGroups\.0\.screws$/, first(build.screwGroups[0]!.screws)],
  [/^connectors$/, first(build.connectors)],
  [/^tapes$/, first(build.tapes)],
  [/^screwTypes$/, first(build.screwTypes)],
  [/^lid\.pry$/, () => ({ edge: "left", enter: true })],
  [/options$/, () => ({ id: "a", free: [] })],
  [/^faults$/, first(triageTable.faults)],
  [/^findings$/, first(triageTable.findings)],
  [/^groups$/, first(triageTable.groups)],
  [/^decisions$/, first(triageTable.decisions)],
  [/^meter$/, first(triageTable.meter)],
  [/^priorFactors$/, first(triageTable.priorFactors)],
  [/^fixes|\.fixes$|\.members$/, () => "panelCell"],
  [/^lines$/, () => ({ what: "tape", count: 1, priceMinor: 1 })],
  [/^otherNames$/, () => ({ text: "AB-1", kind: "sparePart" })],
  [
    /either$/,
    () => ({
      why: "either way",
      options: [
        { id: "a", free: [] },
        { id: "b", free: [] },
      ],
    }),
  ],
  [
    /^photos$/,
    (i) => ({
      id: SLUG(i),
      view: "base",
      xMm: 1,
      yMm: 1,
      words: "there",
      hash: "0".repeat(64),
      widthPx: 9,
      heightPx: 9,
    }),
  ],
  [/^claims$/, () => ({ fact: "finish", value: "matt", source: "L", confidence: 0.5, from: "a seller" })],
  [/^lowerModes\.value$/, () => ({ pixelClockKHz: 100_000, refreshHz: 48 })],
  [/^tabs\.value$/, () => ({ edge: "left", atMm: 10, widthMm: 9, outMm: 4 })],
  [/^assemblies$/, () => ({ machineModel: "Ostrel", priceMinor: 1, days: 1, minutes: 20 })],
  [/^mishaps$/, () => ({ id: "other", name: "Other", chance: {}, otherwise: 0.1, costMinor: 1, note: "" })],
  [/hinges$/, () => ({ xMm: 1, widthMm: 2 })],
  [/ceilings$/, () => ({ of: "films", maxC: 80, source: "maker" })],
  [/keepOuts$/, () => ({ fromMm: 1, toMm: 2, why: "mount" })],
  [/wayIn$/, () => ({ first: "partOut:a", next: "partOut:b", why: "it tears" })],
  [/(ratesGbps|laneRatesGbps\.value|familyMinutes\.A)$/, () => 2.7],
  [/(releaseC)$/, () => 60],
  [/(drainS)$/, () => 10],
  [/(band|range)$/, (i) => i],
  [/(inTheBox\.value|machineCodes|assumptions|kept|screws|blockedBy|under|free|joins|acceptedUnknowns|members|fixes)$/, SLUG],
];
/** Fields whose list must be of this length are lists of two; what stands in them is asked by their own rows. */
function valueAt(kind: Row[0], path: string, n: number): unknown {
  if (kind === "letters") return "a".repeat(n);
  if (kind !== "items") return n;
  const item = ITEMS.find(([r]) => r.test(path))?.[1];
  return item ? Array.from({ length: n }, (_, i) => item(i)) : null;
}
const STEP = { letters: 1, items: 1, whole: 1, number: 0.001, above: 0.001 };

describe("the limits of the open formats", () => {
  const uncounted: string[] = [];
  for (const [name, rows] of Object.entries(LIMITS))
    it(name, () => {
      const schema = SCHEMAS[name]!;
      for (const [kind, least, most, fields] of rows)
        for (const field of fields.split(" ")) {
          const path = field.split(".");
          const ask = (n: number) => refused(schema, path, valueAt(kind, field, n));
          if (valueAt(kind, field, 1) === null) {
            uncounted.push(`${name}.${field}`);
            continue;
          }
          if (least !== null) {
            expect(ask(kind === "above" ? least + 0.001 : least), `${field}: ${least} is allowed`).toBe(false);
            expect(ask(kind === "above" ? least : least - STEP[kind]), `${field}: less than ${least} is not`).toBe(true);
          }
          if (most !== null) {
            expect(ask(most), `${field}: ${most} is allowed`).toBe(false);
            expect(ask(most + STEP[kind]), `${field}: more than ${most} is not`).toBe(true);
          }
          if (kind === "whole") expect(ask((least ?? 0) + 0.5), `${field} is counted whole`).toBe(true);
        }
    });
  it("asks every list", () => {
    expect(uncounted.sort()).toEqual([]);
  });
  it("holds what ships with it", () => {
    for (const b of Object.values(builds)) expect(Build.safeParse(b).success, b.id).toBe(true);
    for (const p of Object.values(panels)) expect(Panel.safeParse(p).success, p.id).toBe(true);
    expect(Policy.safeParse(policy).success).toBe(true);
    expect(TriageTable.safeParse(triageTable).success).toBe(true);
  });
});
