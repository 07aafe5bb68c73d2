import { createHash } from "node:crypto";
import sharp from "sharp";
import { readBlob, saveBlob } from "@/data/blobStore";
import { connection } from "@/data/connection";

export interface StoredPhoto {
  hash: string;
  widthPx: number;
  heightPx: number;
  bytes: number;
}

const LONGEST_PX = 1600;

/**
 * Stores a photo by its content: turned upright, at most 1600 px long, written anew as JPEG without any of the data a camera
 * adds (position, device, time).
 * @returns null when the bytes are no picture
 */
export async function storePhoto(bytes: Uint8Array): Promise<StoredPhoto | null> {
  let out: { data: Buffer; info: { width: number; height: number } };
  try {
    out = await sharp(bytes, { limitInputPixels: 80_000_000 })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: "inside", withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
  } catch {
    return null;
  }
  const hash = createHash("sha256").update(out.data).digest("hex");
  const size = { widthPx: out.info.width, heightPx: out.info.height };
  await saveBlob(connection().db, { hash, mime: "image/jpeg", ...size, bytes: out.data });
  return { hash, ...size, bytes: out.data.length };
}

/** A stored photo by its hash; null for a hash of another shape, or one that is not here. */
export const readPhoto = async (hash: string) => (/^[0-9a-f]{64}$/.test(hash) ? readBlob(connection().db, hash) : null);
