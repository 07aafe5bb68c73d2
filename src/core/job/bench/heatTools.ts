import { HEAT_TOOLS } from "../../build";

export { HEAT_TOOLS };

/** What heats, in the words of the tray. */
export const HEAT_WORDS: Readonly<Record<(typeof HEAT_TOOLS)[number], string>> = {
  heatGun: "Heat gun",
  rework: "Hand-piece",
  hairDryer: "Dryer",
  mat: "Mat",
};
