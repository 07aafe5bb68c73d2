/** What a panel code lets one guess. Inferred, weaker than any label, EDID, datasheet or measurement. */
export interface CodeReading {
  diagonalIn: number | null;
  /** Possible resolutions, most usual first; empty when the letters say nothing. */
  pixels: readonly { h: number; v: number }[];
  /** Why, in words. */
  reason: string;
  source: "G";
}

/** Letter pairs seen in the trade (adj): a pair maps to a set, because makers differ. */
export const LETTER_PAIRS: Readonly<Record<string, readonly (readonly [number, number])[]>> = {
  WX: [[1280, 800]],
  WH: [[1366, 768]],
  XW: [[1366, 768]],
  XT: [[1366, 768]],
  BG: [[1366, 768]],
  AT: [[1366, 768]],
  WP: [[1440, 900]],
  WD: [[1600, 900]],
  RW: [[1600, 900]],
  RT: [[1600, 900]],
  FG: [[1600, 900]],
  WS: [[1680, 1050]],
  WF: [[1920, 1080]],
  FH: [[1920, 1080]],
  HW: [[1920, 1080]],
  HT: [[1920, 1080]],
  HA: [[1920, 1080]],
  HG: [[1920, 1080]],
  HC: [[1920, 1080]],
  HL: [[1920, 1080]],
  WU: [[1920, 1200]],
  UA: [[1920, 1200]],
  QH: [[2560, 1440]],
  QA: [[2560, 1440]],
  KM: [[2560, 1440]],
  WQ: [[2560, 1600]],
  QD: [[2560, 1600]],
  UH: [[3840, 2160]],
  QU: [[3840, 2160]],
  ZA: [[3840, 2160]],
};

/**
 * Reads a panel code's digits and letters: three digits = diagonal in tenths of an inch (080 to 184), then a letter
 * pair for the resolution class. "No inference" is a normal answer.
 * @param code as printed, any case, hyphens and spaces allowed
 * @returns always a reading; both parts may be empty
 * @example readPartCode("GV140FHB-K31").diagonalIn // 14
 */
export function readPartCode(code: string): CodeReading {
  const none = (reason: string): CodeReading => ({ diagonalIn: null, pixels: [], reason, source: "G" });
  const m = /^[A-Z]{1,3}[ -]?(\d{3})[ -]?([A-Z]{2})/.exec(code.trim().toUpperCase());
  if (!m) return none("No inference: the code has no three digits followed by two letters.");
  const tenths = Number(m[1]);
  if (tenths < 80 || tenths > 184) return none(`No inference: ${m[1]} is not a diagonal of 8.0 to 18.4 inch.`);
  const pair = LETTER_PAIRS[m[2]!] ?? [];
  const pixels = pair.map(([h, v]) => ({ h, v }));
  const said = pixels.length
    ? `${m[2]} is used for ${pixels.map((p) => `${p.h} × ${p.v}`).join(" or ")}`
    : `${m[2]} has no steady meaning`;
  return { diagonalIn: tenths / 10, pixels, reason: `Digits ${m[1]}: ${tenths / 10} inch, rounded. ${said}.`, source: "G" };
}
