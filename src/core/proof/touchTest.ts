// What the page of the machine under test needs, without the rest of proof.
export { touchCode } from "./resultCode";
export { ghostWatch, stripesIn, type TouchSample, touchCoverage } from "./touch";
