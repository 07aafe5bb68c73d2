import { BLOCK, blockSum, COLOUR_BITS, decodeEdid, SLOTS } from "./decode";
import { PER_BLOCK, typeViiProblem, writeDisplayId } from "./displayId";
import { detailedProblem, refreshOf, writeDetailed } from "./timing";
import type { DetailedTiming, Edid } from "./types";

type Written = Omit<
  Edid,
  | "problems"
  | "extensions"
  | "raw"
  | "rangeLimits"
  | "establishedTimings"
  | "standardTimings"
  | "chromaticity"
  | "features"
  | "gamma"
  | "descriptors"
>;

/** What an EDID is written from. What is missing is undefined; `raw` keeps bytes that are not understood. */
export type EdidInput = Partial<Written> & { raw?: Uint8Array; descriptors?: readonly { tag: number; bytes: Uint8Array }[] };

export interface EncodeOptions {
  /** A timing the base block cannot hold goes to a DisplayID block instead of being a problem. */
  allowExtensions?: boolean;
}
export type EncodedEdid = { ok: true; bytes: Uint8Array } | { ok: false; problem: string };

const same = (a: unknown, b: unknown): boolean =>
  JSON.stringify(a, (_, v) => (v instanceof Uint8Array ? [...v] : v)) ===
  JSON.stringify(b, (_, v) => (v instanceof Uint8Array ? [...v] : v));

const whole = (x: number, least: number, most: number) => Number.isInteger(x) && x >= least && x <= most;

/** An empty base block of version 1.4: digital, nothing known, no timing of its own. */
function blank(): Uint8Array {
  const b = new Uint8Array(BLOCK);
  b.set([0x00, 0xff, 0xff, 0xff, 0xff, 0xff, 0xff, 0x00]);
  b[18] = 1;
  b[19] = 4;
  b[20] = 0x80;
  b[23] = 0xff;
  for (let i = 38; i < 54; i++) b[i] = 0x01;
  for (const o of SLOTS) b[o + 3] = 0x10;
  return b;
}

/** Writes the plain fields; returns what cannot be written, or null. Fields equal to what is there stay byte for byte. */
function writeFields(x: EdidInput, b: Uint8Array, before: Edid): string | null {
  const changed = <K extends keyof Written>(k: K): boolean => x[k] !== undefined && !same(x[k], before[k]);
  if (changed("manufacturerId")) {
    const id = x.manufacturerId ?? null;
    if (id !== null && !/^[A-Z]{3}$/.test(id)) return `manufacturerId "${id}": three capital letters`;
    const word = id === null ? 0 : [...id].reduce((w, c) => (w << 5) | (c.charCodeAt(0) - 64), 0);
    b[8] = word >> 8;
    b[9] = word & 0xff;
  }
  if (changed("productCode")) {
    const p = x.productCode ?? 0;
    if (!whole(p, 0, 0xffff)) return `productCode ${p}: 0 to 65535`;
    b[10] = p & 0xff;
    b[11] = p >> 8;
  }
  if (changed("serialNumber")) {
    const s = x.serialNumber ?? 0;
    if (!whole(s, 0, 0xffffffff)) return `serialNumber ${s}: 0 to 4294967295`;
    for (let i = 0; i < 4; i++) b[12 + i] = Math.floor(s / 256 ** i) % 256;
  }
  if (changed("week") || changed("modelYear")) {
    const model = x.modelYear ?? before.modelYear;
    const week = x.week ?? null;
    if (model && week !== null) return `week ${week} and a model year: one of the two`;
    if (week !== null && !whole(week, 1, 54)) return `week ${week}: 1 to 54`;
    b[16] = model ? 0xff : (week ?? 0);
  }
  if (changed("year")) {
    const y = x.year ?? 1990;
    if (!whole(y, 1990, 2245)) return `year ${y}: 1990 to 2245`;
    b[17] = y - 1990;
  }
  for (const [k, at] of [
    ["version", 18],
    ["revision", 19],
  ] as const)
    if (changed(k)) {
      const n = x[k] ?? 0;
      if (!whole(n, 0, 255)) return `${k} ${n}: 0 to 255`;
      b[at] = n;
    }
  if (changed("digital")) b[20] = (b[20]! & 0x7f) | (x.digital ? 0x80 : 0);
  if (changed("bitsPerColor")) {
    const bits = x.bitsPerColor ?? null;
    const code = bits === null ? 0 : COLOUR_BITS.indexOf(bits);
    if (code < 0) return `bitsPerColor ${bits}: 6, 8, 10, 12, 14 or 16`;
    if (bits !== null && (!(b[20]! & 0x80) || b[18] !== 1 || b[19]! < 4))
      return `bitsPerColor ${bits}: only a digital EDID of version 1.4 says it`;
    b[20] = (b[20]! & 0x8f) | (code << 4);
  }
  if (changed("widthCm") || changed("heightCm")) {
    const w = x.widthCm ?? null;
    const h = x.heightCm ?? null;
    if ((w === null) !== (h === null)) return "widthCm and heightCm: both or neither";
    for (const [k, n] of [
      ["widthCm", w],
      ["heightCm", h],
    ] as const)
      if (n !== null && !whole(n, 1, 255)) return `${k} ${n}: 1 to 255 whole centimetres`;
    b[21] = w ?? 0;
    b[22] = h ?? 0;
  }
  return null;
}

