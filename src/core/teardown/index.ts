export { type Act, nextAct } from "./nextAct";
export { bitsOf, makePlan, minutesOf, type Plan } from "./plan";
export { type Progress, progressOf } from "./progress";
export { DRIVE_WORDS, type Step, type StepKind, type StepStation } from "./step";
