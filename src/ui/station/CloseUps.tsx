"use client";
import { useEffect, useRef, useState } from "react";
import { askEvenness } from "@/client/evenness";
import { candidateOf, oldPanelOf } from "@/core/job";
import { type CloseUp, type DotCandidate, FAULT_CLASS_WORDS, type FaultClass, tilesOf } from "@/core/proof";
import { Choose } from "../controls/Choose";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { CornerPhoto } from "./CornerPhoto";

const SIXTHS = ["1 top left", "2 top middle", "3 top right", "4 bottom left", "5 bottom middle", "6 bottom right"] as const;
const KINDS: readonly FaultClass[] = ["bright", "dark", "subPixel"];

/** Sharp close-ups, sixth by sixth: what stands out is suggested, and counts only once a person looked and said what it is. */
export function CloseUps({
  at,
  onFault,
}: {
  /** From shares of the lit area to mm on the lid. */
  at: (share: { x: number; y: number }) => { x: number; y: number };
  onFault: (cls: FaultClass, xMm: number, yMm: number) => boolean;
}) {
  const { view } = useBench();
  const [sixth, setSixth] = useState("0");
  const [file, setFile] = useState<File | null>(null);
  const [corners, setCorners] = useState<[number, number][] | null>(null);
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<CloseUp | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const stop = useRef<() => void>(() => {});
  useEffect(() => () => stop.current(), []);
  const px = candidateOf(view)?.pixels.value ?? oldPanelOf(view)?.pixels.value ?? null;
  if (!px) return null;
  const look = () => {
    if (!file || !corners) return;
    setBusy(true);
    setSaid(null);
    setWrong(null);
    stop.current = askEvenness({ kind: "closeUp", file, corners, tile: tilesOf(px.h, px.v)[Number(sixth)]! }, (a) => {
      if (a.kind === "progress") return;
      setBusy(false);
      if (a.kind === "closeUp") setSaid(a.said);
      else if (a.kind === "wrong") setWrong(a.words);
    });
  };
  const drop = (c: DotCandidate) => setSaid((s) => (s?.ok ? { ...s, candidates: s.candidates.filter((x) => x !== c) } : s));
  const problem = wrong ?? (said && !said.ok ? said.words : null);
  return (
    <details>
      <summary className="min-h-9 cursor-pointer leading-9">Close-ups suggest dots, a sixth at a time</summary>
      <div className="flex flex-col gap-2 pt-1" role="group" aria-label="Close-up">
        <p className="q">
          On the machine: dots, <i>Crosses for a close-up</i>. The phone 150 to 200 mm away, all four crosses in the picture,
          sharp. Suggestions never count by themselves: look at each with the loupe.
        </p>
        <div className="flex flex-wrap items-end gap-2">
          <label className="field" style={{ width: 190 }}>
            <span>Sixth</span>
            <Choose value={sixth} options={SIXTHS.map((w, i) => [String(i), w] as const)} onValue={setSixth} />
          </label>
          <label className="field grow">
            <span>Close-up</span>
            <input
              type="file"
              accept="image/*"
              onChange={(e) => {
                setFile(e.target.files?.[0] ?? null);
                setCorners(null);
                setSaid(null);
              }}
            />
          </label>
        </div>
        {file && (
          <>
            <p className="q">Put the four marks onto the middles of the crosses.</p>
            <CornerPhoto file={file} name="Close-up" corners={corners} onCorners={(c) => setCorners(c)} />
            <button type="button" className="btn self-start" disabled={!corners || busy} onClick={look}>
              {busy ? "Looking" : "Look for dots"}
            </button>
          </>
        )}
        {problem && (
          <p role="alert" className="flex items-start gap-2">
            <Mark kind="look" size={20} /> {problem}
          </p>
        )}
        {said?.ok && (
          <>
            <p role="status">
              {said.candidates.length === 0
                ? "Nothing stands out in this sixth."
                : `${said.candidates.length} to look at, ${said.photoPxPerPx.toFixed(1)} photo pixels for each of the panel's.`}
            </p>
            <ul className="rows">
              {said.candidates.map((c) => (
                <Candidate
                  key={`${c.x} ${c.y}`}
                  c={c}
                  mm={at({ x: c.x / px.h, y: c.y / px.v })}
                  onFault={onFault}
                  onGone={() => drop(c)}
                />
              ))}
            </ul>
          </>
        )}
      </div>
    </details>
  );
}

function Candidate({
  c,
  mm,
  onFault,
  onGone,
}: {
  c: DotCandidate;
  mm: { x: number; y: number };
  onFault: (cls: FaultClass, xMm: number, yMm: number) => boolean;
  onGone: () => void;
}) {
  const [kind, setKind] = useState<FaultClass>(c.bright ? "bright" : "dark");
  return (
    <li style={{ alignItems: "center" }}>
      <span className="grow">
        {c.bright ? "Brighter" : "Darker"} by {Math.round(Math.min(9.99, c.contrast) * 100)} % at {mm.x}, {mm.y} mm
      </span>
      <span style={{ width: 150 }}>
        <Choose label="Kind" value={kind} options={KINDS.map((k) => [k, FAULT_CLASS_WORDS[k]] as const)} onValue={setKind} />
      </span>
      <button type="button" className="btn quiet" onClick={() => onFault(kind, mm.x, mm.y) && onGone()}>
        Seen: count it
      </button>
      <button type="button" className="btn quiet" onClick={onGone}>
        No dot
      </button>
    </li>
  );
}
