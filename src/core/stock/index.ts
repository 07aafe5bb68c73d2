export { StockEvent, type StockEventType } from "./events";
export { foldStock, inOrder, type StockItem, type StockLot, type StockReservation, type StockState } from "./fold";
export { ITEM_KINDS, type ItemKind, itemName, readItem, readScrew, readTape, screwItem, tapeItem } from "./items";
export { LOT_STATES, LOT_TESTS, type LotState, type LotTest } from "./shapes";
export { lotWorth, type ShelfItem, shelvesOf, toCount } from "./shelves";
export { type TapePiece, tapeFor } from "./tape";
