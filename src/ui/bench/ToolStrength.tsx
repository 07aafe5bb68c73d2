"use client";
import { useState } from "react";
import { askCalibration } from "@/client/heat";
import { COVER_KINDS } from "@/core/build";
import {
  type CalibrateAnswer,
  type CoverKind,
  type HeatOwn,
  type JetTool,
  MATERIALS,
  SPOT_READ_S,
  SPOT_S,
  TOOL_RANGES,
} from "@/core/heat";
import { readNumber } from "@/core/quantity";
import { Choose } from "../controls/Choose";

const JETS = Object.keys(TOOL_RANGES) as JetTool[];

/** How strong a hot-air tool really is: held still over a spare lid, one reading, reckoned from it. */
export function ToolStrength({ own, onKeep }: { own: HeatOwn; onKeep: (tools: HeatOwn["tools"], words: string) => void }) {
  const [tool, setTool] = useState<JetTool>("hairDryer");
  const [cover, setCover] = useState<CoverKind>("al");
  const [f, setF] = useState({ nozzleC: "", surfaceC: "" });
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<CalibrateAnswer | null>(null);
  const { nozzleC: range, standOffMm, words } = TOOL_RANGES[tool];
  const nozzleC = readNumber(f.nozzleC);
  const surfaceC = readNumber(f.surfaceC);
  const whole = nozzleC !== null && nozzleC >= 40 && nozzleC <= 400 && surfaceC !== null && surfaceC >= 0 && surfaceC <= 200;
  const forget = () => setSaid(null);
  const found = said?.kind === "found" ? said.found : null;
  return (
    <form
      className="flex flex-col gap-2"
      aria-label="Measure a tool"
      onSubmit={async (e) => {
        e.preventDefault();
        if (!whole || busy) return;
        setBusy(true);
        setSaid(await askCalibration({ own, tool, cover, nozzleC, surfaceC, standOffMm }));
        setBusy(false);
      }}
    >
      <p>
        Measure one: on a spare lid, nozzle {standOffMm} mm over its middle, held still {SPOT_S} s, away, and the surface read{" "}
        {SPOT_READ_S} s later with a contact thermometer.
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <label className="field" style={{ width: 190 }}>
          <span>Tool</span>
          <Choose
            value={tool}
            options={JETS.map((t) => [t, TOOL_RANGES[t].words] as const)}
            onValue={(t) => {
              setTool(t);
              forget();
            }}
          />
        </label>
        <label className="field" style={{ width: 190 }}>
          <span>Spare lid of</span>
          <Choose
            value={cover}
            options={COVER_KINDS.map((k) => [k, MATERIALS[k].name] as const)}
            onValue={(k) => {
              setCover(k);
              forget();
            }}
          />
        </label>
        <label className="field" style={{ width: 110 }}>
          <span>Nozzle, °C</span>
          <input
            className="mono"
            inputMode="decimal"
            maxLength={6}
            placeholder={`${range[0]} to ${range[1]}`}
            value={f.nozzleC}
            onChange={(e) => {
              setF({ ...f, nozzleC: e.target.value });
              forget();
            }}
          />
        </label>
        <label className="field" style={{ width: 110 }}>
          <span>Read, °C</span>
          <input
            className="mono"
            inputMode="decimal"
            maxLength={6}
            value={f.surfaceC}
            onChange={(e) => {
              setF({ ...f, surfaceC: e.target.value });
              forget();
            }}
          />
        </label>
        <button type="submit" className="btn" disabled={!whole || busy}>
          {busy ? "Reckoned …" : "How strong is it?"}
        </button>
      </div>
      {said?.kind === "wrong" && (
        <p className="wrong" role="alert">
          {said.words}
        </p>
      )}
      {found && (
        <p role="status">
          {found.clipped ? (
            <b>No strength of 0.6 to 1.5 explains that reading: check the setting, the distance and the thermometer.</b>
          ) : (
            <>
              <b>
                {found.cal.toFixed(2)} of what it should give, {found.range[0].toFixed(2)} to {found.range[1].toFixed(2)}.
              </b>{" "}
              {found.weak && "A tenth of strength moves the reading by less than 2 K here: a metal lid tells more. "}
              <button
                type="button"
                className="btn quiet"
                onClick={() =>
                  onKeep(
                    {
                      ...own.tools,
                      [tool]: { cal: Math.round(found.cal * 1000) / 1000, on: new Date().toISOString().slice(0, 10) },
                    },
                    `${words}: ${found.cal.toFixed(2)} is kept. Planned with it, ± 15 % all the same.`,
                  )
                }
              >
                Keep it
              </button>
            </>
          )}
        </p>
      )}
    </form>
  );
}
