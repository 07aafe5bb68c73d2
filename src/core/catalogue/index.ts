export { type LabelLine, type LabelReading, type LineClass, readLabel } from "./label";
export { Machine, Offer } from "./machine";
