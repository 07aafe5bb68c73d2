"use client";
import { useState } from "react";
import { PhotoField, usePhoto } from "../controls/PhotoField";
import { Txt } from "./fields";

/** A photo for the place tapped; stored at once, so that a build names it by its content. */
export function AddPhoto({
  spot,
  onAdd,
}: {
  spot: { xMm: number; yMm: number } | null;
  onAdd: (p: { words: string; hash: string; widthPx: number; heightPx: number }) => void;
}) {
  const photo = usePhoto();
  const [words, setWords] = useState("");
  if (!spot) return <p className="q">Tap the place the photo shows. What is selected is named with it, and shown at its step.</p>;
  const add = () =>
    photo.record(({ photo: p }) => {
      if (!p) photo.setWrong("Choose a picture first.");
      else if (!words.trim()) photo.setWrong("Say in a few words what it shows.");
      else {
        onAdd({ words: words.trim(), hash: p.hash, widthPx: p.widthPx, heightPx: p.heightPx });
        return true;
      }
      return false;
    });
  return (
    <div className="flex flex-col gap-2 border-[1.5px] border-ink p-3" role="group" aria-label="Photo here">
      <div className="flex items-end gap-2">
        <Txt
          label={`What it shows at ${Math.round(spot.xMm)}, ${Math.round(spot.yMm)} mm`}
          max={80}
          value={words}
          onPut={setWords}
        />
        <button type="button" className="btn" disabled={photo.busy} onClick={() => void add()}>
          Add photo
        </button>
      </div>
      <PhotoField photo={photo} />
    </div>
  );
}
