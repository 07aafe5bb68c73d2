export { CEILING, codeCostUnits, type Difference, differenceWords, explainCode, flatCode, flatCostUnits } from "./codeCost";
export { type CatalogueIndex, createCatalogueIndex, type Hit } from "./codeIndex";
export { type LabelLine, type LabelReading, type LineClass, readLabel } from "./label";
export { Machine, Offer } from "./machine";
export { WAY_COSTS, type Way, type WayAdvice, waysAt, wayToKnow } from "./wayToKnow";
