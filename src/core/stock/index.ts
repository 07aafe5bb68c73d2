export { StockEvent, type StockEventType } from "./events";
export { foldStock, inOrder, type StockItem, type StockLot, type StockReservation, type StockState } from "./fold";
export { goodUntil } from "./goodUntil";
export { ITEM_KINDS, type ItemKind, itemName, readItem, readScrew, readTape, screwItem, tapeItem } from "./items";
export {
  type Donor,
  type DonorBuild,
  NEVER_SALVAGED,
  type SalvagePart,
  salvageOf,
  type Worth,
  worthTaking,
} from "./salvage";
export { LOT_STATES, LOT_TESTS, type LotState, type LotTest } from "./shapes";
export { lotWorth, type ShelfItem, shelvesOf, toCount } from "./shelves";
export { type TapePiece, tapeFor } from "./tape";
