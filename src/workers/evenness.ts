import {
  closeUpDots,
  type EvennessAsk,
  type EvennessSaid,
  measureEvenness,
  type Photo,
  responseFromStrip,
  suggestCorners,
} from "@/core/proof";

const say = (m: EvennessSaid) => self.postMessage(m);

/** A photo decoded here, turned as it was held; what it carries of place and time is not read. */
async function decoded(file: Blob): Promise<Photo> {
  const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
  const canvas = new OffscreenCanvas(picture.width, picture.height);
  const g = canvas.getContext("2d", { willReadFrequently: true });
  if (!g) throw new Error("This browser cannot read a picture here.");
  g.drawImage(picture, 0, 0);
  picture.close();
  const { data, width, height } = g.getImageData(0, 0, canvas.width, canvas.height);
  return { width, height, rgba: data };
}

// Photos are decoded one after the other: never two files and two pictures at once beside what is measured.
self.onmessage = async ({ data }: MessageEvent<EvennessAsk>) => {
  try {
    if (data.kind === "suggest") {
      const p = await decoded(data.file);
      const c = suggestCorners(p);
      return say({
        kind: "suggested",
        widthPx: p.width,
        heightPx: p.height,
        corners: c?.corners ?? null,
        confidence: c?.confidence ?? 0,
      });
    }
    if (data.kind === "closeUp")
      return say({ kind: "closeUp", said: closeUpDots(await decoded(data.file), data.corners, data.tile) });
    const photos: Photo[] = [];
    for (const [i, f] of data.shots.entries()) {
      say({ kind: "progress", words: `Reading photo ${i + 1} of ${data.shots.length}` });
      photos.push({
        ...(await decoded(f.lit)),
        ...(f.corners ? { corners: f.corners } : {}),
        ...(f.black ? { black: await decoded(f.black) } : {}),
      });
    }
    let response: number | null = null;
    if (data.strip) {
      say({ kind: "progress", words: "Reading the step strip" });
      const first = photos[0]!;
      const corners = first.corners ?? suggestCorners(first)?.corners;
      if (!corners) throw new RangeError("No corners are found on photo 1: put them by hand first.");
      response = responseFromStrip(await decoded(data.strip), first, corners);
    }
    say({ kind: "progress", words: "Measuring" });
    // The viewing angle of this panel is not known: told with none, the usual and the steepest fall-off.
    const said = measureEvenness(photos, data.panel, {
      falloff: 2,
      straighten: true,
      ...(response === null ? {} : { response }),
    });
    say({ kind: "measured", said, response });
  } catch (x) {
    say({ kind: "wrong", words: x instanceof RangeError ? x.message : `A photo cannot be read: ${(x as Error).message}` });
  }
};
