export { type CutSheet, cutSheet, cutSheetSvg, OUTLINE_MM, type SheetStrip } from "./cutSheet";
export { drillView } from "./drillState";
export { DURATION_DEFAULTS, type PlanTimes, planTimes, type StepTime, slipped } from "./durations";
export { type KitRow, kitOf, withInches } from "./kit";
export { nextAct } from "./nextAct";
export { bitsOf, makePlan, type Plan, type PlanResult } from "./plan";
export { madePlan, type OtherGoal, otherGoals, type PlanAsk, planAskOf, progressOf } from "./planOf";
export { plugNow } from "./plugNow";
export { type Progress, progressIn } from "./progress";
export { type Reach, type ReachPlace, type ReachStep, reachLead, reachPlace } from "./reach";
export { type Forgotten, forgettable, type Recovery, recovery, type StripAgain } from "./recover";
export {
  addDrill,
  DRILL_SLIPS,
  type Drill,
  type DrillRecord,
  type DrillSlip,
  drillOf,
  drillScore,
  type Judgement,
  judgePick,
  NO_DRILL,
  nextOf,
  picksOf,
} from "./rehearse";
export {
  BAR_MM,
  barRects,
  CODE_MM,
  cellCode,
  PAPERS,
  type Paper,
  printScale,
  readScrewScan,
  type ScrewSheet,
  screwSheet,
} from "./screwSheet";
export { type QrModules, screwSheetSvg } from "./screwSheetSvg";
export { STATIONS, type Station, stationNow } from "./stationNow";
export { DRIVE_WORDS, type ScrewCount, type Step, type StepKind, type StepRule, type StepStation } from "./step";
export { STEPS, stepOfEvent, stepRule } from "./steps";
export { stepTimes } from "./stepTimes";
export { ToolStock } from "./toolStock";
export { GOALS, type Goal, goalWords, type Objective, wayOut } from "./wayOut";
export { PLAN_WEIGHTS, type PlanWeights, stepCost } from "./weights";
export { PlanWeightsShape } from "./weightsSchema";
