export { agreedFacts, type Conflict, claimWords, conflictsOf, settleConflict } from "./claims";
export { type CodeGrammar, parseGrammar } from "./codeGrammar";
export { FACT_NAMES, type FactName } from "./factNames";
export { FACT_LABEL, factWords, VALUE_WORDS } from "./factWords";
export {
  CHANGES,
  type Change,
  compareFit,
  DESTROYING,
  type DestroyingField,
  type FieldVerdict,
  type FitRow,
  NOT_BY_EYE,
  type Shown,
} from "./fit";
export { type Merged, mergePanel, type PanelPatch } from "./merge";
export { type PanelFormRead, panelOfCells } from "./panelForm";
export {
  codeKey,
  confidenceColumn,
  factColumns,
  PANEL_COLUMNS,
  type PanelRow,
  panelId,
  readPanelRow,
  sourceColumn,
  writePanelRow,
} from "./panelTable";
export { type CodeReading, readPartCode, SHIPPED_GRAMMAR } from "./partCode";
export { type Extra, promised } from "./promised";
export { Claim, FACTS, OtherName, Panel, Tab } from "./schema";
export { unknownPanel } from "./unknownPanel";
export { type Overall, overallVerdict } from "./verdict";
