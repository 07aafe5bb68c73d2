import sharp from "sharp";

/** Size of a JPEG, or null when the bytes are not one. */
export async function inspectPhoto(bytes: Uint8Array): Promise<{ widthPx: number; heightPx: number } | null> {
  try {
    const m = await sharp(bytes, { limitInputPixels: 80_000_000 }).metadata();
    return m.format === "jpeg" && m.width && m.height ? { widthPx: m.width, heightPx: m.height } : null;
  } catch {
    return null;
  }
}
