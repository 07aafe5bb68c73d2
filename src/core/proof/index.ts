export { type Check, type Disturbed, type Pass, requiredChecks } from "./checks";
export { CheckTable, EARLIER_CHECKS, SHIPPED_CHECKS } from "./checkTable";
export { type CloseUp, CROSS_INSET, closeUpDots, type DotCandidate, type Tile, tilesOf } from "./closeUp";
export {
  DOT_SCREENS,
  type DotMark,
  type DotScreen,
  dotClass,
  dotCode,
  dotsOf,
  isDotCode,
  MOST_DOTS,
  readDotCode,
  type SeenDot,
} from "./dotCode";
export { clusters, fewestScreens, SUB_PIXEL_LIGHT, type SubPixel, screenShows, weakestOn } from "./dots";
export * from "./evenness";
export { judgeTouch, type TouchJudged } from "./judgeTouch";
export { PATTERNS, type PatternId, paintPattern, STRIP_SHARES } from "./patterns";
export { FAULT_CLASS_WORDS, FAULT_CLASSES, type FaultClass, judgeFaults, type PolicyRow } from "./policy";
export { Policy } from "./policySchema";
export { type ReadCode, readTouchCode, type TouchLines, type TouchResult, touchCode } from "./resultCode";
export {
  type Finger,
  type Guide,
  guidesOf,
  heldFingers,
  SIDES,
  type Side,
  type StrokeFigures,
  strokeFigures,
  TOUCH_LIMITS,
} from "./strokes";
export {
  type GhostWatch,
  ghostWatch,
  poissonLower,
  poissonUpper,
  straightness,
  stripesIn,
  type TouchCoverage,
  type TouchSample,
  touchCoverage,
} from "./touch";
