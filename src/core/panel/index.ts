export { agreedFacts, type Conflict, claimWords, conflictsOf, settleConflict } from "./claims";
export { type CodeGrammar, parseGrammar } from "./codeGrammar";
export { codeKey, panelId } from "./codeKey";
export { FACT_NAMES, type FactName } from "./factNames";
export { factOf } from "./factOf";
export { FACT_LABEL, factWords, spanWords, VALUE_WORDS } from "./factWords";
export { compareFit } from "./fit";
export { type Merged, mergePanel } from "./merge";
export { type EdidPort, panelEdid } from "./panelEdid";
export { type PanelFormRead, panelOfCells } from "./panelForm";
export {
  confidenceColumn,
  factColumns,
  PANEL_COLUMNS,
  type PanelRow,
  readPanelRow,
  sourceColumn,
  writePanelRow,
} from "./panelTable";
export { type CodeReading, readPartCode, SHIPPED_GRAMMAR } from "./partCode";
export type { PanelPatch } from "./patch";
export { type Extra, promised } from "./promised";
export { DAY_MINOR, type Ranking, rankCandidates, rankWords } from "./rank";
export { DESTROYING, type DestroyingField, NOT_BY_EYE } from "./rules";
export { UNPAIRED } from "./rules/pairing";
export { CHANGES, type Change, type FieldVerdict, type FitRow, type Shown } from "./rules/row";
export { Claim, FACTS, OtherName, Panel, Tab } from "./schema";
export { unknownPanel } from "./unknownPanel";
export { type Overall, overallVerdict } from "./verdict";
