export { DEFAULT_COSTS, ShopCosts } from "./costs";
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
export { calendarOf, DEFAULT_HOURS, hoursText, promiseInputOf, readHours, ShopHours, saidBy, withEvenings } from "./hours";
export { type NewLead, newLead } from "./newMachine";
export {
  chanceBy,
  doneBy,
  lateDays,
  type PromiseDate,
  promiseDate,
  type RescueOption,
  type RescueRow,
  rescue,
} from "./promise";
