import { deflateSync } from "node:zlib";

const TABLE = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});
function crc(bytes: Buffer): number {
  let c = 0xffffffff;
  for (const b of bytes) c = TABLE[(c ^ b) & 255]! ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}
function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, "latin1"), data]);
  const out = Buffer.alloc(body.length + 8);
  out.writeUInt32BE(data.length, 0);
  body.copy(out, 4);
  out.writeUInt32BE(crc(body), body.length + 4);
  return out;
}

/** A picture as a PNG file, 8 bits a channel. */
export function png(p: { width: number; height: number; rgba: Uint8ClampedArray }): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(p.width, 0);
  head.writeUInt32BE(p.height, 4);
  head.set([8, 6, 0, 0, 0], 8);
  const rows = Buffer.alloc(p.height * (p.width * 4 + 1));
  for (let y = 0; y < p.height; y++) rows.set(p.rgba.subarray(y * p.width * 4, (y + 1) * p.width * 4), y * (p.width * 4 + 1) + 1);
  return Buffer.concat([
    Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]),
    chunk("IHDR", head),
    chunk("IDAT", deflateSync(rows, { level: 1 })),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}
