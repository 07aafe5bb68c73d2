import { type BuildIndex, screwWords } from "@/core/build";
import { DRIVE_WORDS } from "@/core/teardown";
import { ScrewTop } from "../draw/screws";
import type { Counting } from "./useScrewCount";

/** Which of the lengths of its group a screw is, or its thread where there is only one. */
export function lengthWords(b: BuildIndex, { group, screw }: Counting): string {
  const type = b.screwType.get(screw.type)!;
  const all = group.screws.map((x) => b.screwType.get(x.type)!);
  const lengths = new Set(group.screws.map((x) => x.type)).size;
  const which =
    lengths > 1 ? (type.lengthMm === Math.max(...all.map((t) => t.lengthMm)) ? "Long one" : "Short one") : type.thread;
  return `${which}, ${type.unmeasured ? "not measured" : `${type.lengthMm} mm`}`;
}

/** The bit for the screw that is next, and how many are done and to go. */
export function ScrewNow({ b, now }: { b: BuildIndex; now: Counting }) {
  const type = b.screwType.get(now.screw.type)!;
  return (
    <div className="flex items-center justify-between gap-4">
      <div className="flex items-center gap-3">
        <svg width={48} height={48} aria-hidden="true">
          <ScrewTop x={24} y={24} r={20} drive={type.drive} />
        </svg>
        <div>
          <b className="block text-[22px] leading-[26px]">
            {DRIVE_WORDS[type.drive]} {type.size}
          </b>
          <span className="text-[18px] text-ink-2">
            {screwWords(type)}
            {!type.unmeasured && `, ${type.head}`}
          </span>
        </div>
      </div>
      <div className="tally" style={{ flex: "none" }}>
        <b>{now.group.screws.length - now.left.length}</b>
        <span>{now.count.done}</span>
        <b>{now.left.length}</b>
        <span className="whitespace-nowrap">to go</span>
      </div>
    </div>
  );
}
