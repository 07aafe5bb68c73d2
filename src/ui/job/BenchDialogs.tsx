"use client";
import { useState } from "react";
import { setWho, whoIsHere } from "@/client/device";
import { buildOf, openBreaches, openHazards, powerOf } from "@/core/job";
import { HAZARDS, type Hazard } from "@/core/triage";
import { Sheet } from "../controls/Sheet";
import { Mark } from "../draw/Mark";
import { useBench } from "./context";
import { KeptHere } from "./KeptHere";
import { NoteForm } from "./NoteForm";
import { PedalKeys } from "./PedalKeys";

export type DialogName = "power" | "cautions" | "note" | "kept" | "keys";

const KEYS: [string, string][] = [
  ["1 to 9", "station; counts screws in Open, Swap, Bond and Close"],
  ["G then 1 to 9", "station, from anywhere"],
  ["Space", "the plate (foot pedal)"],
  ["Enter", "complete the step, when its count is reached"],
  ["Hold Enter", "order; all screws of a step at once"],
  ["Backspace", "take back the last entry"],
  ["P", "put one screw back"],
  ["X", "power: mains, key, battery"],
  ["C", "cautions and safety stop"],
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
}: {
  open: DialogName | null;
  onClose: () => void;
  lettersOff: boolean;
  onLetters: (off: boolean) => void;
}) {
  const { log, view } = useBench();
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
      <Sheet open={open === "keys"} onClose={onClose} title="All keys">
        <ul className="rows">
          {KEYS.map(([k, w]) => (
            <li key={k}>
              <span style={{ width: 140 }}>
                <kbd>{k}</kbd>
              </span>
              <span className="grow">{w}</span>
            </li>
          ))}
        </ul>
        <label className="flex items-center gap-3">
          <input type="checkbox" checked={!lettersOff} onChange={(e) => onLetters(!e.target.checked)} /> Single letters and digits
          act as keys
        </label>
        <PedalKeys />
        <WhoField />
      </Sheet>
    </>
  );
}

function WhoField() {
  const [who, set] = useState(whoIsHere);
  return (
    <label className="field">
      <span>Recorded as</span>
      <input
        value={who}
        maxLength={60}
        onChange={(e) => {
          set(e.target.value);
          setWho(e.target.value);
        }}
      />
    </label>
  );
}

const CAUTIONS = [
  "Isolate before any connector.",
  "Swollen, hot, punctured or smelling battery: stop. No heat, no prying.",
  "Glass shards: eye protection, gloves, tape over cracks, a tray.",
  "Blades away from the hand, 5 mm in unless the build says the edge is free.",
  "Solvents: small amounts, ventilation, no flame.",
  "Wrist strap, no synthetic clothes.",
  "Old panels, lamps and batteries go to electronics recycling under local rules.",
  "Work inside mains adapters, or on a board under power, is for trained people.",
  "Opening may end a warranty.",
];

function Cautions({ onDone }: { onDone: () => void }) {
  const { log, view, progress } = useBench();
  const hazards = openHazards(view.state);
  return (
    <>
      {progress?.now?.caution && (
        <div className="caut">
          <Mark kind="change" size={30} label="Caution" />
          <p>{progress.now.caution}</p>
        </div>
      )}
      {openBreaches(view.state).map((b) => (
        <div key={b.eventId} className="refusal">
          <Mark kind="stop" size={24} />
          <p>{b.reason}</p>
        </div>
      ))}
      <fieldset className="flex flex-col gap-2">
        <legend className="sec mb-2">Raise a safety stop</legend>
        <div className="flex flex-wrap gap-2">
          {(Object.keys(HAZARDS) as Hazard[])
            .filter((h) => !hazards.includes(h))
            .map((h) => (
              <button
                key={h}
                type="button"
                className="btn"
                onClick={() => {
                  if (log.record({ type: "job.safetyRaised", payload: { hazard: h, note: "" } })) onDone();
                }}
              >
                {HAZARDS[h].name}
              </button>
            ))}
        </div>
      </fieldset>
      <ul className="rows">
        {CAUTIONS.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
      <p className="q">Helvane advises. The maker's service information, local codes and licensed practice come first.</p>
    </>
  );
}
