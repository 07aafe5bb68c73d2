export { daysSpread, doneHere } from "./doneHere";
export {
  NO_LOG,
  type Part,
  priceMoved,
  type QuoteInput,
  type QuoteOption,
  type QuoteOptionId,
  quoteOptions,
  type ShopLog,
} from "./options";
export { OTHER_JOBS, type OtherJob, type OtherJobId, otherJobs } from "./otherJobs";
export { type PartsMore, panelParts, type Rate } from "./parts";
export { QuotePolicy } from "./policy";
export { type Recommendation, recommend } from "./recommend";
