export {
  advance,
  type Chances,
  courseOf,
  type Days,
  nextDelivery,
  nextSlot,
  type PromiseInput,
  type PromiseOrder,
} from "./course";
export { chanceBy, lateDays, type PromiseDate, promiseDate, type RescueOption, type RescueRow, rescue } from "./promise";
