"use client";
import { useState } from "react";
import { alignHinges, type HingeAnswer, type HingeReading, hingeActs, stubbornHinge } from "@/core/hinge";
import type { Payload } from "@/core/job";
import { readNumber } from "@/core/quantity";
import { NumberField } from "../controls/NumberField";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { HingesDrawing } from "./HingesDrawing";
import { HingeTorque } from "./HingeTorque";
import { RefusalBox } from "./RefusalBox";

type Read = Payload<"after.hingesRead">;

const VERDICT: Readonly<Record<HingeAnswer["verdict"], string>> = {
  aligned: "In line",
  move: "Can be brought in",
  maybe: "May be brought in",
  bent: "Not a matter of the screws",
  moreReadings: "One more reading",
};

/** The answer to one set of readings. @example answerOf(payload).verdict // "aligned" */
const answerOf = (p: Read): HingeAnswer =>
  alignHinges({
    hingeSpanMm: p.spanMm,
    clearanceMm: p.clearanceMm,
    readings: p.readings as HingeReading[],
    ...(p.heights ? { heights: p.heights } : {}),
    toleranceMm: p.toleranceMm,
  });

/** Readings between lid and base: which hinge to slacken, how far and which way; friction against weight. */
export function Hinges({ when }: { when: "before" | "after" }) {
  const { log, view, build } = useBench();
  const lid = build!.data.lid;
  const hinges = [...lid.hinges].sort((a, b) => a.xMm - b.xMm);
  const centre = (h: { xMm: number; widthMm: number }) => h.xMm + h.widthMm / 2;
  const left = hinges[0] && hinges.length > 1 ? centre(hinges[0]) : lid.widthMm * 0.15;
  const right = hinges.length > 1 ? centre(hinges.at(-1)!) : lid.widthMm * 0.85;
  const middle = (left + right) / 2;
  const [span, setSpan] = useState(String(Math.round(right - left)));
  const [play, setPlay] = useState("0.25");
  const [tolerance, setTolerance] = useState("0.2");
  const [mm, setMm] = useState<Record<string, string>>({});
  const [high, setHigh] = useState<Record<string, string>>({});
  const places: { id: string; label: string; kind: HingeReading["kind"]; xMm: number; yMm: number }[] = [
    { id: "leftRear", label: "Left side, rear", kind: "left", xMm: -middle, yMm: 25 },
    { id: "leftFront", label: "Left side, front", kind: "left", xMm: -middle, yMm: lid.heightMm - 20 },
    { id: "rightRear", label: "Right side, rear", kind: "right", xMm: lid.widthMm - middle, yMm: 25 },
    { id: "rightFront", label: "Right side, front", kind: "right", xMm: lid.widthMm - middle, yMm: lid.heightMm - 20 },
    { id: "frontLeft", label: "Front, left", kind: "front", xMm: 30 - middle, yMm: lid.heightMm },
    { id: "frontRight", label: "Front, right", kind: "front", xMm: lid.widthMm - 30 - middle, yMm: lid.heightMm },
  ];
  const corners = [
    ["frontLeft", "Front left"],
    ["frontRight", "Front right"],
    ["rearLeft", "Rear left"],
    ["rearRight", "Rear right"],
  ] as const;
  const number = (t: string | undefined) => (t === undefined || t.trim() === "" ? null : readNumber(t));
  const read = places.flatMap((p) => {
    const v = number(mm[p.id]);
    return v === null ? [] : [{ kind: p.kind, xMm: p.xMm, yMm: p.yMm, mm: v }];
  });
  const h = corners.map(([id]) => number(high[id]));
  const payload: Read = {
    when,
    spanMm: number(span) ?? 0,
    clearanceMm: [number(play) ?? 0, number(play) ?? 0],
    readings: read,
    ...(h.every((x) => x !== null)
      ? { heights: { frontLeft: h[0]!, frontRight: h[1]!, rearLeft: h[2]!, rearRight: h[3]! } }
      : {}),
    toleranceMm: number(tolerance) ?? 0.2,
  };
  const rounds = view.state.after.hinges.filter((r) => r.when === when);
  const typed = read.length > 0 && payload.spanMm > 0 ? answerOf(payload) : null;
  const answer = typed ?? (rounds.length ? answerOf(rounds.at(-1)!) : null);
  const stubborn = stubbornHinge([...rounds.map(answerOf), ...(typed ? [typed] : [])]);
  return (
    <section aria-label="Hinges" className="flex flex-col gap-3">
      <h2 className="sec">{when === "before" ? "Hinges as they came" : "Hinges"}</h2>
      <HingesDrawing
        widthMm={lid.widthMm}
        depthMm={lid.heightMm}
        middleMm={middle}
        spanMm={right - left}
        readings={places.map((p) => ({ ...p, mm: number(mm[p.id]) }))}
        answer={answer}
      />
      <form
        className="flex flex-col gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (log.record({ type: "after.hingesRead", payload })) setMm({});
        }}
      >
        <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
          {places.map((p) => (
            <NumberField
              key={p.id}
              label={`${p.label}, mm`}
              min={-20}
              max={20}
              value={mm[p.id] ?? ""}
              onText={(t) => setMm({ ...mm, [p.id]: t })}
            />
          ))}
        </div>
        <details>
          <summary className="btn quiet">Heights, play, tolerance</summary>
          <div className="grid grid-cols-2 gap-2 sm:grid-cols-4">
            {corners.map(([id, w]) => (
              <NumberField
                key={id}
                label={`${w} high, mm`}
                min={-20}
                max={20}
                value={high[id] ?? ""}
                onText={(t) => setHigh({ ...high, [id]: t })}
              />
            ))}
            <NumberField label="Between hinges, mm" min={20} max={500} value={span} onText={setSpan} />
            <NumberField label="Play in the holes, mm" min={0} max={3} value={play} onText={setPlay} />
            <NumberField label="In line within, mm" min={0.01} max={3} value={tolerance} onText={setTolerance} />
          </div>
          <p className="q">Play: hole less screw, halved. M2.5 in 3.0 mm gives 0.25; a dowelled hinge 0.</p>
        </details>
        <RefusalBox />
        <button type="submit" className="btn self-start" disabled={read.length === 0}>
          Keep these readings
        </button>
      </form>
      {answer && <Said answer={answer} round={rounds.length + (typed ? 1 : 0)} stubborn={stubborn} />}
      <HingeTorque when={when} />
    </section>
  );
}

