import { type Build, indexBuild, screwWords } from "@/core/build";
import type { JobState } from "@/core/job";
import type { Step } from "@/core/teardown";
import type { Frame } from "../draw/Ground";
import { ScrewSide, ScrewTop } from "../draw/screws";
import { useScreen } from "./screen";

const HEAD_WORDS: Record<string, string> = { wafer: "wafer", pan: "pan", csk: "countersunk", cheese: "cheese" };

/** The kinds of screw on this side under the part: recess and side view at 2:1, thread and length, how many are out. */
export function ScrewLegend({
  build,
  view,
  f,
  state,
  step,
  top,
}: {
  build: Build;
  view: "lid" | "base";
  f: Frame;
  state: JobState;
  step: Step | null;
  top: number;
}) {
  const b = indexBuild(build);
  const here = build.screwGroups.filter((g) => g.view === view);
  const ofStep = step ? b.group.get(step.target) : undefined;
  const kinds = build.screwTypes
    .map((t) => {
      const screws = here.flatMap((g) => g.screws.filter((s) => s.type === t.id).map((s) => ({ s, loosen: g.loosenOnly })));
      const away = screws.filter((x) => state.screws[x.s.id] === "out" || state.screws[x.s.id] === "loosened").length;
      return { t, screws, away, now: !!ofStep?.screws.some((s) => s.type === t.id), loosen: screws.every((x) => x.loosen) };
    })
    .filter((k) => k.screws.length > 0)
    .slice(0, 3);
  const s = 2 * useScreen().pxPerMm;
  return (
    <g data-layer="screw-legend" className="dense">
      {kinds.map(({ t, screws, away, now, loosen }, i) => {
        const x = f.ox + 18 + i * 208;
        const y = top + 58;
        const len = (t.lengthMm + t.headHeightMm) * s;
        return (
          <g key={t.id}>
            <ScrewTop x={x} y={y} r={15} drive={t.drive} />
            <ScrewSide
              x={x + 46}
              y={Math.max(top + 18, y - len / 2 + t.headHeightMm * s)}
              type={t}
              s={s}
              className={`scr${now ? "" : " later"}`}
            />
            <text x={x + 74} y={y - 4} className="t16 fb i1">
              {screwWords(t)}
            </text>
            <text x={x + 74} y={y + 15} className="t14 i2">
              {`${away} of ${screws.length} ${loosen ? "loose" : "out"}`}
            </text>
            <text x={x + 74} y={y + 32} className="t14 i2">
              {HEAD_WORDS[t.head] ?? t.head}
            </text>
          </g>
        );
      })}
    </g>
  );
}
