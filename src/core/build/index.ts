export { type Behind, behind, inTheWay, lateLeads, overPower, saidBefore } from "./behind";
export { type BuildProblem, checkBuild, lookAgain } from "./check";
export { CONNECTOR_MOTION, type ConnectorMotion } from "./connectorMotion";
export {
  addConnector,
  addPart,
  addPhoto,
  addScrew,
  addScrewType,
  addTape,
  freeId,
  moveThing,
  removeThing,
  setConnector,
  setGroup,
  setPart,
  setPhoto,
  setPry,
  setTape,
  type Thing,
  templateFor,
} from "./edit";
export { type FamilyGuess, type FamilyLetter, FamilyTable, familyOf, type Looks } from "./families";
export { type BuildIndex, hasFilms, indexBuild, subjectPart } from "./find";
export { Find } from "./findSchema";
export { adoptFind, applyFinds, findId, type KeptFind } from "./finds";
export {
  CONNECTOR_KINDS,
  DRIVES,
  EDGES,
  FIND_KINDS,
  FIND_WORDS,
  HEADS,
  HELD_BY,
  PART_ROLES,
  SERVES,
  SUBJECT_WORDS,
  SUPPLIES,
  type Supply,
} from "./kinds";
export { BUILD_VERSION, liftBuild } from "./lift";
export { type ParsedBuild, parseBuild } from "./parse";
export type {
  BuildInput,
  Connector,
  Motion,
  Part,
  PlacePhoto,
  PryEdge,
  Rect,
  Risk,
  ScrewGroup,
  ScrewType,
  Tape,
} from "./schema";
export { Build } from "./schema";
export { screwMisfit, screwWords } from "./screwFit";
export { screwPaths, shankMm } from "./screwShape";
export { type SupplyChoice, supplyChoices, withSupply } from "./supply";
