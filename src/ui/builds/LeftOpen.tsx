"use client";
import { type Build, lookAsks, lookOf, setLook } from "@/core/build";
import { Txt } from "./fields";

/** What is not known of a thing yet: left open, and asked at the bench before it is undone. */
export function LeftOpen({ build, of, onEdit }: { build: Build; of: string | undefined; onEdit: (b: Build) => void }) {
  if (!of) return null;
  const left = lookOf(build, of);
  const asks = lookAsks(build, of);
  const ask = (words: string) => onEdit(setLook(build, of, words));
  if (!left)
    return (
      <button type="button" className="btn quiet self-start" onClick={() => ask(asks[0]!)}>
        Not known: leave it open
      </button>
    );
  return (
    <div className="flex flex-col gap-1 border-l-[3px] border-ink pl-3" role="group" aria-label="Left open">
      <Txt label="Left open: looked at before it is undone" max={120} lines={2} value={left.ask} onPut={ask} />
      <p className="flex flex-wrap gap-x-4 text-[15px]">
        {asks
          .filter((x) => x !== left.ask)
          .map((x) => (
            <button key={x} type="button" className="link min-h-9 text-left" onClick={() => ask(x)}>
              {x}
            </button>
          ))}
      </p>
      <button type="button" className="btn quiet self-start" onClick={() => onEdit(setLook(build, of, null))}>
        Known now, as drawn
      </button>
    </div>
  );
}
