/** What a parcel costs where a seller's own postage is not known (adj), minor units. */
export const POSTAGE_MINOR = 490;
