import { heatCeilings, packInLid } from "../../build";
import { type Answer, no } from "../answer";
import { buildOf, type JobView } from "../derived";
import type { Payload } from "../payloads";
import { isWet, safetyClear, solventClear } from "../stops";
import { bareOf } from "./films";

/** How hot a mat may be set where the build says nothing lower (adj). */
const KEPT = { of: "what may be used again", maxC: 60, source: "default, its datasheet first" };
const PACK = { of: "the pack under the cover", maxC: 45, source: "default, for the pack's zone" };
const THROWN_AWAY = { of: "a mat, with nothing under it used again", maxC: 70, source: "default" };

/**
 * May this be switched on? Not with a hazard, not in a wet or running machine, not over bare films, and no mat set hotter than what
 * lies under it stands.
 * @example mayHeat(view, { tool: "mat", setC: 60 })?.gate // "mayHeat"
 */
export function mayHeat(v: JobView, p: Payload<"bench.heatOn">): Answer {
  const gate = "mayHeat";
  const stop = safetyClear(v, gate);
  if (stop) return stop;
  const { state: s } = v;
  if (isWet(s)) return no(gate, "Liquid: it is dried without heat.");
  const solvent = solventClear(v);
  if (solvent) return solvent;
  if (s.heat.on) return no(gate, "Something heats already: see it switched off first (H).");
  const b = buildOf(v);
  if (!b) return no(gate, "No plan yet: what lies under the cover is unknown.");
  if (!s.bench.shutDown) return no(gate, "Shut it down first: nothing is warmed that runs.");
  const bare = bareOf(s, b);
  if (bare) return no(gate, `Bare: ${bare}. No heat before it is covered again.`);
  if (p.tape && !b.tape.has(p.tape)) return no("build", `This build has no tape "${p.tape}".`);
  const held = b.build.tapes.filter((t) => !s.tapesOut[t.id]).map((t) => t.id);
  // The build knows of a pack in the lid, whatever was said.
  const pack = p.packInZone || packInLid(b.build, (x) => s.parts[x] === "out");
  // A mat warms all that lies under it, whichever strip it is laid for; what nobody has a word on is taken for used again.
  const lowest = [...heatCeilings(b.build, held), p.thrownAway ? THROWN_AWAY : KEPT, ...(pack ? [PACK] : [])].reduce((x, c) =>
    c.maxC < x.maxC ? c : x,
  );
  if (p.tool === "mat")
    return p.setC > lowest.maxC
      ? no(gate, `A mat at ${p.setC} °C passes the ceiling of ${lowest.of}: ${lowest.maxC} °C (${lowest.source}).`)
      : null;
  return hotAir(p, pack, lowest);
}

/** Hot air has no set-point that could be held against a ceiling: over a pack it is a planned pass or none. */
function hotAir(p: Payload<"bench.heatOn">, pack: boolean, lowest: { of: string; maxC: number; source: string }): Answer {
  const gate = "mayHeat";
  if (pack && (p.plannedS === undefined || p.peakC?.battery === undefined))
    return no(
      gate,
      "A pack lies in the zone: hot air only as a pass that was planned with it. Plan the warming with the pack, or take it out.",
    );
  if (pack && p.peakC!.battery! > PACK.maxC)
    return no(
      gate,
      `This pass brings the pack to ${Math.round(p.peakC!.battery!)} °C: ${PACK.maxC} °C at most (${PACK.source}).`,
    );
  const stays = Math.max(p.peakC?.film ?? 0, p.peakC?.lcd ?? 0);
  return !p.thrownAway && !pack && stays > lowest.maxC + 0.5
    ? no(
        gate,
        `This pass brings what stays to ${Math.round(stays)} °C: ${lowest.maxC} °C at most for ${lowest.of} (${lowest.source}).`,
      )
    : null;
}
