const LONGEST_PX = 1600;
const MOST_MB = 40;

export type SentPhoto =
  | { ok: true; photo: { hash: string; widthPx: number; heightPx: number; bytes: number } }
  | { ok: false; problem: string };

/** Makes the photo smaller on the device; drawing it anew also leaves out where and when it was taken. */
async function smaller(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file, { imageOrientation: "from-image" });
  const k = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(picture.width * k));
  canvas.height = Math.max(1, Math.round(picture.height * k));
  canvas.getContext("2d")!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((done, fail) => canvas.toBlob((b) => (b ? done(b) : fail(new Error("empty"))), "image/jpeg", 0.85));
}

/** Stores a photo and returns what an event keeps of it, or one sentence saying why not. */
export async function sendPhoto(file: File): Promise<SentPhoto> {
  if (file.size > MOST_MB * 1e6)
    return { ok: false, problem: `${file.name} is ${Math.round(file.size / 1e6)} MB; a photo may have ${MOST_MB} MB at most.` };
  const blob = await smaller(file).catch(() => null);
  if (!blob) return { ok: false, problem: `${file.name} is not a picture that can be read.` };
  const res = await fetch("/api/blobs", { method: "POST", headers: { "content-type": "image/jpeg" }, body: blob }).catch(
    () => null,
  );
  if (!res) return { ok: false, problem: "The server was not reached. The photo is not stored." };
  const body = await res.json();
  return res.ok ? { ok: true, photo: body } : { ok: false, problem: body.problem };
}