function Said({ answer, round, stubborn }: { answer: HingeAnswer; round: number; stubborn: "left" | "right" | null }) {
  const fine = answer.verdict === "aligned";
  const shown = answer.pick && answer.verdict !== "bent" && answer.verdict !== "moreReadings";
  const { widthMm: w, lengthMm: l } = answer.misfit;
  return (
    <div role="status" className={fine ? "flex flex-col gap-2" : "look flex-col"}>
      <p className="flex items-start gap-3 text-[20px] leading-[26px]">
        <Mark kind={fine ? "same" : answer.verdict === "bent" ? "stop" : "look"} size={26} />
        <b>
          {VERDICT[answer.verdict]}
          {answer.why ? `: ${answer.why}` : ""}
          {answer.verdict === "maybe" && answer.pick ? `: ${answer.pick.reach.toFixed(1)} times the play in the holes` : ""}
        </b>
      </p>
      {shown && answer.pick!.slacken !== "none" && (
        <ol className="list-decimal pl-6">
          {hingeActs(answer.pick!).map((a) => (
            <li key={a.say}>{a.say}</li>
          ))}
        </ol>
      )}
      {shown && (
        <p className="q">
          Round {Math.max(1, round)}. Left over {answer.pick!.leftOverMm.toFixed(2)} mm
          {answer.both && answer.pick!.slacken !== "both" ? `; with both slackened ${answer.both.leftOverMm.toFixed(2)} mm` : ""}.
        </p>
      )}
      {answer.verdict === "bent" && (
        <p>
          Hinge, lid or base is bent, or the lid is not seated: on a flat plate first, is it the base? More force on the screws
          tears their bosses.
        </p>
      )}
      {(w !== null && Math.abs(w) >= 0.1) || (l !== null && Math.abs(l) >= 0.1) ? (
        <p className="q">
          {w !== null && Math.abs(w) >= 0.1
            ? `Lid ${Math.abs(w).toFixed(2)} mm ${w > 0 ? "wider" : "narrower"} than the base. `
            : ""}
          {l !== null && Math.abs(l) >= 0.1
            ? `Lid ${Math.abs(l).toFixed(2)} mm ${l > 0 ? "longer" : "shorter"} than the base. `
            : ""}
          That cannot be screwed away.
        </p>
      ) : null}
      {stubborn && (
        <p>
          <b>Third time the same way on the {stubborn} hinge:</b> its seat is dirty or bent. Take it off and look.
        </p>
      )}
    </div>
  );
}
