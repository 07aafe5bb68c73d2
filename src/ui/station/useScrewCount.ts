import { indexBuild, type ScrewGroup } from "@/core/build";
import type { Act } from "@/core/job";
import { screwsOpen } from "@/core/job";
import { counted } from "@/core/quantity";
import { readScrewScan, type ScrewCount, type Step, stepRule } from "@/core/teardown";
import { useBench } from "../job/context";

export interface Counting {
  count: ScrewCount;
  group: ScrewGroup;
  /** The next screw, and its number in the group. */
  screw: ScrewGroup["screws"][number];
  number: number;
  /** Screws still to go, the next one first. */
  left: ScrewGroup["screws"];
}

/** The screws of a step, counted by press, digit, held key or scan; null where none are counted. */
export function useScrewCount(step: Step) {
  const { log, view, build, say } = useBench();
  const b = build ? indexBuild(build.data) : null;
  const s = view.state;
  const count = stepRule(step.kind).screws;
  const group = b?.group.get(step.target);
  const left = count && group ? group.screws.filter((x) => count.toGo(s.screws[x.id])) : [];
  const screw = left[0];
  const now: Counting | null =
    count && group && screw ? { count, group, screw, number: group.screws.indexOf(screw) + 1, left } : null;
  const several = (n: number) => {
    if (!now) return say(`Nothing to count here. G then ${n} goes to that station`);
    if (n > left.length) return say(`${n} is too many: ${counted(left.length, "screw")} to go`);
    const ids = left.slice(0, n).map((x) => x.id);
    const acts: Act[] = now.count.several ? [now.count.several(step.target, ids)] : ids.map(now.count.one);
    log.record(...acts);
  };
  /** A cell of the screw sheet, or how many: the cell has to be the one of this step. */
  const scanned = (text: string) => {
    const read = readScrewScan(text);
    if (!read) return say(`Scanned ${text}: nothing asked for it`);
    if (!now) return log.refuse({ gate: "count", reason: "No screws are counted at this step." });
    if ("count" in read) return several(read.count);
    if (read.group === step.target) return several(left.length);
    const other = b!.group.get(read.group);
    log.refuse({
      gate: "count",
      reason: other
        ? `That is the cell of ${other.name.toLowerCase()}. Now it is ${now.group.name.toLowerCase()}, ${counted(left.length, "screw")} to go.`
        : "That cell is of another machine's sheet.",
    });
  };
  const putBack = () => {
    const last = screwsOpen(s).out.at(-1);
    if (last) log.record({ type: "close.screwBack", payload: { screw: last } });
    else
      log.refuse({
        gate: "screw",
        reason: "No screw is out: all are back. One in your hand is left over: find its hole, or record it.",
      });
  };
  /** Enter completes a step only when its count is reached. */
  const tooEarly = () =>
    log.refuse({
      gate: "count",
      reason: `The step is complete when its count is reached: ${counted(left.length, "screw")} to go, next ${screw?.where.toLowerCase()}.`,
    });
  return { now, several, scanned, putBack, tooEarly };
}
