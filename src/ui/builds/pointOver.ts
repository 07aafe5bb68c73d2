"use client";
import type { Said } from "@/client/send";
import { type Build, liesOver, type Thing, toggleOver } from "@/core/build";

/** Pointing at what lies over the thing that is selected: a tap on a part says it, the same tap takes it back. */
export function pointOver(
  build: Build,
  selected: Thing | null,
  at: Thing | null,
  edit: (b: Build) => void,
  say: (s: Said) => void,
): boolean {
  const no = (words: string) => {
    say({ ok: false, words });
    return true;
  };
  if (!selected) return no("Select first what lies underneath, then point at what lies over it.");
  if (at?.kind !== "part") return no("Point at the part that lies over it.");
  const name = build.parts.find((p) => p.id === at.id)?.name ?? at.id;
  const next = toggleOver(build, selected, at.id);
  if (next === build) return no(`${name} cannot lie over that: it is itself, comes off later, or never comes away.`);
  edit(next);
  say({ ok: true, words: liesOver(next, selected, at.id) ? `${name} lies over it.` : `${name} lies over it no longer.` });
  return true;
}
