/** The log of the shop's stock: one beside the jobs', of the same events, clocks and rules of order, under an id of its own. */
export const STOCK_LOG = "00000000-0000-4000-8000-0000000057c0";
