"use client";
import { useState } from "react";
import { sendPhoto } from "@/client/photo";
import type { Photo } from "@/core/job";
import { SaidBox } from "./SaidBox";

/** A photo to go with an entry, and what went wrong with either. What was typed and attached stays until it is recorded. */
export function usePhoto() {
  const [file, setFile] = useState<File | null>(null);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  /** Stores the photo, if there is one, then records; clears only what was recorded. Resolves with whether it was. */
  const record = async (put: (photo: { photo?: Photo }) => boolean): Promise<boolean> => {
    setWrong(null);
    setBusy(true);
    try {
      const sent = file ? await sendPhoto(file) : null;
      if (sent && !sent.ok) {
        setWrong(`${sent.problem} Nothing is recorded yet.`);
        return false;
      }
      const done = put(sent ? { photo: sent.photo } : {});
      if (done) setFile(null);
      return done;
    } finally {
      setBusy(false);
    }
  };
  return { file, setFile, busy, wrong, setWrong, record };
}
export type PhotoHandle = ReturnType<typeof usePhoto>;

/** Where a photo is attached. */
export function PhotoField({ photo, label = "Photo" }: { photo: PhotoHandle; label?: string }) {
  return (
    <>
      <label className="field">
        <span>{label}</span>
        <input
          key={photo.file ? "attached" : "none"}
          type="file"
          accept="image/jpeg,image/png,image/webp"
          onChange={(e) => photo.setFile(e.target.files?.[0] ?? null)}
          style={photo.file ? { display: "none" } : undefined}
        />
        {photo.file ? (
          <span className="hint">
            {photo.file.name}{" "}
            <button type="button" className="link" onClick={() => photo.setFile(null)}>
              leave it out
            </button>
          </span>
        ) : (
          <span className="hint">Made smaller here; position and camera data are removed.</span>
        )}
      </label>
      <SaidBox said={photo.wrong ? { ok: false, words: photo.wrong } : null} />
    </>
  );
}
