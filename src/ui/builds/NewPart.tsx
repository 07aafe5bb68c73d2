import { useState } from "react";

/** Adds a part by its name, on the side that is drawn. */
export function NewPart({
  view,
  onAdd,
  onSay,
}: {
  view: "lid" | "base";
  onAdd: (name: string) => void;
  onSay: (words: string) => void;
}) {
  const [name, setName] = useState("");
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!name.trim()) return onSay("Name the part first.");
        onAdd(name.trim());
        setName("");
      }}
    >
      <label className="field grow">
        <span>New part on the {view}</span>
        <input value={name} maxLength={60} onChange={(e) => setName(e.target.value)} placeholder="Speaker bar" />
      </label>
      <button type="submit" className="btn">
        Add part
      </button>
    </form>
  );
}
