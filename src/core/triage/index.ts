export { type Advice, advise, type BenchAccess, type TestValue } from "./advice";
export type { Findings, Outcome } from "./hypotheses";
export { type DamageMark, findingsWithMarks } from "./marks";
export {
  type JudgedReading,
  judgeReading,
  type MeterPort,
  type MeterSpot,
  type MeterValue,
  meterRefusal,
  modeWords,
  type PowerState,
} from "./meter";
export { type FaultChance, type LedgerRow, type Posterior, posterior } from "./posterior";
export { TriageContext, TriageTable } from "./schema";
export { type Fragile, sensitivity } from "./sensitivity";
export { HAZARDS, type Hazard, MONEY_STOPS, type MoneyStop } from "./stops";
export { AGES, BACKLIGHTS, HAPPENED, NO_FAULT, NONE, NOTHING_KNOWN, TOUCHES } from "./words";
