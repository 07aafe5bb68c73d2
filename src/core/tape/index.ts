export { type BondNeeded, bondNeeded } from "./bondNeeded";
export { type CutPiece, cutList, piecesOf } from "./cutList";
export { type CutAsk, cutRolls, type RollCut, type RollPiece, stretches } from "./cutRolls";
export { dwellFor, type Moment, mayLeave, strengthAt } from "./dwell";
export { type Hold, holdOf } from "./hold";
export { FLUSH, type PairMeasured, type RollHere, type TapeOffer, type TapeOptions, tapeOf, tapeOptions } from "./jobTape";
export { PRESS, type PressEdge, pressEdges } from "./press";
export { chooseTape, type StackRow, type TapeChoice, type TapeStock } from "./stack";
