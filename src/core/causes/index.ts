export { type CauseAsk, type RankedCauses, rankCauses, type Seen } from "./rank";
export { CauseTable, checkCauses } from "./schema";
