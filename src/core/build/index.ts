export { adhesiveLeft } from "./adhesive";
export { type Behind, behind, hiddenBySeat, inTheWay, lateLeads, overPower, saidBefore } from "./behind";
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
  setConnector,
  setGroup,
  setPart,
  setPhoto,
  setPry,
  setTape,
  type Thing,
  templateFor,
} from "./edit";
export { keepUntil, removeThing } from "./editAway";
export { type FamilyGuess, type FamilyLetter, FamilyTable, familyOf, type Looks } from "./families";
export { type FamilySection, familySection, type SectionPiece, type SectionStuff } from "./familySection";
export { type BuildIndex, hasFilms, indexBuild, subjectPart } from "./find";
export { Find } from "./findSchema";
export { adoptFind, applyFinds, cannotLieOver, findId, type KeptFind } from "./finds";
export { bareNow, type HeatCeiling, heatCeilings, packInLid } from "./heatNeed";
export {
  CONNECTOR_KINDS,
  COVER_KINDS,
  DRIVES,
  EDGES,
  FATE_WORDS,
  FATES,
  FIND_KINDS,
  FIND_WORDS,
  HEADS,
  HEAT_TOOLS,
  HELD_BY,
  PART_ROLES,
  SERVES,
  SUBJECT_WORDS,
  SUBJECTS,
  SUPPLIES,
  type Supply,
  WARMED_WITH,
} from "./kinds";
export { howTried, LAMP_WAIT_S, type LampTest, lampLit, triedWhole, withLamp } from "./lamp";
export { BUILD_VERSION, liftBuild } from "./lift";
export { LOOK_ASKS, type LookFor, lookAsks, lookOf, setLook, withOpenLooks } from "./looks";
export { isMend, MENDED, MENDED_WORDS, type Mend, mendHolds, mendId, withMends } from "./mends";
export { comesBack, hangs, partsHeld, screwsComeBack, turnOf } from "./order";
export { liesOver, toggleOver } from "./over";
export { type ParsedBuild, parseBuild } from "./parse";
export type { BuildInput, Connector, Part, PlacePhoto, PryEdge, Rect, ScrewGroup, ScrewType, Tape } from "./schema";
export { Build } from "./schema";
export type { BackAct, Motion, Risk, Turn } from "./schemaActs";
export { screwMisfit, screwWords } from "./screwFit";
export { screwPaths, shankMm } from "./screwShape";
export { seenAtHome } from "./seenAtHome";
export { type SupplyChoice, supplyChoices, withSupply } from "./supply";
export { type Warming, withWarming } from "./warming";
export { worked } from "./worked";
