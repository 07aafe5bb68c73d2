/**
 * A count with its noun, so that no screen says "1 screws".
 * @example counted(1, "screw") // "1 screw"
 */
export function counted(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

/**
 * Minutes as a duration the way the bench says it; under one minute in seconds.
 * @param minutes zero or more
 * @example durationWords(75) // "1 h 15"
 */
export function durationWords(minutes: number): string {
  const seconds = Math.round(minutes * 60);
  if (seconds > 0 && seconds < 60) return `${seconds} s`;
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest === 0 ? `${Math.floor(whole / 60)} h` : `${Math.floor(whole / 60)} h ${String(rest).padStart(2, "0")}`;
}

/** Millimetres to at most one decimal, without a trailing zero. @example mm(0.45) // "0.5" */
export const mm = (value: number): string => String(Math.round(value * 10) / 10);

/** A list in words. @example listed(["a","b","c"]) // "a, b and c" */
export function listed(words: readonly string[]): string {
  if (words.length < 2) return words[0] ?? "";
  return `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
}

/** A share as a customer hears it. @example sureWords(0.9) // "nine times in ten" */
export const sureWords = (share: number): string =>
  share === 0.8 ? "four times in five" : share === 0.9 ? "nine times in ten" : `${Math.round(share * 100)} times in 100`;
