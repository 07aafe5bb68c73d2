/** What a foot pedal, or any spare key, may do. */
export const PEDAL_ACTS = ["act", "back"] as const;
export type PedalAct = (typeof PEDAL_ACTS)[number];
/** Which key does it, by its place on the keyboard (`KeyboardEvent.code`). */
export type PedalMap = Partial<Record<PedalAct, string>>;

/** Keys that mean something everywhere: a pedal that sends one of them would do two things at once. */
const TAKEN = /^(Tab|Enter|Escape|Backspace|Delete|Shift|Control|Alt|AltGraph|Meta|CapsLock|Dead|Process|Unidentified|Arrow\w+)$/;

/**
 * Whether a key may be given to a pedal: none that writes a character, because a scanner writes those too, and none with a
 * meaning of its own.
 * @returns null when it may, else why not
 * @example pedalRefusal("F9", "F9", {}, "act") // null
 */
export function pedalRefusal(key: string, code: string, map: PedalMap, act: PedalAct): string | null {
  if (key.length === 1) return `"${key}" is written by a scanner too. Set the pedal to a key such as F9 or Page Down.`;
  if (TAKEN.test(key) || code === "") return `${key} has a meaning already. Set the pedal to a key such as F9 or Page Down.`;
  const other = PEDAL_ACTS.find((a) => a !== act && map[a] === code);
  return other ? `${key} does the other thing already.` : null;
}

/** What a key does as a pedal; null when it is none. @example pedalAct({ act: "F9" }, "F9") // "act" */
export const pedalAct = (map: PedalMap, code: string): PedalAct | null => PEDAL_ACTS.find((a) => map[a] === code) ?? null;

/** A map as it was kept, whatever was kept. @example readPedals("{}") // {} */
export function readPedals(kept: string | null): PedalMap {
  try {
    const raw = JSON.parse(kept || "{}") as Record<string, unknown>;
    return Object.fromEntries(PEDAL_ACTS.flatMap((a) => (typeof raw[a] === "string" ? [[a, raw[a]]] : [])));
  } catch {
    return {};
  }
}
