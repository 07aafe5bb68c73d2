import { codeKey } from "../codeKey";
import type { RuleInput } from "./row";

/**
 * The panel's own entry among those this board was sold with, where that very code was seen fitted with this board and cable.
 * @example soldWith({ candidate, build }) // null
 */
export function soldWith({ candidate, build }: Pick<RuleInput, "candidate" | "build">): { code: string; seen: string } | null {
  return build?.soldWith?.find((s) => s.fitted && codeKey(s.code) === codeKey(candidate.code)) ?? null;
}

/** What is on record where it settles nothing. @example soldWithWords({ candidate, build }) // "" */
export function soldWithWords({ candidate, build }: Pick<RuleInput, "candidate" | "build">): string {
  const same = build?.soldWith?.find((s) => codeKey(s.code) === codeKey(candidate.code));
  if (same && !same.fitted) return ` This code is listed for the board (${same.seen}), but was not seen fitted with this cable.`;
  const other = build?.soldWith?.[0];
  return other && !same ? ` The board was sold with ${other.code}: that settles it for that code only.` : "";
}
