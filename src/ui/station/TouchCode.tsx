"use client";
import { useState } from "react";
import { candidateOf } from "@/core/job";
import { ghostWatch, readTouchCode } from "@/core/proof";
import { durationWords } from "@/core/quantity";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** Share of cells that have to answer, and ghost taps an hour that are too many (adj). */
const COVERED = 0.98;
const GHOSTS_PER_HOUR = 6;

/** Touch is tested on the machine itself; what it found comes back over a short code. */
export function TouchCode({ onDone }: { onDone: (result: "pass" | "fail" | "unclear", note: string) => void }) {
  const { view, build } = useBench();
  const [code, setCode] = useState("");
  const active = candidateOf(view)?.active.value ?? build?.data.lid.opening ?? null;
  const href = `/pattern/touch${active ? `?w=${Math.round(active.widthMm)}&h=${Math.round(active.heightMm)}` : ""}`;
  const read = code.trim() ? readTouchCode(code) : null;
  const r = read?.ok ? read.result : null;
  const watch =
    r &&
    ghostWatch({ watchedS: r.watchedS, taps: Array.from({ length: r.ghosts }, (_, i) => i * 2), targetPerHour: GHOSTS_PER_HOUR });
  const covered = r !== null && r.coveredPerMille / 1000 >= COVERED && r.columns + r.rows === 0;
  const verdict =
    !r || !watch ? null : !covered || watch.verdict === "over" ? "fail" : watch.verdict === "under" ? "pass" : "unclear";
  const words =
    r && watch
      ? [
          `${(r.coveredPerMille / 10).toFixed(1)} % of the glass answers`,
          r.columns + r.rows > 0
            ? `dead: ${[r.columns && `${r.columns} columns`, r.rows && `${r.rows} rows`].filter(Boolean).join(", ")}`
            : "",
          r.watchedS > 0
            ? `${watch.events} ghost taps in ${durationWords(r.watchedS / 60)}: fewer than ${watch.upperPerHour < 100 ? watch.upperPerHour.toFixed(1) : Math.round(watch.upperPerHour)} an hour (95 %)`
            : "no ghost watch",
        ]
          .filter(Boolean)
          .join("; ")
      : "";
  return (
    <section aria-label="Touch on the machine" className="flex flex-col gap-3">
      <p>
        On the machine under test open{" "}
        <a className="link mono" href={href} target="_blank" rel="noreferrer">
          {href}
        </a>
        , or from a stick{" "}
        <a className="link" href={href.replace("/pattern/touch", "/pattern.html")}>
          the pattern file
        </a>{" "}
        (T starts it): draw over the whole glass, then hands off. Thirty minutes without a tap say fewer than 6 an hour; inside
        the dwell they cost nothing.
      </p>
      <label className="field">
        <span>Code from the machine</span>
        <input
          className="mono"
          value={code}
          maxLength={24}
          autoComplete="off"
          spellCheck={false}
          placeholder="XXXX-XXXX-XXXX-X"
          aria-invalid={read?.ok === false}
          onChange={(e) => setCode(e.target.value)}
        />
        {read?.ok === false && <span className="wrong">{read.problem}</span>}
      </label>
      {verdict && (
        <>
          <p role="status" className="flex items-start gap-3">
            <Mark kind={verdict === "pass" ? "same" : verdict === "fail" ? "stop" : "look"} size={26} />
            <b>
              {words}.{" "}
              {watch!.verdict === "watchLonger" && covered
                ? `Watch ${durationWords((watch!.needS - r!.watchedS) / 60)} longer, if nothing more comes.`
                : ""}
            </b>
          </p>
          <button type="button" className="btn self-start" onClick={() => onDone(verdict, words.slice(0, 200))}>
            Record: {verdict === "pass" ? "holds" : verdict === "fail" ? "fails" : "not settled"}
          </button>
        </>
      )}
    </section>
  );
}
