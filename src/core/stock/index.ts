export { StockEvent, type StockEventType } from "./events";
export { foldStock, inOrder, type StockItem, type StockLot, type StockReservation, type StockState } from "./fold";
export { ITEM_KINDS, type ItemKind, itemName, readItem, readScrew, readTape, screwItem, tapeItem } from "./items";
export { STOCK_LOG } from "./log";
export { LOT_STATES, LOT_TESTS, type LotState, type LotTest } from "./shapes";
export { type TapePiece, tapeFor } from "./tape";
