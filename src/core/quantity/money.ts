/**
 * Money in minor units (cents) as text with its currency.
 * @param minor whole minor units, may be negative
 * @example formatMoney(6140, "EUR") // "61.40 EUR"
 */
export function formatMoney(minor: number, currency: string): string {
  const sign = minor < 0 ? "-" : "";
  const abs = Math.abs(Math.round(minor));
  return `${sign}${Math.floor(abs / 100)}.${String(abs % 100).padStart(2, "0")} ${currency}`;
}
