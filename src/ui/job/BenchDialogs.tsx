"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { buildOf, powerOf } from "@/core/job";
import { Sheet } from "../controls/Sheet";
import { Tick } from "../controls/Tick";
import { Mark } from "../draw/Mark";
import { Cautions } from "./Cautions";
import { useBench } from "./context";
import { KeptHere } from "./KeptHere";
import { NoteForm } from "./NoteForm";
import { PedalKeys } from "./PedalKeys";
import { WhoChoice } from "./WhoChoice";

const LOAD = {
  find: () => import("../find/FindBox").then((m) => m.FindBox),
  job: () => import("./JobWords").then((m) => m.JobWords),
};
const FindBox = dynamic(LOAD.find, { ssr: false });
const JobWords = dynamic(LOAD.job, { ssr: false });
/** Fetches what the sheets show: they may be wanted while the server is away. */
export const loadDialogs = () => Promise.allSettled(Object.values(LOAD).map((load) => load()));

export type DialogName = "power" | "cautions" | "note" | "kept" | "keys" | "find" | "job" | "who";

const KEYS: [string, string][] = [
  ["1 to 9", "station; counts screws in Open, Swap, Bond and Close"],
  ["G then 1 to 9", "station, from anywhere"],
  ["Space", "the plate (foot pedal)"],
  ["Enter", "complete the step, when its count is reached"],
  ["Hold Enter", "order; all screws of a step at once"],
  ["Backspace", "take back the last entry"],
  ["Y", "put again what was taken back"],
  ["J", "the job's words, its promise, putting off, closing, opening again"],
  ["P", "put one screw back"],
  ["X", "power: mains, key, battery"],
  ["C", "cautions and safety stop"],
  ["H", "what heats was seen switched off"],
  ["W", "write a note, attach a photo"],
  ["U", "what is only in this browser: not sent yet, not taken"],
  ["F", "a check failed"],
  ["N", "no answer"],
  ["Z", "hold at 1:1, corner by corner"],
  ["D", "light, dim, black"],
  ["/", "find a job, machine or code"],
  ["?", "all keys"],
];

/** Power, cautions, note and keys: the four sheets every station has. */
export function BenchDialogs({
  open,
  onClose,
  lettersOff,
  onLetters,
  onLeave,
}: {
  open: DialogName | null;
  onClose: () => void;
  onLeave: (href: string) => void;
  lettersOff: boolean;
  onLetters: (off: boolean) => void;
}) {
  const { log, view, press } = useBench();
  const [typed, setTyped] = useState("");
  const b = buildOf(view);
  const power = powerOf(view);
  const act = (ok: boolean) => {
    if (ok) onClose();
  };
  return (
    <>
      <Sheet open={open === "power"} onClose={onClose} title={power.title}>
        <p className="q">
          {power.isolated ? "Mains in, battery on, or a test ends it." : `Still to do: ${power.missing.join("; ")}.`}
        </p>
        {log.refusal && (
          <div className="refusal" role="alert">
            <Mark kind="stop" size={26} />
            <p>{log.refusal.reason}</p>
          </div>
        )}
        <div className="flex flex-wrap gap-2">
          <button type="button" className="btn" onClick={() => act(log.record({ type: "bench.shutDown", payload: {} }))}>
            Shut down
          </button>
          <button type="button" className="btn" onClick={() => act(log.record({ type: "bench.mainsOut", payload: {} }))}>
            Mains out
          </button>
          <button type="button" className="btn" onClick={() => act(log.record({ type: "bench.mainsIn", payload: {} }))}>
            Mains in
          </button>
          <button type="button" className="btn" onClick={() => act(log.record({ type: "bench.started", payload: {} }))}>
            It runs
          </button>
          {b?.build.isolation.by === "batteryOffMode" && (
            <button
              type="button"
              className="btn"
              onClick={() => act(log.record({ type: "bench.batteryOff", payload: { proven: true } }))}
            >
              Battery-off mode entered and proven
            </button>
          )}
          {b && (
            <button
              type="button"
              className="btn"
              onClick={() => act(log.record({ type: "bench.drained", payload: { seconds: b.build.isolation.drainS[0] } }))}
            >{`Power key held ${b.build.isolation.drainS[0]} s`}</button>
          )}
          {b?.powerPoints.map((c) => {
            const off = view.state.connectors[c.id] === "off";
            return (
              <button
                key={c.id}
                type="button"
                className="btn"
                onClick={() =>
                  act(
                    off
                      ? log.record({ type: "swap.cableConnected", payload: { connector: c.id, home: true } })
                      : log.record({ type: "swap.cableDisconnected", payload: { connector: c.id } }),
                  )
                }
              >{`${c.name} ${off ? "on" : "off"}`}</button>
            );
          })}
        </div>
      </Sheet>
      <Sheet open={open === "cautions"} onClose={onClose} title="Cautions">
        <Cautions onDone={onClose} />
      </Sheet>
      <Sheet open={open === "note"} onClose={onClose} title="Note">
        <NoteForm onDone={onClose} />
        <ul className="rows">
          {log.state.notes.map((n) => (
            <li key={n.eventId}>
              <span className="grow">
                {n.text}
                {n.photo && (
                  <a className="link ml-2" href={`/api/blobs/${n.photo.hash}`} target="_blank" rel="noreferrer">
                    photo
                  </a>
                )}
              </span>
              <em>{n.who}</em>
            </li>
          ))}
        </ul>
      </Sheet>
      <Sheet open={open === "kept"} onClose={onClose} title="Kept here">
        <KeptHere />
      </Sheet>
      <Sheet open={open === "find"} onClose={onClose} title="Find anything">
        <FindBox
          typed={typed}
          onTyped={setTyped}
          autoFocus
          // It stays until the other page is there: closing it goes back in the history, and would take that page along.
          onOpen={onLeave}
        />
      </Sheet>
      <Sheet open={open === "job"} onClose={onClose} title={`Job ${log.state.job?.number ?? ""}`}>
        <JobWords onDone={onClose} />
      </Sheet>
      <Sheet open={open === "who"} onClose={onClose} title="Who is working">
        <WhoChoice onChosen={onClose} />
      </Sheet>
      <Sheet open={open === "keys"} onClose={onClose} title="All keys">
        <ul className="rows">
          {KEYS.map(([k, w]) => (
            <li key={k}>
              {k.includes(" ") ? (
                <span className="keyrow">
                  <kbd>{k}</kbd>
                  {w}
                </span>
              ) : (
                <button
                  type="button"
                  className="keyrow"
                  onClick={() => {
                    onClose();
                    press(k, true);
                  }}
                >
                  <kbd>{k}</kbd>
                  {w}
                </button>
              )}
            </li>
          ))}
        </ul>
        <label className="flex items-center gap-3">
          <Tick on={!lettersOff} onPut={(on) => onLetters(!on)} /> Single letters and digits act as keys
        </label>
        <PedalKeys />
        <WhoChoice />
      </Sheet>
    </>
  );
}
