export { type BuildProblem, checkBuild } from "./check";
export { CONNECTOR_MOTION, type ConnectorMotion } from "./connectorMotion";
export { type BuildIndex, indexBuild } from "./find";
export { type ParsedBuild, parseBuild } from "./parse";
export type { Build, BuildInput, Connector, Motion, Part, Rect, ScrewGroup, ScrewType, Tape } from "./schema";
