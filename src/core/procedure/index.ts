export { elapsedBetween, foldProcedure, type ProcedureEvent, type ProcedureNow } from "./fold";
export {
  checkProcedure,
  Procedure,
  type ProcedureProblem,
  type ProcedureState,
  type ProcedureStep,
  parseProcedure,
} from "./schema";
