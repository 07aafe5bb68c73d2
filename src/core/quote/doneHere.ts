const HERE: ReadonlySet<string> = new Set(["lidAssembly", "panelNew", "panelUsed", "cableJob", "reseat", "touchUnit"]);

/**
 * Whether a way is work at this bench, so that its hours and orders say when it is done.
 * @example doneHere("makerService") // false
 */
export const doneHere = (option: string): boolean => HERE.has(option);

/** How a seller's quoted days spread where nothing is known of him: median and four in five times what he says (adj). */
const [QUOTED_P50, QUOTED_P80] = [1.1, 1.48];

/**
 * Likely and four in five, days, where only quoted ones are known.
 * @param days quoted, 0 or more
 * @example daysSpread(10).p80Days // 14.8
 */
export const daysSpread = (days: number): { p50Days: number; p80Days: number } => ({
  p50Days: days * QUOTED_P50,
  p80Days: days * QUOTED_P80,
});
