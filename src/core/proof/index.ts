export { type Check, type Disturbed, type Pass, requiredChecks } from "./checks";
export { PATTERNS, type PatternId, paintPattern } from "./patterns";
export { FAULT_CLASS_WORDS, FAULT_CLASSES, type FaultClass, judgeFaults, type PolicyRow } from "./policy";
export { Policy } from "./policySchema";
