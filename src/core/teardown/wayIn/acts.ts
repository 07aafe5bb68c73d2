import { Says, type Source, type WayInAsk } from "./source";

/**
 * Acts of the way back only, as the build writes them: heat-proof tape, a mark, screws put in to align and taken out again.
 * @example acts(ask).steps.length // 0
 */
export function acts(ask: WayInAsk): Source {
  const say = new Says(ask);
  for (const a of ask.build.backActs ?? []) say.step("backAct", a.id);
  return say;
}
