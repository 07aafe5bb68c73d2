"use client";
import { useState } from "react";
import { read, setWho, whoIsHere, write } from "@/client/device";

const PEOPLE = "helvane.people";
const MOST = 12;
/** Whoever worked at this screen, the last first. */
export const peopleHere = (): string[] => (read(PEOPLE) ?? "").split("\n").filter(Boolean);

/** Who is working: one of those who did before, or a new name. What is recorded from now on is recorded as theirs. */
export function WhoChoice({ onChosen }: { onChosen?: (who: string) => void }) {
  const [who, set] = useState(whoIsHere);
  const [name, setName] = useState("");
  const [people, setPeople] = useState(() => [...new Set([whoIsHere(), ...peopleHere()])]);
  const choose = (n: string) => {
    const next = [n, ...people.filter((p) => p !== n)].slice(0, MOST);
    setWho(n);
    write(PEOPLE, next.join("\n"));
    set(n);
    setPeople(next);
    onChosen?.(n);
  };
  return (
    <fieldset className="flex flex-col gap-3">
      <legend className="sec mb-2">Recorded as</legend>
      <div className="flex flex-wrap gap-2">
        {people.map((p) => (
          <button key={p} type="button" className="btn" aria-pressed={p === who} onClick={() => choose(p)}>
            {p}
          </button>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <label className="field grow">
          <span>Somebody else</span>
          <input value={name} maxLength={60} autoComplete="off" onChange={(e) => setName(e.target.value)} />
        </label>
        <button
          type="button"
          className="btn"
          disabled={!name.trim()}
          onClick={() => {
            choose(name.trim().slice(0, 60));
            setName("");
          }}
        >
          Works here now
        </button>
      </div>
    </fieldset>
  );
}
