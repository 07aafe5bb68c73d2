// Apart from the table of panels: what only compares codes has no need of its shapes.

/** What a code is compared by: letters and digits only. @example codeKey("GV140FHB-K31") // "GV140FHBK31" */
export const codeKey = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, "");

/** The id of a panel's record, made from its code. @example panelId("GV140FHB-K31") // "gv140fhb-k31" */
export const panelId = (code: string): string =>
  code
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 64);
