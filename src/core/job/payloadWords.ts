/** What a payload may name by a word of a fixed list. Kept apart from the shapes, so that a page can use them without those. */
export const MISHAPS = ["films", "bezelClip", "cable", "glass", "screwThread", "other"] as const;
/** What is looked at on every panel that comes, whatever was known before. */
export const ARRIVAL_ITEMS = [
  "cracks",
  "code",
  "connector",
  "tabs",
  "films",
  "tape",
  "brackets",
  "sensor",
  "hinges",
  "leads",
] as const;
export const RETURN_REASONS = [
  "wrongPart",
  "cracked",
  "incomplete",
  "notAsDescribed",
  "deadOnTest",
  "neverCame",
  "other",
] as const;
export const QUOTE_OPTIONS = [
  "cover",
  "makerService",
  "lidAssembly",
  "panelNew",
  "panelUsed",
  "cableJob",
  "reseat",
  "touchUnit",
  "boardSpecialist",
  "diagnosis",
  "none",
] as const;
export const CONDITION_KINDS = [
  "mark",
  "missingScrew",
  "missingFoot",
  "keys",
  "hinge",
  "dirt",
  "earlierRepair",
  "other",
] as const;
export const LOGINS = ["guest", "ownerPresent", "testAccount", "firmwareOnly", "notNeeded"] as const;
