import type { BuildIndex } from "../build";
import { type JobEvent, readClock } from "../job";
import type { StepTime } from "./durations";
import type { Step } from "./step";

/** A gap longer than this is a break, not work, minutes (adj). */
const BREAK_MIN = 20;
const HANDS = /^(open|swap|bond|prove|close|bench)\./;

/** The step an event belongs to, by kind and target; null for records that are no act on the machine. */
function stepOf(e: JobEvent, b: BuildIndex): string | null {
  const of = (screw: string) => b.groupOfScrew.get(screw)?.id ?? screw;
  switch (e.type) {
    case "open.screwOut":
      return `screwsOut:${of(e.payload.screw)}`;
    case "open.screwsOutTogether":
      return `screwsOut:${e.payload.group}`;
    case "open.screwLoosened":
      return `screwsLoosen:${of(e.payload.screw)}`;
    case "open.tapeOut":
      return `tapeOut:${e.payload.tape}`;
    case "open.partFolded":
      return `partFold:${e.payload.part}`;
    case "open.partOut":
      return `partOut:${e.payload.part}`;
    case "open.tethered":
      return `tether:${e.payload.option}`;
    case "swap.cableDisconnected":
      return `cableOff:${e.payload.connector}`;
    case "swap.cableConnected":
      return `cableOn:${e.payload.connector}`;
    case "swap.transplanted":
      return `transplant:${e.payload.part}`;
    case "swap.looseTested":
      return "looseTest";
    case "bond.tapeLaid":
      return `tapeLay:${e.payload.piece}`;
    case "bond.linerPulled":
      return `linerPull:${e.payload.piece}`;
    case "bond.panelSeated":
      return "seat";
    case "bond.pressed":
      return "press";
    case "bond.dusted":
      return "dust";
    case "close.partBack":
      return `partBack:${e.payload.part}`;
    case "close.screwBack":
      return `screwsBack:${of(e.payload.screw)}`;
    case "close.screwsBackTogether":
      return `screwsBack:${e.payload.group}`;
    case "close.screwTightened":
      return `screwsTighten:${of(e.payload.screw)}`;
    default:
      return null;
  }
}

/**
 * What each step of a plan took, told from the clocks of what was recorded: the time since the act before it. Nobody is asked.
 * Breaks are left out; steps never recorded are not in the list.
 * @param events those that count, in canonical order
 * @returns planned and actual minutes in the order of the plan
 * @example stepTimes(events, indexBuild(build), [...plan.out, ...plan.in])[0].actual
 */
export function stepTimes(events: readonly JobEvent[], b: BuildIndex, steps: readonly Step[]): StepTime[] {
  const took = new Map<string, number>();
  let last: number | null = null;
  for (const e of events) {
    if (!HANDS.test(e.type)) continue;
    const ms = readClock(e.clock)?.ms ?? 0;
    const id = stepOf(e, b);
    if (id !== null && last !== null && ms - last <= BREAK_MIN * 60_000) took.set(id, (took.get(id) ?? 0) + (ms - last) / 60_000);
    last = ms;
  }
  return steps.flatMap((s) => {
    const actual = took.get(s.id);
    return actual === undefined ? [] : [{ id: s.id, title: s.title, planned: s.minutes, actual }];
  });
}
