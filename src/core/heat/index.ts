export type { Act, Jet, Lay, Mat } from "./acts";
export type { HeatAnswer, HeatAsk } from "./ask";
export { calibrateTool, type ToolCalibration } from "./calibrate";
export { type Ceiling, ceilingsOf } from "./ceilings";
export { AHEAD_S, type FollowAsk, Following, type HeatRead, type HeatSeen, type HeatStretch, type StripNow } from "./follow";
export { followFromLog, type HeatPassTold, type HeatPlace, type HeatReadTold } from "./fromLog";
export { type CalNow, type HeatNow, HeatRun, type HeatSnapshot } from "./heatRun";
export { type Isotherm, isotherms, type Ring } from "./isotherms";
export { jetAt, type Tool } from "./jet";
export {
  type BatteryZone,
  type Edge,
  type Face,
  type LidModel,
  type LidOptions,
  lidModel,
  type Piece,
  THINGS,
  type Thing,
} from "./lid";
export type { Tapes } from "./measure";
export {
  CAL_LIMITS,
  type CalibrateAnswer,
  type CalibrateAsk,
  calibrateOnSpare,
  HeatOwn,
  type JetTool,
  NOTHING_OWN,
  OWN_FIGURES,
  type OwnFigure,
  ownAct,
  ownLid,
  ownMeans,
  SPOT_READ_S,
  SPOT_S,
  strengthOf,
} from "./own";
export { planHeat, planHeatSteps } from "./plan";
export type { HeatPlan, Means, Pass, PlanHeatOptions, PlanProgress } from "./planTypes";
export {
  COVER_KINDS,
  COVERS,
  type Cover,
  type CoverKind,
  FIGURES,
  type Figure,
  MATERIALS,
  type Material,
  TOOL_RANGES,
  TOOLS,
} from "./properties";
export { MOST_BROKEN, planSafelySteps, type Robust, robustSteps, type SafePlan } from "./robust";
export { type Peak, type Simulated, type SimulateOptions, simulate } from "./simulate";
export { type TouchAdvice, type TouchVerdict, touchAdvice, touchWords } from "./touch";
export { workingWindow } from "./window";
