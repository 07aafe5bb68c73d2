"use client";
import { useState } from "react";
import { Mark } from "../draw/Mark";
import { useBench } from "./context";
import { sendPhoto } from "./photo";

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
      const sent = file ? await sendPhoto(file) : null;
      if (sent && !sent.ok) return setWrong(`${sent.problem} The note is not recorded yet.`);
      if (!log.record({ type: "job.noted", payload: { text: text.trim(), ...(sent ? { photo: sent.photo } : {}) } })) return;
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
