export { type Clock, compareEvents, makeClock, nextClock, readClock } from "./clock";
export * from "./derived";
export { type EventOf, type JobEvent, type ParsedEvent, parseEvent } from "./event";
export { eventGate } from "./eventGate";
export { makeEventId } from "./eventId";
export { askGate, counting, FOLD_VERSION, fold, mayTakeBack } from "./fold";
export {
  type Answer,
  ARRIVAL_WORDS,
  looseTestMissing,
  mayCloseUp,
  mayConnect,
  mayConnectPanel,
  mayDisconnect,
  mayHandOver,
  mayOrder,
  mayPullLiners,
  maySeat,
  type Refusal,
} from "./gates";
export { CONDITION_WORDS, type HandoverSheet, handoverSheet, LOGIN_WORDS } from "./handover";
export { handsOnMinutes } from "./handsOn";
export { type PauseCard, pauseCard } from "./pauseCard";
export type { EventType, Payload, Photo } from "./payloads";
export { ARRIVAL_ITEMS, CONDITION_KINDS, LOGINS, MISHAPS, QUOTE_OPTIONS, RETURN_REASONS } from "./payloadWords";
export { POINT_WORDS, POINTS, type PointOfNoReturn, type PointRow, pointCheck } from "./points";
export { type Power, packCut, powerOf } from "./power";
export { mayPlanAnew } from "./replan";
export {
  type ArrivalItem,
  type Breach,
  emptyState,
  type JobState,
  type ScrewState,
  type Snapshot,
  type Snapshots,
} from "./state";
export { liftEvent, newestVersion, photoOf } from "./versions";
