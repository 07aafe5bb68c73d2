/**
 * A UUID version 7 (RFC 9562): 48 bits of time, then random bits. Made on the device, also where the page is not a secure
 * context and `randomUUID` is missing.
 * @param nowMs milliseconds since 1970
 * @param random ten random bytes
 * @throws RangeError when fewer than ten bytes are given
 * @example makeEventId(0, new Uint8Array(10)) // "00000000-0000-7000-8000-000000000000"
 */
export function makeEventId(nowMs: number, random: Uint8Array): string {
  if (random.length < 10) throw new RangeError(`ten random bytes are needed, got ${random.length}`);
  const b = new Uint8Array(16);
  let t = Math.max(0, Math.floor(nowMs));
  for (let i = 5; i >= 0; i--) {
    b[i] = t % 256;
    t = Math.floor(t / 256);
  }
  b.set(random.subarray(0, 10), 6);
  b[6] = 0x70 | (b[6]! & 0x0f);
  b[8] = 0x80 | (b[8]! & 0x3f);
  const h = [...b].map((x) => x.toString(16).padStart(2, "0")).join("");
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-${h.slice(12, 16)}-${h.slice(16, 20)}-${h.slice(20)}`;
}
