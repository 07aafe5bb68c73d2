"use client";
import { useState } from "react";
import { buildOf, type LooseLook, looseLooks, mayHandOver, screwsOpen } from "@/core/job";
import { listed, readNumber } from "@/core/quantity";
import { NumberField } from "../controls/NumberField";
import { Plate } from "../controls/Plate";
import { Sheet } from "../controls/Sheet";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { RefusalBox } from "./RefusalBox";

/** What is tried beside the picture: what to see, how, and what it is when it is not there. */
const LOOK_HOW: Readonly<Record<LooseLook, readonly [string, string, string]>> = {
  touch: [
    "Touch over the whole face",
    "Draw along all four edges and both diagonals: the line follows.",
    "Touch dead, or with gaps",
  ],
  camera: ["Camera picture", "Open the camera: upright and sharp, its light on.", "No camera, or a bad picture"],
};

/** The loose test: what was seen, on which supply, and what else the new part carries. */
export function LooseTestStep() {
  const { log, build, view, setKeys } = useBench();
  const supply = view.state.plan?.supply ?? build?.data.isolation.testSupply ?? "mains";
  const test = view.state.looseTest;
  // The picture comes first; then what else the new part carries, one after the other.
  const look = test?.picture && !test.voidedBy ? looseLooks(view).find((l) => test.looks[l] !== true) : undefined;
  const seen = (works: boolean) =>
    look
      ? log.record({ type: "swap.looseSeen", payload: { look, works } })
      : log.record({ type: "swap.looseTested", payload: { supply, picture: works, note: "" } });
  setKeys({ space: () => seen(true), enter: () => seen(true), keys: { n: () => seen(false), f: () => seen(false) } });
  const [line1, line2, bad] = look
    ? LOOK_HOW[look]
    : [
        "Picture whole and even",
        `On ${supply === "mains" ? "mains only" : supply === "battery" ? "battery" : "mains and battery"}. Press when you see it.`,
        "No picture, or a fault",
      ];
  return (
    <>
      <Plate line1={line1} line2={line2} onAct={() => seen(true)} />
      {look && test?.looks[look] === false && (
        <div className="refusal" role="status">
          <Mark kind="stop" size={28} />
          <p>Did not work. Power off first, then its lead: off, looked at, on until home. Touching it voids the test.</p>
        </div>
      )}
      <button type="button" className="btn self-start" onClick={() => seen(false)}>
        {bad} <kbd>N</kbd>
      </button>
    </>
  );
}

export function AngleStep() {
  const { log, setKeys } = useBench();
  const [deg, setDeg] = useState("120");
  const save = () => {
    const n = readNumber(deg) ?? Number.NaN;
    if (!(n >= 0 && n <= 360)) return log.refuse({ gate: "angle", reason: `"${deg}" is not an angle of 0 to 360 degrees.` });
    log.record({ type: "close.angleChecked", payload: { degrees: n } });
  };
  setKeys({ space: save, enter: save });
  return (
    <>
      <NumberField label="Angle where it stays by itself, degrees" min={0} max={360} value={deg} onText={setDeg} />
      <Plate line1={`It stays at ${deg || "…"} degrees`} line2="Opens with one hand, no droop. Press to record." onAct={save} />
    </>
  );
}

export function HandOverStep() {
  const { log, view, setKeys, jobId } = useBench();
  const [to, setTo] = useState(view.state.job?.customer ?? "");
  const shut = mayHandOver(view);
  const give = () => {
    log.record(
      { type: "close.handedOver", payload: { to: to.trim() || (view.state.job?.customer ?? "") } },
      { type: "job.closed", payload: { outcome: "handedOver", reason: "" } },
    );
  };
  setKeys({ space: give, enter: give });
  return (
    <>
      <label className="field">
        <span>Handed to</span>
        <input value={to} maxLength={80} onChange={(e) => setTo(e.target.value)} />
      </label>
      <Plate
        line1="Hand over and close the job"
        line2={shut ? shut.reason : "Both passes held, every screw accounted for."}
        onAct={give}
      />
      <p className="flex flex-wrap gap-3">
        <a className="btn" href={`/api/jobs/${jobId}/handover`} target="_blank" rel="noreferrer">
          Hand-over sheet, PDF
        </a>
        <a className="btn" href={`/jobs/${jobId}/handover`}>
          On screen
        </a>
        <a className="btn" href={`/api/jobs/${jobId}/export`}>
          Whole job, zip
        </a>
      </p>
    </>
  );
}

