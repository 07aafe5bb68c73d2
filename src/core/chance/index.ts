export { logSpread, type P50P80, sumLogNormal } from "./logNormal";
export { erf, normalCdf, Z80 } from "./normal";
export { t80 } from "./studentT";
