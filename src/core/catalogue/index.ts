export { CEILING, codeCostUnits, type Difference, differenceWords, explainCode, flatCode, flatCostUnits } from "./codeCost";
export { type CatalogueIndex, createCatalogueIndex, type Hit } from "./codeIndex";
export { type LabelLine, type LabelReading, type LineClass, readLabel } from "./label";
export { LEAD_DEFAULTS, type LeadTime, leadTime, type PastOrder, type SellerRecord, sellerRecord } from "./leadTime";
export { Machine, Offer, SellerTerms } from "./machine";
export { FeedRow, readFeed, type SellerFeed } from "./sellerFeed";
export { WAY_COSTS, type Way, type WayAdvice, waysAt, wayToKnow } from "./wayToKnow";
