/** Characters a hand or a scanner takes for each other: all of a set count as one. */
const SAME: Readonly<Record<string, string>> = { o: "0", q: "0", i: "1", l: "1", s: "5", b: "8", z: "2" };

/**
 * A text as it is looked for: lower case, without accents, marks and spaces between its words.
 * @example wordsOf("Ostrel Kestrel-14, Büro") // ["ostrel", "kestrel", "14", "buro"]
 */
export const wordsOf = (text: string): string[] =>
  text
    .normalize("NFKD")
    .replace(/\p{M}+/gu, "")
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

const alike = (w: string): string => w.replace(/[oqilsbz]/g, (c) => SAME[c]!);

/** Steps from one word to another - a character more, less, other, or two changed about - as long as they are `most` at most. */
function steps(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let two: number[] = [];
  let above = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1];
      let x = Math.min(above[j]! + 1, row[j - 1]! + 1, above[j - 1]! + (same ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) x = Math.min(x, two[j - 2]! + 1);
      row.push(x);
    }
    if (Math.min(...row) > most) return most + 1;
    two = above;
    above = row;
  }
  return above[b.length]!;
}

/** What one word that was typed costs against one that stands there; null when it is another word. */
function wordCost(typed: string, there: string): number | null {
  if (typed === there) return 0;
  if (there.startsWith(typed)) return 0.5;
  if (typed.length >= 2 && there.includes(typed)) return 1;
  const [t, h] = [alike(typed), alike(there)];
  if (t === h) return 0.7;
  if (typed.length >= 3 && h.startsWith(t)) return 1.2;
  // One slip in four characters, two in eight; the end may not be typed yet.
  const most = typed.length >= 8 ? 2 : typed.length >= 4 ? 1 : 0;
  if (most === 0) return null;
  const whole = steps(t, h, most);
  const begun = h.length > t.length ? steps(t, h.slice(0, t.length), most) : most + 1;
  const n = Math.min(whole, begun + 0.3);
  return n <= most + 0.3 ? 1.5 + n : null;
}

/**
 * How well a thing answers what was typed: every word typed has to be met somewhere in its fields, in any order, by the word itself, its
 * beginning, a part of it, characters taken for each other, or a slip. Punctuation, accents and spaces in codes do not count.
 * @param typed what is looked for; nothing typed answers nothing
 * @param fields what stands in the thing: number, names, serial, codes
 * @returns the cost, 0 = exactly; null when it is not that
 * @example findCost("kestrl 14", ["Ostrel Kestrel 14", "Reading Room"]) // 2.5
 */
export function findCost(typed: string, fields: readonly (string | null)[]): number | null {
  const wanted = wordsOf(typed);
  if (wanted.length === 0) return null;
  const there: string[] = [];
  for (const f of fields) {
    if (!f) continue;
    const words = wordsOf(f);
    there.push(...words);
    // A code or serial is also one word, however it is cut up by hand.
    if (words.length > 1) there.push(words.join(""));
  }
  const joined = wanted.join("");
  let sum: number | null = 0;
  for (const w of wanted) {
    let best: number | null = null;
    for (const t of there) {
      const c = wordCost(w, t);
      if (c !== null && (best === null || c < best)) best = c;
      if (best === 0) break;
    }
    sum = best === null || sum === null ? null : sum + best;
  }
  if (wanted.length > 1)
    for (const t of there) {
      const c = wordCost(joined, t);
      if (c !== null && (sum === null || c < sum)) sum = c;
    }
  return sum;
}
