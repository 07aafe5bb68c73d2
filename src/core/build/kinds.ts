/** What a build may name by a word of a fixed list. Kept apart from the schema, so that a page can list them without it. */
export const FAMILIES = ["A", "B", "C", "D", "E", "F", "G", "H"] as const;
export const DRIVES = ["cross", "lobe6", "lobe5", "tri", "slot"] as const;
export const HEADS = ["wafer", "pan", "csk", "cheese"] as const;
export const CONNECTOR_KINDS = [
  "friction",
  "sideLocks",
  "foldOverBar",
  "flipLatch",
  "leverRibbon",
  "boardToBoard",
  "vertical",
  "coaxStud",
  "lampLead",
  "bayPack",
] as const;
/** What a lid's cover may be made of. */
export const COVER_KINDS = ["al", "mg", "abs", "pcabs", "gf", "cfrp"] as const;
/** What may warm a lid, and that no heat does it. */
export const HEAT_TOOLS = ["heatGun", "rework", "hairDryer", "mat"] as const;
export const WARMED_WITH = [...HEAT_TOOLS, "none"] as const;
export const VIEWS = ["lid", "base"] as const;
export const EDGES = ["left", "right", "top", "bottom"] as const;
export const PART_ROLES = [
  "panel",
  "bezel",
  "baseCover",
  "cover",
  "bracket",
  "battery",
  "lid",
  "camera",
  "displayCable",
  "other",
] as const;
/** What a repair replaces. */
export const SUBJECTS = ["panel", "frontUnit", "lidAssembly", "cell"] as const;
export const SUBJECT_WORDS: Readonly<Record<(typeof SUBJECTS)[number], string>> = {
  panel: "panel",
  frontUnit: "front unit",
  lidAssembly: "lid assembly",
  cell: "cell",
};
/** What becomes of a part that does not simply go back. */
export const FATES = ["destroyed", "replaced", "comesWithNew"] as const;
export const FATE_WORDS: Readonly<Record<(typeof FATES)[number], string>> = {
  destroyed: "broken by coming out, not put back",
  replaced: "thrown away, a new one goes on",
  comesWithNew: "part of the new one",
};
export const SERVES = [
  "picture",
  "camera",
  "wireless",
  "battery",
  "lidSensor",
  "keyboard",
  "touch",
  "speaker",
  "power",
  "other",
] as const;
export const HELD_BY = ["clips", "tape", "glue", "hook", "screws"] as const;
/** What feeds a machine for its tests. */
export const SUPPLIES = ["mains", "mainsAndBattery", "battery"] as const;
export type Supply = (typeof SUPPLIES)[number];
/** What can be found at the bench that a build does not know. */
export const FIND_KINDS = ["hiddenScrew", "extraCable", "glue", "part"] as const;
export const FIND_WORDS: Readonly<Record<(typeof FIND_KINDS)[number], string>> = {
  hiddenScrew: "Hidden screw",
  extraCable: "Extra cable",
  glue: "Glue",
  part: "Part nobody mentioned",
};
