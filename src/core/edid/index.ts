export { type CvtInput, cvtReducedBlanking, type Modeline } from "./cvt";
export { decodeEdid } from "./decode";
export { type EdidInput, type EncodedEdid, type EncodeOptions, encodeEdid } from "./encode";
export { type EdidText, type FoundEdid, readEdidText } from "./hexText";
export { type EdpBudget, type EdpInput, edpBudget, type LvdsBudget, lvdsBudget, type YesNoUnknown } from "./linkBudget";
export { type LinkRuns, linkRuns } from "./linkRuns";
export type { DetailedTiming, Edid, EdidExtension, EdidProblem } from "./types";
