import type { PhoneAsk, PhonePhoto } from "@/wire/phone";

/** A photo of the simulated phone, made in a worker. */
export const takePhoto = (ask: PhoneAsk): Promise<{ file: File; truth: number }> =>
  new Promise((done, fail) => {
    const w = new Worker(new URL("../workers/phone.ts", import.meta.url));
    w.onmessage = (e: MessageEvent<PhonePhoto>) => {
      w.terminate();
      done({ file: new File([e.data.blob], `${ask.view}.jpg`, { type: "image/jpeg" }), truth: e.data.truth });
    };
    w.onerror = (e) => {
      e.preventDefault();
      w.terminate();
      fail(new Error("The simulated phone took no photo here: is the server reached?"));
    };
    w.postMessage(ask);
  });
