"use client";
import { useEffect, useRef, useState } from "react";
import { askEvenness } from "@/client/evenness";
import { candidateOf } from "@/core/job";
import { type Evenness, type EvennessVerdict, judgeEvenness } from "@/core/proof";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { CornerPhoto } from "./CornerPhoto";
import { EvennessDrawing } from "./EvennessDrawing";
import { PhoneStandIn } from "./PhoneStandIn";
import { StripPhoto } from "./StripPhoto";

const WORDS: Readonly<Record<EvennessVerdict["verdict"], string>> = {
  good: "Even enough, by the policy",
  bad: "Not even enough",
  unsure: "Unsure: the figures do not settle it",
};
type Good = Extract<Evenness, { ok: true }>;
interface Shot {
  lit: File | null;
  black: File | null;
  corners: [number, number][] | null;
  /** A person put the corners: they are taken as they are. */
  byHand: boolean;
}
const NONE: Shot = { lit: null, black: null, corners: null, byHand: false };

/** Two photos of the lit panel: how even its light is, with what the camera cannot tell. */
export function EvennessPhoto({ onDone }: { onDone: (result: "pass" | "fail" | "unclear", note: string) => void }) {
  const { view, build } = useBench();
  const [shots, setShots] = useState<Shot[]>([NONE, NONE]);
  const [busy, setBusy] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [said, setSaid] = useState<Good | null>(null);
  const [strip, setStrip] = useState<File | null>(null);
  /** Least over most as it truly is, where the simulated phone took the photos. */
  const [truth, setTruth] = useState<number | null>(null);
  const [response, setResponse] = useState<number | null>(null);
  const stop = useRef<() => void>(() => {});
  useEffect(() => () => stop.current(), []);
  const active = candidateOf(view)?.active.value ?? build?.data.lid.opening ?? null;
  if (!active) return null;
  const change = (i: number, to: Partial<Shot>) => setShots((all) => all.map((x, k) => (k === i ? { ...x, ...to } : x)));
  const take = (i: number, lit: File | null) => {
    setTruth(null);
    change(i, { lit, corners: null, byHand: false });
  };
  const chosen = shots.filter((x) => x.lit !== null);
  const measure = () => {
    setWrong(null);
    setSaid(null);
    setBusy("Beginning");
    const asked = chosen.map((x) => ({ lit: x.lit!, black: x.black, corners: x.byHand ? x.corners : null }));
    const panel = { widthMm: active.widthMm, heightMm: active.heightMm };
    stop.current = askEvenness({ kind: "measure", shots: asked, panel, strip }, (a) => {
      if (a.kind === "progress") return setBusy(a.words);
      setBusy(null);
      if (a.kind === "wrong") return setWrong(a.words);
      if (a.kind !== "measured") return;
      setResponse(a.response);
      if (a.said.ok) setSaid(a.said);
      else setWrong(a.said.words);
    });
  };
  const verdict = said && judgeEvenness(said);
  const note = (v: EvennessVerdict) =>
    `${v.rows.map((r) => `${r.points} points ${(r.ratio * 100).toFixed(0)} ± ${(r.sigma * 200).toFixed(0)} %`).join(", ")}${v.found[0] ? `; ${v.found[0]}` : ""}`.slice(
      0,
      200,
    );
  return (
    <section aria-label="Evenness by photo" className="flex flex-col gap-3">
      <p className="text-[17px] leading-[23px]">
        White or grey pattern, full brightness, the room dim. The phone two to two and a half widths away, exposure locked and
        lowered, no flash. <b>Pivot, do not move:</b> the screen left and high in the first photo, right and low in the second.
      </p>
      <div className={`grid gap-2 ${chosen.length ? "" : "grid-cols-2"}`}>
        {(["left and high", "right and low"] as const).map((where, i) => (
          <div key={where} className="flex flex-col gap-2">
            <label
              className="field"
              onDragOver={(e) => e.preventDefault()}
              onDrop={(e) => {
                e.preventDefault();
                const f = e.dataTransfer.files[0];
                if (f) take(i, f);
              }}
            >
              <span>
                Photo {i + 1}: screen {where}
              </span>
              <input type="file" accept="image/*" onChange={(e) => take(i, e.target.files?.[0] ?? null)} />
            </label>
            {shots[i]?.lit && (
              <CornerPhoto
                file={shots[i].lit}
                name={`Photo ${i + 1}`}
                corners={shots[i].corners}
                onCorners={(corners, by) => change(i, { corners, byHand: by === "hand" })}
              />
            )}
          </div>
        ))}
      </div>
      <PhoneStandIn
        active={active}
        onPhotos={(p) => {
          take(0, p.leftHigh);
          take(1, p.rightLow);
          setStrip(p.strip);
          setTruth(p.truth);
        }}
      />
      <details>
        <summary className="btn quiet" style={{ display: "inline-flex" }}>
          The room is not dark: the same two photos with the pattern black
        </summary>
        <div className="grid grid-cols-2 gap-2 pt-2">
          {shots.map((_, i) => (
            <label key={i} className="field">
              <span>Photo {i + 1}, pattern black</span>
              <input
                type="file"
                accept="image/*"
                disabled={!shots[i]?.lit}
                onChange={(e) => change(i, { black: e.target.files?.[0] ?? null })}
              />
            </label>
          ))}
        </div>
        <p className="q">Same aim, same exposure: room light and what is mirrored in the glass are taken off.</p>
      </details>
      <StripPhoto off={!shots[0]?.lit} onFile={setStrip} />
      <div className="flex items-center gap-3">
        <button type="button" className="btn" disabled={chosen.length === 0 || busy !== null} onClick={measure}>
          Measure
        </button>
        {busy && (
          <>
            <span role="status">{busy} …</span>
            <button
              type="button"
              className="btn quiet"
              onClick={() => {
                stop.current();
                setBusy(null);
              }}
            >
              Stop
            </button>
          </>
        )}
        <span className="q">Nothing is sent: the photos stay on this device.</span>
      </div>
      {wrong && (
        <div className="refusal" role="alert">
          <Mark kind="stop" size={26} />
          <p>{wrong}</p>
        </div>
      )}
      {said && verdict && (
        <>
          <p role="status" className="flex items-center gap-3 text-[20px]">
            <Mark kind={verdict.verdict === "good" ? "same" : verdict.verdict === "bad" ? "stop" : "look"} size={26} />
            <b>{WORDS[verdict.verdict]}</b>
          </p>
          <EvennessDrawing said={said} widthMm={active.widthMm} heightMm={active.heightMm} />
          <ul className="rows tight" aria-label="Figures">
            {verdict.rows.map((r) => (
              <li key={r.points}>
                <span className="grow">{r.points} points, least over most</span>
                <b className="mono">
                  {(r.ratio * 100).toFixed(1)} ± {(r.sigma * 200).toFixed(1)} %
                </b>
                <em>at least {r.limit * 100} %</em>
              </li>
            ))}
            <li>
              <span className="grow">Colour drifts by (u′v′)</span>
              <b className="mono">{said.rows[9].colourShift.toFixed(4)}</b>
              <em>0.012 good, over 0.020 bad</em>
            </li>
            {verdict.found.map((f) => (
              <li key={f}>
                <span className="grow">{f}</span>
              </li>
            ))}
          </ul>
          <p className="q">
            {response === null
              ? "The phone's tone curve is not known: with the step strip the figures are surer."
              : `Tone curve from the step strip: exponent ${(1 / response).toFixed(2)}${response === 1 ? ", as good as none" : ", put right"}.`}
          </p>
          {truth !== null && <p className="q">The simulated panel truly has {(truth * 100).toFixed(1)} % over nine points.</p>}
          {said.warnings.map((w) => (
            <p key={w} className="q">
              {w}
            </p>
          ))}
          <p className="q">
            The range is two standard deviations, viewing angle included. A camera cannot tell candela, contrast, absolute colour,
            flicker or single dots, nor whether a faint mark is film, glass or dirt: move the eye, wipe. Limits are adjustable;
            the data sheet comes first.
          </p>
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="btn"
              disabled={verdict.verdict !== "good"}
              onClick={() => onDone("pass", note(verdict))}
            >
              Record: even enough
            </button>
            <button type="button" className="btn" onClick={() => onDone("fail", note(verdict))}>
              Record: not even
            </button>
            <button type="button" className="btn quiet" onClick={() => onDone("unclear", note(verdict))}>
              Record: unsure
            </button>
          </div>
        </>
      )}
    </section>
  );
}
