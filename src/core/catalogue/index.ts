export { type LabelLine, type LabelReading, type LineClass, readLabel } from "./label";
