"use client";
import { useEffect, useState } from "react";
import { read, write } from "@/client/device";
import { PEDAL_ACTS, type PedalAct, type PedalMap, pedalRefusal, readPedals } from "../controls/pedals";

const WORDS: Record<PedalAct, string> = { act: "do what the plate says", back: "take back the last entry" };

/** Which key each pedal sends: press it once, and it is known on this device. */
export function PedalKeys() {
  const [map, setMap] = useState<PedalMap>(() => readPedals(read("helvane.pedals")));
  const [asked, setAsked] = useState<PedalAct | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    write("helvane.pedals", JSON.stringify(map));
  }, [map]);
  useEffect(() => {
    if (!asked) return;
    const down = (e: KeyboardEvent) => {
      e.preventDefault();
      e.stopPropagation();
      const why = pedalRefusal(e.key, e.code, map, asked);
      setAsked(null);
      setWrong(e.key === "Escape" ? null : why);
      if (!why) setMap({ ...map, [asked]: e.code });
    };
    document.addEventListener("keydown", down, true);
    return () => document.removeEventListener("keydown", down, true);
  }, [asked, map]);
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="font-bold">Pedals and spare keys, on this device</legend>
      {PEDAL_ACTS.map((a) => (
        <div key={a} className="flex items-center gap-3">
          <button type="button" className="btn quiet" aria-pressed={asked === a} onClick={() => setAsked(asked === a ? null : a)}>
            {asked === a ? "Press it now" : (map[a] ?? "Set")}
          </button>
          <span className="grow">to {WORDS[a]}</span>
          {map[a] && (
            <button
              type="button"
              className="link min-h-9"
              onClick={() =>
                setMap((m) => {
                  const { [a]: _, ...rest } = m;
                  return rest;
                })
              }
            >
              forget it
            </button>
          )}
        </div>
      ))}
      {wrong && (
        <p className="wrong" role="alert">
          {wrong}
        </p>
      )}
    </fieldset>
  );
}
