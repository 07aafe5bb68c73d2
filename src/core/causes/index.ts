export { FINDING_OF_CHECK, type LookMove, lookMoves, seenBy } from "./looks";
export { type CauseAsk, causeChances, type RankedCauses, rankCauses, type Seen } from "./rank";
export { CauseTable, checkCauses, SERVES_OF_LEAD } from "./schema";
