export { type CartonAsk, type CartonChoice, cartonChoice } from "./carton";
export { type Lead, leadDemand, rateOf, sizesOf } from "./demand";
export { type JointOrder, jointOrder, type OrderLine, type OrderSeller } from "./joint";
export { classRate, type ReorderAsk, type ReorderPoint, reorderPoint, type StockLevel } from "./point";
export {
  type Advice,
  BUY_RULES,
  type BuyItem,
  type BuyLine,
  type BuyRules,
  type BuyToday,
  buyToday,
} from "./today";
