/** Why a gate stays shut. `gate` is its name; `reason` one or two sentences for the screen. */
export interface Refusal {
  gate: string;
  reason: string;
}
/** null = go. */
export type Answer = Refusal | null;

/** A gate that stays shut. @example no("mayConnect", "It is on already.").reason // "It is on already." */
export const no = (gate: string, reason: string): Refusal => ({ gate, reason });

/** The first refusal in a list, or null when all go. @example firstShut(["a"], () => null) // null */
export function firstShut(ids: readonly string[], ask: (id: string) => Answer): Answer {
  for (const id of ids) {
    const a = ask(id);
    if (a) return a;
  }
  return null;
}

/** Something an event names is not in the job's build. @example notHere("screw", "b9").reason // 'This build has no screw "b9".' */
export const notHere = (what: string, id: string): Refusal => no("build", `This build has no ${what} "${id}".`);
