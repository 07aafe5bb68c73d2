"use client";
import { useState } from "react";
import { PhotoField, usePhoto } from "../controls/PhotoField";
import { useBench } from "./context";

/** A note with, if wanted, one photo. What was typed stays until it is recorded. */
export function NoteForm({ onDone }: { onDone?: () => void }) {
  const { log } = useBench();
  const [text, setText] = useState("");
  const photo = usePhoto();
  const save = async () => {
    if (!text.trim()) return photo.setWrong("Write a word or two first.");
    const ok = await photo.record((p) => log.record({ type: "job.noted", payload: { text: text.trim(), ...p } }));
    if (!ok) return;
    setText("");
    onDone?.();
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
      <PhotoField photo={photo} />
      <button type="submit" className="btn self-start" disabled={photo.busy}>
        {photo.busy ? "Storing the photo" : "Record the note"}
      </button>
    </form>
  );
}
