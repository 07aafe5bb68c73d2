import type { JobFacts } from "@/core/shopReport";

export const DAY = 86_400_000;
export const START = Date.parse("2026-01-05T09:00:00.000Z");
export const at = (d: number) => new Date(START + d * DAY).toISOString();
/** The facts of a job of the demo's bench, closed after five and a half days. */
export const factsOf = (n: number, more: Partial<JobFacts>): JobFacts => ({
  id: `j${n}`,
  number: `H-${n}`,
  machine: "Ostrel Kestrel 14",
  serial: "",
  family: "C",
  code: "GV140FHB-K31",
  seller: "Second Light",
  outcome: "handedOver",
  openedIso: at(0),
  decidedIso: at(1),
  orderedIso: at(1),
  arrivedIso: at(4),
  begunIso: at(5),
  closedIso: at(5.5),
  promisedIso: at(6),
  promiseIso: at(6),
  promiseChanges: 0,
  expectedIso: null,
  orders: 1,
  priceMinor: 15000,
  currency: "EUR",
  partsMinor: 6000,
  placed: [],
  tape: {},
  opened: { openMin: 60, longestMin: 60, takenUp: 1 },
  handsMin: 60,
  plannedMin: 50,
  returns: 0,
  lifts: 0,
  reopened: 0,
  cameBack: null,
  ...more,
});
