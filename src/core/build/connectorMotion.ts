import type { Connector } from "./schema";

export interface ConnectorMotion {
  name: string;
  out: string;
  in: string;
  homeWhen: string;
  arrow: "draw" | "lift" | "flip" | "press";
}

/** How each kind of connector comes off, goes on, and shows that it is home (trade practice). */
export const CONNECTOR_MOTION: Record<Connector["kind"], ConnectorMotion> = {
  friction: {
    name: "friction plug",
    out: "Draw straight, both sides together",
    in: "Push in straight and level with the fingers",
    homeWhen: "No gap in the seam, flush",
    arrow: "draw",
  },
  sideLocks: {
    name: "plug with side locks",
    out: "Press both locks, then draw",
    in: "Push until both locks catch",
    homeWhen: "Both locks caught",
    arrow: "draw",
  },
  foldOverBar: {
    name: "plug with fold-over bar",
    out: "Lift the bar, draw straight with both hands",
    in: "Straight in, close the bar",
    homeWhen: "Bar closes freely",
    arrow: "draw",
  },
  flipLatch: {
    name: "flip-latch ribbon",
    out: "Raise the latch evenly, then draw the ribbon",
    in: "Push the stiffened end home, latch down",
    homeWhen: "Latch lies flat, ribbon square",
    arrow: "flip",
  },
  leverRibbon: {
    name: "locking-lever ribbon",
    out: "Lever up, draw with a tape tab",
    in: "Slide in, lever down",
    homeWhen: "Lever flat",
    arrow: "flip",
  },
  boardToBoard: {
    name: "board-to-board press plug",
    out: "Lift straight up",
    in: "Feel it line up, press lightly",
    homeWhen: "Sits level, bracket flat",
    arrow: "lift",
  },
  vertical: {
    name: "vertical plug",
    out: "Lever from below, never sideways",
    in: "Press straight down",
    homeWhen: "Flat all round",
    arrow: "lift",
  },
  coaxStud: {
    name: "coaxial antenna stud",
    out: "Flat tool under the metal head, straight up",
    in: "Line up, then press",
    homeWhen: "Head flat",
    arrow: "lift",
  },
  bayPack: {
    name: "pack in a bay",
    out: "Slide the lock, draw the pack out of its bay",
    in: "Slide the pack into its bay until the lock snaps",
    homeWhen: "Lock snapped, pack flush with the case",
    arrow: "draw",
  },
  lampLead: { name: "lamp lead", out: "Pull the plug, not the wires", in: "Push in", homeWhen: "Latched", arrow: "draw" },
};
