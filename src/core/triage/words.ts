/** Words of fixed lists the fault model is asked with. Kept apart from its schema, so that a page can use them without it. */
export const BACKLIGHTS = ["led", "ccfl", "oled", "unknown"] as const;
export const TOUCHES = ["yes", "no", "unknown"] as const;
export const AGES = ["under2", "from2to5", "over5", "unknown"] as const;
export const HAPPENED = ["drop", "pressure", "liquid", "wear", "nothing", "unknown"] as const;

/** Nothing was said about the machine. */
export const NOTHING_KNOWN: {
  backlight: (typeof BACKLIGHTS)[number];
  touch: (typeof TOUCHES)[number];
  age: (typeof AGES)[number];
  happened: (typeof HAPPENED)[number];
} = { backlight: "unknown", touch: "unknown", age: "unknown", happened: "unknown" };

/** The two hypotheses that are not in the list of faults. */
export const NONE = "noneOfThese";
export const NO_FAULT = "noFault";
