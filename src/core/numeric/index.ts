export { type LeastSquares, leastSquares } from "./leastSquares";
export { type Homography, homography, mapped, solve } from "./solve";
export { median, spreadAbout } from "./spread";
