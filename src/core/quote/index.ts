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
export { panelParts } from "./parts";
export { QuotePolicy } from "./policy";
