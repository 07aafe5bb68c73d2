"use client";
import { useState } from "react";

/** Leaves a check for later: only with a word why. */
export function LaterNote({ onSave }: { onSave: (note: string) => void }) {
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState("");
  if (!open)
    return (
      <button type="button" className="btn quiet" onClick={() => setOpen(true)}>
        Later
      </button>
    );
  return (
    <form
      className="flex grow items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        onSave(note.trim());
        setOpen(false);
        setNote("");
      }}
    >
      <label className="field grow">
        <span>Left for later, because</span>
        <input required value={note} maxLength={200} onChange={(e) => setNote(e.target.value)} />
      </label>
      <button type="submit" className="btn">
        Leave it
      </button>
    </form>
  );
}
