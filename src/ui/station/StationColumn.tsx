"use client";
import dynamic from "next/dynamic";
import { useState } from "react";
import { isWet, openBreaches, openHazards } from "@/core/job";
import { HAZARDS } from "@/core/triage";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { loadMatchLayer } from "../lid/LidDrawing";
import type { StationPath } from "../shell/JobStrip";
import { AimBox } from "./AimBox";
import { LiquidBox } from "./LiquidBox";
import { RefusalBox } from "./RefusalBox";

const LOAD = {
  triage: () => import("../triage/TriageStation").then((m) => m.TriageStation),
  identify: () => import("./IdentifyStation").then((m) => m.IdentifyStation),
  match: () => import("../match/MatchStation").then((m) => m.MatchStation),
  run: () => import("./RunStation").then((m) => m.RunStation),
  plan: () => import("./PlanStation").then((m) => m.PlanStation),
};
// Reckoned on the device: the server would do it once more for every look at the page.
const Triage = dynamic(LOAD.triage, { ssr: false, loading: () => <h1 className="step">Is it the panel?</h1> });
const Identify = dynamic(LOAD.identify);
const Match = dynamic(LOAD.match);
const RunStation = dynamic(LOAD.run);
const Plan = dynamic(LOAD.plan);

/** Fetches the instruments of all stations and what they show only at times; one that does not come is fetched when it is wanted. */
export function loadStations(): void {
  const inTriage = () => import("../triage/TriageStation").then((m) => m.loadViews());
  // Its search would weigh on the first load of every job: it comes with the stations.
  const inCatalogue = () => import("@/client/catalogue").then((m) => m.catalogueHere().read());
  const all = [...Object.values(LOAD), loadMatchLayer, inTriage, inCatalogue];
  void Promise.allSettled(all.map((load) => load())).then(() => {
    document.documentElement.dataset.stations = "here";
  });
}

/** The instrument of the station on screen; a safety stop takes its place until it is made safe. */
export function StationColumn({ station }: { station: StationPath }) {
  const { view } = useBench();
  const hazard = openHazards(view.state)[0];
  return (
    <section
      className={`col${station === "match" && !hazard ? " tight" : ""}`}
      aria-label={`${station} instrument`}
      data-station={station}
    >
      {hazard ? (
        <SafetyStop hazard={hazard} />
      ) : (
        <>
          <Breaches />
          {isWet(view.state) && <LiquidBox />}
          {view.state.plan && <AimBox station={station} />}
          {station === "triage" ? (
            <Triage />
          ) : station === "identify" ? (
            <Identify />
          ) : station === "match" ? (
            <Match />
          ) : station === "plan" ? (
            <Plan />
          ) : (
            <RunStation station={station} />
          )}
        </>
      )}
    </section>
  );
}

function SafetyStop({ hazard }: { hazard: keyof typeof HAZARDS }) {
  const { log, setKeys } = useBench();
  const [by, setBy] = useState("");
  const [how, setHow] = useState("");
  const [to, setTo] = useState("");
  setKeys({});
  const h = HAZARDS[hazard];
  return (
    <>
      <h1 className="step flex items-start gap-4">
        <Mark kind="stop" size={46} />
        {h.name}
      </h1>
      <div className="refusal">
        <p>{h.say} This stop cannot be waived, only made safe.</p>
      </div>
      <RefusalBox />
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          log.record({ type: "job.madeSafe", payload: { hazard, by: by.trim(), how: how.trim() } });
        }}
      >
        <h2 className="sec">Record how it was made safe</h2>
        <label className="field">
          <span>By whom</span>
          <input value={by} onChange={(e) => setBy(e.target.value)} required maxLength={80} />
        </label>
        <label className="field">
          <span>How</span>
          <textarea value={how} onChange={(e) => setHow(e.target.value)} required maxLength={400} />
        </label>
        <button type="submit" className="plate small">
          <span>
            <b>Made safe</b>
            <i>Both lines are kept with the job.</i>
          </span>
        </button>
      </form>
      <form
        className="flex flex-col gap-3 border-t-2 border-ink pt-4"
        onSubmit={(e) => {
          e.preventDefault();
          log.record({ type: "job.handedOn", payload: { to: to.trim(), why: h.name } });
        }}
      >
        <label className="field">
          <span>Or hand to a trained person</span>
          <input value={to} onChange={(e) => setTo(e.target.value)} required maxLength={80} />
        </label>
        <button type="submit" className="btn self-start">
          Hand on
        </button>
        {log.state.handedOn && (
          <p>
            Handed to {log.state.handedOn}.{" "}
            <button
              type="button"
              className="link"
              onClick={() => log.record({ type: "job.closed", payload: { outcome: "handedOn", reason: h.name } })}
            >
              Close the job
            </button>
          </p>
        )}
      </form>
      <p className="q">Local codes and licensed practice come first.</p>
    </>
  );
}

function Breaches() {
  const { log, view } = useBench();
  const [how, setHow] = useState("");
  const b = openBreaches(view.state)[0];
  if (!b) return null;
  return (
    <form
      className="refusal flex-col"
      onSubmit={(e) => {
        e.preventDefault();
        if (log.record({ type: "job.breachResolved", payload: { eventId: b.eventId, how: how.trim() } })) setHow("");
      }}
    >
      <div className="flex gap-3">
        <Mark kind="stop" size={30} />
        <div>
          <b>Breach: done while its gate was shut</b>
          {b.reason} Connecting, liners, closing and hand-over wait until it is resolved.
        </div>
      </div>
      <label className="field">
        <span>How it was put right</span>
        <input value={how} onChange={(e) => setHow(e.target.value)} required maxLength={400} />
      </label>
      <button type="submit" className="btn self-start">
        Resolve
      </button>
    </form>
  );
}
