export { CEILING, codeCostUnits, type Difference, differenceWords, explainCode, flatCode, flatCostUnits } from "./codeCost";
export { type CatalogueIndex, createCatalogueIndex, type Hit } from "./codeIndex";
export { LEAD_DEFAULTS, type LeadTime, leadTime, type PastOrder, type SellerRecord, sellerRecord } from "./leadTime";
export { Machine, Offer, SellerTerms } from "./machine";
export { FeedRow, readFeed, type SellerFeed } from "./sellerFeed";
