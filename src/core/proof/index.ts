export { type Check, type Disturbed, type Pass, requiredChecks } from "./checks";
export { CheckTable, EARLIER_CHECKS, SHIPPED_CHECKS } from "./checkTable";
export { PATTERNS, type PatternId, paintPattern } from "./patterns";
export { FAULT_CLASS_WORDS, FAULT_CLASSES, type FaultClass, judgeFaults, type PolicyRow } from "./policy";
export { Policy } from "./policySchema";
