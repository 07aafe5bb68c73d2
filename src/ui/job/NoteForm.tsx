"use client";
import { useState } from "react";
import { Mark } from "../draw/Mark";
import { useBench } from "./context";

const LONGEST_PX = 1600;
const MOST_MB = 40;

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

/** A note with, if wanted, one photo. What was typed stays until it is recorded. */
export function NoteForm({ onDone }: { onDone?: () => void }) {
  const { log } = useBench();
  const [text, setText] = useState("");
  const [file, setFile] = useState<File | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const save = async () => {
    setWrong(null);
    if (!text.trim()) return setWrong("Write a word or two first.");
    setBusy(true);
    try {
      let photo: { hash: string; widthPx: number; heightPx: number; bytes: number } | undefined;
      if (file) {
        if (file.size > MOST_MB * 1e6)
          return setWrong(
            `${file.name} is ${Math.round(file.size / 1e6)} MB; a photo may have ${MOST_MB} MB at most. The note is not recorded yet.`,
          );
        const blob = await smaller(file).catch(() => null);
        if (!blob) return setWrong(`${file.name} is not a picture that can be read. The note is not recorded yet.`);
        const res = await fetch("/api/blobs", { method: "POST", headers: { "content-type": "image/jpeg" }, body: blob }).catch(
          () => null,
        );
        if (!res) return setWrong("The server was not reached. The photo is not stored; the note is not recorded yet.");
        const body = await res.json();
        if (!res.ok) return setWrong(body.problem);
        photo = body;
      }
      if (!log.record({ type: "job.noted", payload: { text: text.trim(), ...(photo ? { photo } : {}) } })) return;
      setText("");
      setFile(null);
      onDone?.();
    } finally {
      setBusy(false);
    }
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <label className="field">
        <span>What was seen or done</span>
        <textarea value={text} maxLength={2000} onChange={(e) => setText(e.target.value)} />
      </label>
      <label className="field">
        <span>Photo</span>
        <input type="file" accept="image/jpeg,image/png,image/webp" onChange={(e) => setFile(e.target.files?.[0] ?? null)} />
        <span className="hint">Made smaller here; position and camera data are removed.</span>
      </label>
      {wrong && (
        <div className="refusal" role="alert">
          <Mark kind="stop" size={24} />
          <p>{wrong}</p>
        </div>
      )}
      <button type="submit" className="btn self-start" disabled={busy}>
        {busy ? "Storing the photo" : "Record the note"}
      </button>
    </form>
  );
}
