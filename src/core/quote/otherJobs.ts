import type { P50P80 } from "../chance";

export type OtherJobId = "cableJob" | "reseat" | "touchUnit" | "boardSpecialist" | "diagnosis";

/** A job that is no panel: what it takes, and for which faults it is the answer. */
export interface OtherJob {
  id: OtherJobId;
  name: string;
  faults: readonly string[];
  /** Of those, where it is what a technician would do first. */
  first: readonly string[];
  partsMinor: number;
  labour: P50P80;
  days: number;
  keeps: string;
}

/** Usual figures of a small bench (adj): the shop's price table may name its own. */
export const OTHER_JOBS: readonly OtherJob[] = [
  {
    id: "cableJob",
    name: "Display cable, new",
    faults: ["displayCable"],
    first: ["displayCable"],
    partsMinor: 3900,
    labour: { p50: 55, p80: 75 },
    days: 5,
    keeps: "The panel stays; the lid is opened once.",
  },
  {
    id: "reseat",
    name: "Clean and reseat the display cable",
    faults: ["displayCable"],
    first: [],
    partsMinor: 0,
    labour: { p50: 35, p80: 50 },
    days: 1,
    keeps: "Everything stays; it may come back, then with a new cable.",
  },
  {
    id: "touchUnit",
    name: "Touch layer or front unit",
    faults: ["digitizer"],
    first: ["digitizer"],
    partsMinor: 9500,
    labour: { p50: 70, p80: 100 },
    days: 6,
    keeps: "The picture is sound and stays, unless the glass is one with it.",
  },
  {
    id: "boardSpecialist",
    name: "Board, by a specialist",
    faults: ["boardBacklight", "boardGraphics"],
    first: ["boardBacklight", "boardGraphics"],
    partsMinor: 14_000,
    labour: { p50: 40, p80: 55 },
    days: 12,
    keeps: "The panel stays; the board travels, the data with it.",
  },
  {
    id: "diagnosis",
    name: "Diagnosis only",
    faults: ["software", "noFault", "lidSensor", "noneOfThese"],
    first: ["software", "noFault", "lidSensor", "noneOfThese"],
    partsMinor: 0,
    labour: { p50: 30, p80: 45 },
    days: 1,
    keeps: "Nothing is replaced; what was found is written down.",
  },
];

/** The jobs that a fault asks for. @example otherJobs("displayCable").map((j) => j.id) // ["cableJob", "reseat"] */
export const otherJobs = (fault: string): readonly OtherJob[] => OTHER_JOBS.filter((j) => j.faults.includes(fault));