function textSlot(tag: number, text: string): Uint8Array | string {
  if (text.length > 13) return `the text "${text}" has ${text.length} characters: 13 at most`;
  if (/[^\u0020-\u00ff]/.test(text) || text.endsWith(" "))
    return `the text "${text}" has a character EDID cannot hold, or ends in a space`;
  const b = new Uint8Array(18).fill(0x20);
  b.set([0, 0, 0, tag, 0]);
  for (let i = 0; i < text.length; i++) b[5 + i] = text.charCodeAt(i);
  if (text.length < 13) b[5 + text.length] = 0x0a;
  return b;
}

/**
 * Writes an EDID. From what `decodeEdid` read it gives the same bytes again, bytes it does not understand included; from new
 * values it writes a valid base block of version 1.4, with DisplayID 2.0 blocks for timings the base block cannot hold when
 * extensions are allowed (these carry no size in mm).
 * @returns the bytes, or one sentence that names what cannot be written; never throws
 * @example encodeEdid({ manufacturerId: "GVX", texts: [{ tag: 0xfe, text: "GV140FHB-K31" }] }).ok // true
 */
export function encodeEdid(x: EdidInput, options: EncodeOptions = {}): EncodedEdid {
  const fail = (problem: string): EncodedEdid => ({ ok: false, problem });
  const from = x.raw && x.raw.length >= BLOCK ? x.raw : blank();
  const before = decodeEdid(from);
  const b = Uint8Array.from(from);
  const problem = writeFields(x, b, before);
  if (problem) return fail(problem);

  const timings = (x.detailedTimings ?? before.detailedTimings).map((t) => ({ ...t, refreshHz: refreshOf(t) }));
  const texts = x.texts ?? before.texts;
  const own = (list: readonly { tag: number; bytes: Uint8Array }[]) =>
    list.filter((d) => ![0xfc, 0xfe, 0xff, 0x10].includes(d.tag)).map((d) => [...d.bytes]);
  const others = x.descriptors ?? before.descriptors;
  const untouched =
    same(timings, before.detailedTimings) && same(texts, before.texts) && same(own(others), own(before.descriptors));
  if (untouched) {
    const changed = !same([...b], [...from]);
    // A block whose checksum was wrong stays wrong unless something was written: it is kept as it was found.
    if (changed) b[127] = (b[127]! - blockSum(b, 0)) & 0xff;
    return { ok: true, bytes: b };
  }

  // Timings keep their order: the base block takes the first that it can hold, extensions the rest.
  const slots: Uint8Array[] = [];
  const late: DetailedTiming[] = [];
  const room = SLOTS.length - Math.min(SLOTS.length, texts.length + own(others).length);
  for (const t of timings) {
    const why =
      late.length > 0
        ? "comes after one that is in an extension"
        : slots.length >= room
          ? `${timings.length} timings and ${texts.length} texts: four places in the base block`
          : detailedProblem(t);
    if (why === null) {
      const slot = new Uint8Array(18);
      slot[17] = 0x18;
      writeDetailed(t, slot, 0);
      slots.push(slot);
    } else if (options.allowExtensions) {
      const no = typeViiProblem(t);
      if (no) return fail(no);
      late.push(t);
    } else return fail(why);
  }
  for (const { tag, text } of texts) {
    const slot = textSlot(tag, text);
    if (typeof slot === "string") return fail(slot);
    slots.push(slot);
  }
  for (const bytes of own(others)) slots.push(Uint8Array.from(bytes));
  if (slots.length > SLOTS.length) return fail(`${slots.length} descriptors: four places in the base block`);
  SLOTS.forEach((o, i) => {
    const empty = new Uint8Array(18);
    empty[3] = 0x10;
    b.set(slots[i] ?? empty, o);
  });
  const blocks: Uint8Array[] = [];
  for (let i = 0; i < late.length; i += PER_BLOCK) blocks.push(writeDisplayId(late.slice(i, i + PER_BLOCK)));
  if (blocks.length > 255) return fail(`${blocks.length} extension blocks: 255 at most`);
  b[126] = blocks.length;
  const out = new Uint8Array(BLOCK * (1 + blocks.length));
  out.set(b.subarray(0, BLOCK));
  blocks.forEach((k, i) => {
    out.set(k, BLOCK * (1 + i));
  });
  for (let o = 0; o < out.length; o += BLOCK) out[o + 127] = (out[o + 127]! - blockSum(out, o)) & 0xff;
  return { ok: true, bytes: out };
}
