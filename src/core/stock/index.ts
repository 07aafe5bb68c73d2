export { ITEM_KINDS, LOT_STATES, LOT_TESTS, StockEvent, type StockEventType } from "./events";
export { foldStock, inOrder, type StockItem, type StockLot, type StockReservation, type StockState } from "./fold";
export { type TapePiece, tapeFor } from "./tape";
