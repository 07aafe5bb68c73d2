import { photoOf, trueRatio } from "@/standins/panelPhoto";
import { hiddenPanel, phoneShot } from "@/standins/phone";
import type { PhoneAsk, PhonePhoto } from "@/wire/phone";

// Ray by ray, as a lens does it: a second or so a photo, away from the page.
self.onmessage = async (e: MessageEvent<PhoneAsk>) => {
  const { job, view, widthMm, heightMm } = e.data;
  const panel = hiddenPanel(job, widthMm, heightMm);
  const { width, height, rgba } = photoOf(panel, phoneShot(job, view, widthMm));
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext("2d")!.putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  const blob = await canvas.convertToBlob({ type: "image/jpeg", quality: 0.92 });
  const said: PhonePhoto = { blob, truth: trueRatio(panel, 9) };
  self.postMessage(said);
};