/** A screw that does not go back: stays out because, replaced, missing; or one too many. */
export function Leftovers({ screw, where }: { screw: string; where: string }) {
  const { log } = useBench();
  const [open, setOpen] = useState(false);
  const [as, setAs] = useState<"staysOut" | "replaced" | "missing" | "extra">("staysOut");
  const [reason, setReason] = useState("");
  const save = () => {
    const why = reason.trim();
    const ok =
      as === "extra"
        ? log.record({ type: "close.screwExtra", payload: { words: "One screw too many", settled: why } })
        : log.record({ type: "close.screwAccounted", payload: { screw, as, reason: why } });
    if (ok) {
      setOpen(false);
      setReason("");
    }
  };
  return (
    <>
      <button type="button" className="btn quiet self-start whitespace-nowrap" onClick={() => setOpen(true)}>
        Not back
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} title={`${where}: not back`}>
        <form
          className="flex flex-col gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            save();
          }}
        >
          <fieldset className="flex flex-wrap gap-2">
            <legend className="vh">What became of it</legend>
            {(
              [
                ["staysOut", "Stays out"],
                ["replaced", "Replaced by a new one"],
                ["missing", "Missing"],
                ["extra", "One too many"],
              ] as const
            ).map(([k, w]) => (
              <button key={k} type="button" className="btn quiet" aria-pressed={as === k} onClick={() => setAs(k)}>
                {w}
              </button>
            ))}
          </fieldset>
          <label className="field">
            <span>Because</span>
            <input value={reason} required maxLength={200} onChange={(e) => setReason(e.target.value)} />
          </label>
          <RefusalBox />
          <button type="submit" className="btn self-start">
            <Mark kind="same" size={18} />
            Record
          </button>
        </form>
      </Sheet>
    </>
  );
}

/** A screw in hand when every hole is full: it came from somewhere, and where is said before the machine is closed. */
export function ScrewLeftOver() {
  const { log, view } = useBench();
  const [open, setOpen] = useState(false);
  const [which, setWhich] = useState("");
  const [settled, setSettled] = useState("");
  const { out, loose } = screwsOpen(view.state);
  const build = buildOf(view);
  const home = out.map(
    (id) =>
      build?.groupOfScrew
        .get(id)
        ?.screws.find((s) => s.id === id)
        ?.where.toLowerCase() ?? id,
  );
  return (
    <>
      <button type="button" className="btn quiet" onClick={() => setOpen(true)}>
        Screw left over
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} title="A screw left over">
        <form
          className="flex flex-col gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            const done = log.record({ type: "close.screwExtra", payload: { words: which.trim(), settled: settled.trim() } });
            if (!done) return;
            setOpen(false);
            setWhich("");
            setSettled("");
          }}
        >
          <p>
            {home.length > 0
              ? `Still without a screw: ${listed(home)}. Does it belong there?`
              : loose.length > 0
                ? "Every screw that came out is back; some are loosened only."
                : "Every screw that came out of this machine is back. This one came from elsewhere, or was never counted out: look for the empty hole before you close."}
          </p>
          <label className="field">
            <span>Which one</span>
            <input
              value={which}
              required
              maxLength={120}
              placeholder="M2 × 3, black, flat head"
              onChange={(e) => setWhich(e.target.value)}
            />
          </label>
          <label className="field">
            <span>Where it belongs, or what was looked at</span>
            <input value={settled} required maxLength={200} onChange={(e) => setSettled(e.target.value)} />
          </label>
          <RefusalBox />
          <button type="submit" className="btn self-start">
            Record
          </button>
        </form>
      </Sheet>
    </>
  );
}
