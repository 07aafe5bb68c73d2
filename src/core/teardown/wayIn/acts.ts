import { isMend } from "../../build";
import { Says, type Source, type WayInAsk } from "./source";

/**
 * Acts of the way back only, as the build writes them: heat-proof tape, a mark, screws put in to align and taken out again.
 * @example acts(ask).steps.length // 0
 */
export function acts(ask: WayInAsk): Source {
  const say = new Says(ask);
  for (const a of ask.build.backActs ?? []) if (!isMend(a.id)) say.step("backAct", a.id);
  return say;
}

/**
 * The ends of waits for what was mended. Named last of all: each stands as late as what it holds allows, and everything else goes on
 * meanwhile.
 * @example mends(ask).steps.length // 0
 */
export function mends(ask: WayInAsk): Source {
  const say = new Says(ask);
  for (const a of ask.build.backActs ?? []) if (isMend(a.id)) say.step("backAct", a.id);
  return say;
}
