export { CEILING, codeCostUnits, type Difference, differenceWords, explainCode, flatCode, flatCostUnits } from "./codeCost";
export { type CatalogueIndex, createCatalogueIndex, type Hit } from "./codeIndex";
export { findCost, wordsOf } from "./findText";
export { LEAD_DEFAULTS, type LeadTime, leadTime, type PastOrder, type SellerRecord, sellerRecord } from "./leadTime";
export { Machine, Offer, SellerTerms } from "./machine";
export { OFFER_COLUMNS, type OfferColumn, type OffersRead, readAmount, readOffersText, type TypedOffer } from "./offersText";
export {
  type AskedLine,
  answerTrouble,
  type LineAnswer,
  type OrderAnswer,
  type OrderDesk,
  readOrderAnswer,
} from "./orderAnswer";
export { FeedRow, readFeed, type SellerFeed } from "./sellerFeed";
