import type { Build } from "../../build";
import type { ArrivalItem } from "../state";

const OF_PANEL = ["cracks", "code", "connector", "tabs", "films", "tape", "brackets", "sensor"] as const;

const ITEMS: Readonly<Record<Build["subject"]["kind"], readonly ArrivalItem[]>> = {
  panel: OF_PANEL,
  frontUnit: OF_PANEL,
  // Hinges bent or without their screw holes, a lead pinched in the post: on the machine they cost an hour.
  lidAssembly: ["cracks", "code", "connector", "hinges", "leads", "films", "sensor"],
  // It sits in the old frame, on the old tape.
  cell: ["cracks", "code", "connector", "films"],
};

/**
 * What is looked at on the part that came, by what it is: a panel alone has tabs and tape, a whole lid has hinges and leads.
 * @example arrivalItems("lidAssembly").includes("hinges") // true
 */
export const arrivalItems = (kind: Build["subject"]["kind"]): readonly ArrivalItem[] => ITEMS[kind];
