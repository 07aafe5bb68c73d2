export { type CardRow, procedureCard } from "./card";
export { addProcedureStep, moveProcedureStep, newProcedure, removeProcedureStep, setProcedureStep } from "./edit";
export { elapsedBetween, foldProcedure, type ProcedureEvent, type ProcedureNow } from "./fold";
export {
  checkProcedure,
  orderedSteps,
  Procedure,
  type ProcedureProblem,
  type ProcedureState,
  type ProcedureStep,
  parseProcedure,
} from "./schema";
