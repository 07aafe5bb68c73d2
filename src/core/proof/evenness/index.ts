export type { EvennessAsk, EvennessSaid, EvennessShot } from "./ask";
export { suggestCorners } from "./corners";
export type { EdgeDips, EdgeName } from "./dips";
export { EVENNESS_LIMITS, type EvennessVerdict, type EvenVerdict, judgeEvenness, judgeRatio, SHIFT_LIMITS } from "./judge";
export { responseFromSteps, stepsOff } from "./light";
export { justNoticeable, type Mark } from "./marks";
export {
  type Evenness,
  type EvennessOptions,
  type EvennessPoint,
  type EvennessProblem,
  type EvennessRow,
  measureEvenness,
} from "./measure";
export type { Photo } from "./photo";
export { POINTS, SCHEMES, type Scheme } from "./points";
export { responseFromStrip } from "./strip";
