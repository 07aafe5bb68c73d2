export { compareFit, DESTROYING, type DestroyingField, type FieldVerdict, type FitRow, NOT_BY_EYE, type Shown } from "./fit";
export { type CodeReading, readPartCode } from "./partCode";
export { Panel } from "./schema";
export { unknownPanel } from "./unknownPanel";
export { type Overall, overallVerdict } from "./verdict";
