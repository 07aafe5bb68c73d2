/** What was done on a page that then becomes another one, to be said where the hand arrives: in memory only, said once. */
const done = new Map<string, string>();

export const carry = (to: string, words: string) => {
  done.set(to, words);
};

/** What is to be said at this place, or null. Stays until `arrived`: a first drawing may be thrown away. */
export const carried = (to: string): string | null => done.get(to) ?? null;

export const arrived = (to: string) => {
  done.delete(to);
};
