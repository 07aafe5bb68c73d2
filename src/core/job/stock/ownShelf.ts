/** The seller's name under which a panel of the shop's own stock is taken for a job. */
export const OWN_SHELF = "Own shelf";
