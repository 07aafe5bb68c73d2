export type { Act } from "./act";
export type { Answer, Refusal } from "./answer";
export { apply } from "./apply";
export { HEAT_TOOLS, HEAT_WORDS } from "./bench/heatTools";
export { mayPullLiners, maySeat } from "./bond/seating";
export { type ChangedDrawing, changedDrawing, type Drawn } from "./changedDrawing";
export {
  browserOf,
  type Clock,
  compareEvents,
  laneOf,
  makeClock,
  movedBy,
  msOf,
  nextClock,
  placeAct,
  placeOf,
  readClock,
} from "./clock";
export { mayCloseUp } from "./close/closingUp";
export { mayHandOver } from "./close/handOver";
export * from "./derived";
export type { EventOf, JobEvent } from "./event";
export { eventGate } from "./eventGate";
export { makeEventId } from "./eventId";
export { feedsOf, looseSeenGood } from "./feeds";
export { askGate, counting, FOLD_VERSION, fold, mayTakeBack } from "./fold";
export { CHECK_WORDS, CONDITION_WORDS, type HandoverSheet, handoverSheet, LOGIN_WORDS } from "./handover";
export { actsOnMachine, BREAK_MIN, handsOnMinutes } from "./handsOn";
export { arrivalItems } from "./match/arrivalItems";
export { ARRIVAL_WORDS } from "./match/arrivalWords";
export { mayOrder } from "./match/order";
export { cureHolds, curing, leftMin } from "./mended";
export { type ParsedEvent, parseEvent } from "./parseEvent";
export { type PauseCard, pauseCard } from "./pauseCard";
export type { EventType, Payload } from "./payloads";
export { ARRIVAL_ITEMS, CONDITION_KINDS, LOGINS, MISHAPS, QUOTE_OPTIONS, RETURN_REASONS } from "./payloadWords";
export { type Aim, aimOf, liesOpen, mayAim } from "./plan/aim";
export { POINT_WORDS, POINTS, type PointOfNoReturn, type PointRow, pointCheck } from "./points";
export { type Power, packCut, powerOf, standsOpen } from "./power";
export { personalIn, REMOVED, redacted } from "./redact";
export { type ActType, RULES, ruleOf } from "./registry";
export { mayPlanAnew } from "./replan";
export { type JobReport, jobReport } from "./report";
export type { Photo } from "./shapes";
export {
  type ArrivalItem,
  type Breach,
  emptyState,
  type JobState,
  type LooseLook,
  type ScrewState,
  type ShopOrder,
  type Snapshot,
  type Snapshots,
  type SubjectPlace,
} from "./state";
export { openNow, stillAway } from "./stillAway";
export { type StockNeed, stockFromJob, stockFromLog, stockNeeds } from "./stock/fromJob";
export { comingOf, type LineInJob, withJobLines } from "./stock/lines";
export { STOCK_LOG } from "./stock/log";
export { OWN_SHELF } from "./stock/ownShelf";
export { tapeUsed } from "./stock/tapeUsed";
export * from "./stops";
export { pastTest, seated } from "./subject";
export { looseTestMissing, mayConnect, mayConnectPanel, mayDisconnect } from "./swap/connect";
export { LOOK_WORDS, looseLooks } from "./swap/looks";
export { type TimesOpen, timesOpen } from "./timesOpen";
export { liftEvent, newestVersion, photoOf } from "./versions";
