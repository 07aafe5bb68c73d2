"use client";
import { openBreaches, openHazards } from "@/core/job";
import { HAZARDS, type Hazard } from "@/core/triage";
import { Mark } from "../draw/Mark";
import { useBench } from "./context";

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

/** What the job has to mind now, the stops that can be raised, and what always holds. */
export function Cautions({ onDone }: { onDone: () => void }) {
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
