export { type Explanation, explanations, normalise, orCombine } from "./evidence";
export { logSpread, type P50P80, sumLogNormal } from "./logNormal";
export { erf, normalCdf, Z80 } from "./normal";
export { draws, negativeBinomial, normalDraw, normalQuantile } from "./quantile";
export { shareInterval } from "./share";
export { t80 } from "./studentT";
