/** Words of fixed lists the fault model is asked with. Kept apart from its schema, so that a page can use them without it. */
export const BACKLIGHTS = ["led", "ccfl", "oled", "unknown"] as const;
export const TOUCHES = ["yes", "no", "unknown"] as const;
/** Where the touch layer sits; and whether somebody repaired the machine before. */
export const TOUCH_KINDS = ["inGlass", "separate", "unknown"] as const;
export const REPAIRED = ["yes", "no", "unknown"] as const;
export const AGES = ["under2", "from2to5", "over5", "unknown"] as const;
export const HAPPENED = ["drop", "pressure", "liquid", "wear", "nothing", "unknown"] as const;

/** Nothing was said about the machine. */
export const NOTHING_KNOWN: {
  backlight: (typeof BACKLIGHTS)[number];
  touch: (typeof TOUCHES)[number];
  age: (typeof AGES)[number];
  happened: (typeof HAPPENED)[number];
  touchKind?: (typeof TOUCH_KINDS)[number] | undefined;
  repaired?: (typeof REPAIRED)[number] | undefined;
} = { backlight: "unknown", touch: "unknown", age: "unknown", happened: "unknown" };

/** The two hypotheses that are not in the list of faults. */
export const NONE = "noneOfThese";
export const NO_FAULT = "noFault";
