export {
  type FaultChance,
  type Findings,
  type LedgerRow,
  type NextTest,
  nextTest,
  type Outcome,
  type Posterior,
  posterior,
  type TestValue,
} from "./posterior";
export { TriageTable } from "./schema";
export { HAZARDS, type Hazard, MONEY_STOPS, type MoneyStop } from "./stops";
