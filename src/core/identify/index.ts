export { edidTexts, nearestHits } from "./edidTexts";
export { type LabelLine, type LabelReading, type LineClass, readLabel } from "./label";
export { type CatalogueName, loneOf, type NamedPanel, type Nearest, namesOf, nearestOf } from "./names";
export { lineToRead, spareNumber } from "./readLine";
export { EDID_WORKS, variantsOf } from "./variants";
export { WAY_COSTS, type Way, type WayAdvice, waysAt, wayToKnow } from "./wayToKnow";
