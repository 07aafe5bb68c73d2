// What the page of the machine under test needs, without the rest of proof.
export { CROSS_INSET, type Tile, tilesOf } from "./closeUp";
export { DOT_SCREENS, type DotMark, type DotScreen, dotCode, dotsOf, MOST_DOTS } from "./dotCode";
export { PATTERNS, paintPattern } from "./patterns";
export { type TouchLines, touchCode } from "./resultCode";
export { type Finger, guidesOf, heldFingers, SIDES, type Side, strokeFigures, TOUCH_LIMITS } from "./strokes";
export { ghostWatch, stripesIn, type TouchSample, touchCoverage } from "./touch";
