import type { ArrivalItem } from "../state";

export const ARRIVAL_WORDS: Record<ArrivalItem, string> = {
  cracks: "cracks",
  code: "code",
  connector: "connector",
  tabs: "tabs",
  films: "films",
  tape: "tape",
  brackets: "brackets",
  sensor: "sensor",
  hinges: "hinges",
  leads: "leads",
};
