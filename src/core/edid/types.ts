export interface DetailedTiming {
  pixelClockKHz: number;
  hActive: number;
  hBlank: number;
  hFront: number;
  hSync: number;
  /** Lines; of one field when interlaced. */
  vActive: number;
  vBlank: number;
  vFront: number;
  vSync: number;
  /** Size of the picture, null when not given. */
  widthMm: number | null;
  heightMm: number | null;
  interlaced: boolean;
  /** Frames (fields when interlaced) per second, unrounded; null when the totals are 0. */
  refreshHz: number | null;
}

export interface EdidProblem {
  /** Byte in the file. */
  offset: number;
  expected: string;
  found: string;
  severity: "error" | "warning";
}

export interface EdidExtension {
  tag: number;
  revision: number | null;
  checksumOk: boolean;
}

export interface Edid {
  manufacturerId: string | null;
  productCode: number | null;
  serialNumber: number | null;
  week: number | null;
  year: number | null;
  /** The year is the model's, not that of making. */
  modelYear: boolean;
  version: number | null;
  revision: number | null;
  digital: boolean | null;
  bitsPerColor: number | null;
  widthCm: number | null;
  heightCm: number | null;
  gamma: number | null;
  features: number | null;
  /** CIE x and y of red, green, blue and white. */
  chromaticity: { rx: number; ry: number; gx: number; gy: number; bx: number; by: number; wx: number; wy: number } | null;
  establishedTimings: { h: number; v: number; hz: number; interlaced: boolean }[];
  standardTimings: { h: number; v: number; hz: number }[];
  texts: { tag: number; text: string }[];
  descriptors: { offset: number; tag: number; bytes: Uint8Array }[];
  rangeLimits: { minVHz: number; maxVHz: number; minHKHz: number; maxHKHz: number; maxClockMHz: number | null } | null;
  detailedTimings: DetailedTiming[];
  extensions: EdidExtension[];
  problems: EdidProblem[];
  /** The bytes it was read from. */
  raw: Uint8Array;
}
