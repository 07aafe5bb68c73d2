"use client";
import { indexBuild, screwWords } from "@/core/build";
import { screwsOpen } from "@/core/job";
import { ScrewSide } from "../draw/screws";
import { useBench } from "../job/context";
import { useScreen } from "../lid/screen";

/** Screws of several lengths lie out: side by side and true to each other, so that the one in hand is told by holding it there. */
export function InHand({ screw }: { screw: string }) {
  const { build, view, log } = useBench();
  const { pxPerMm, checked } = useScreen();
  if (!build) return null;
  const b = indexBuild(build.data);
  const types = [
    ...new Set(screwsOpen(view.state).out.flatMap((x) => b.groupOfScrew.get(x)?.screws.find((s) => s.id === x)?.type ?? [])),
  ].map((t) => b.screwType.get(t)!);
  if (types.length < 2) return null;
  const s = 2 * pxPerMm;
  return (
    <fieldset className="flex items-stretch gap-2">
      <legend className="text-[16px]">
        Which one is in your hand? Drawn 2:1, {checked ? "checked by ruler" : "scale not checked"}.
      </legend>
      {types.map((t) => (
        <button
          key={t.id}
          type="button"
          className="btn quiet flex-col"
          aria-label={`In hand: ${screwWords(t)}`}
          onClick={() => log.record({ type: "close.screwBack", payload: { screw, type: t.id } })}
        >
          <svg width={64} height={(t.headHeightMm + t.lengthMm) * s + 6} aria-hidden="true">
            <ScrewSide x={32} y={t.headHeightMm * s + 2} type={t} s={s} />
          </svg>
          <span className="mono">{screwWords(t)}</span>
        </button>
      ))}
    </fieldset>
  );
}
