import { builds, triageTable } from "@tests/bench";
import { expect, it } from "vitest";
import type { z } from "zod";

/** "above" means more than the least; "letters" and "items" count; null is no limit. */
export type Row = [
  kind: "letters" | "number" | "above" | "whole" | "items",
  least: number | null,
  most: number | null,
  fields: string,
];

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
  [/^readings$/, () => ({ kind: "left", xMm: 0, yMm: 0, mm: 0 })],
  [/^fields$/, () => "job.opened.customer"],
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

/** One test for each format: what is just allowed is, what is just beyond is not. */
export function holdLimits(limits: Record<string, Row[]>, schemas: Record<string, z.ZodType>): void {
  const uncounted: string[] = [];
  for (const [name, rows] of Object.entries(limits))
    it(name, () => {
      const schema = schemas[name]!;
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
}
