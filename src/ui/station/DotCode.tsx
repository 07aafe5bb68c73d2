"use client";
import { useState } from "react";
import { candidateOf } from "@/core/job";
import { clusters, FAULT_CLASS_WORDS, type FaultClass, readDotCode, type SeenDot } from "@/core/proof";
import { counted } from "@/core/quantity";
import { CodeField } from "../controls/CodeField";
import { useBench } from "../job/context";
import { CloseUps } from "./CloseUps";

/** Taps on a drawing are no finer than this, mm: two within it may lie within five pixels. */
const NEAR_MM = 2;

/** Dots marked on the machine itself come back over a code; taps that lie close are asked about: are they a cluster? */
export function DotCode({ onFault }: { onFault: (cls: FaultClass, xMm: number, yMm: number) => boolean }) {
  const { view, build, say } = useBench();
  const [code, setCode] = useState("");
  const active = candidateOf(view)?.active.value ?? build?.data.lid.opening ?? null;
  const opening = build?.data.lid.opening;
  const href = `/pattern/touch?${active ? `w=${Math.round(active.widthMm)}&h=${Math.round(active.heightMm)}&` : ""}dots`;
  const read = code.trim() ? readDotCode(code) : null;
  const at = (d: Pick<SeenDot, "x" | "y">) => ({
    x: Math.round(((opening?.xMm ?? 0) + d.x * (active?.widthMm ?? 309)) * 10) / 10,
    y: Math.round(((opening?.yMm ?? 0) + d.y * (active?.heightMm ?? 174)) * 10) / 10,
  });
  const take = (dots: readonly SeenDot[]) => {
    // A dot in a cluster counts in both: as itself, and the cluster once.
    const groups = [...new Set(dots.map((d) => d.cluster))].filter((c) => c > 0);
    const whole = groups.map((c) => {
      const of = dots.filter((d) => d.cluster === c);
      return {
        class: "cluster" as const,
        x: of.reduce((n, d) => n + d.x, 0) / of.length,
        y: of.reduce((n, d) => n + d.y, 0) / of.length,
      };
    });
    const all = [...dots, ...whole].every((d) => {
      const p = at(d);
      return onFault(d.class, p.x, p.y);
    });
    if (!all) return;
    setCode("");
    say(dots.length ? `${counted(dots.length, "dot")} taken over` : "No dot was seen: nothing to take over");
  };
  // A cluster that stands already lies at the middle of its dots.
  const tapped = view.state.prove.faults.map((f) => ({ x: f.xMm, y: f.yMm, class: f.class }));
  const told = tapped.filter((f) => f.class === "cluster");
  const close = clusters(
    tapped.filter((f) => f.class !== "cluster"),
    NEAR_MM,
  ).filter((g) => !told.some((c) => g.some((f) => Math.hypot(f.x - c.x, f.y - c.y) <= NEAR_MM)));
  return (
    <div className="flex flex-col gap-2">
      <p className="q">
        Mark them on the machine itself:{" "}
        <a className="link mono" href={href} target="_blank" rel="noreferrer">
          {href.split("?")[0]}?dots
        </a>
        , or D in the pattern file. Black, red, green and blue show every sub-pixel fault.
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <CodeField
          label="Code of the dots"
          value={code}
          max={90}
          like="D-XXXXX-X"
          problem={read?.ok === false ? read.problem : null}
          onText={setCode}
        />
        {read?.ok && (
          <button type="button" className="btn" onClick={() => take(read.dots)}>
            {read.dots.length ? `Take ${counted(read.dots.length, "dot")}` : "No dot seen"}
          </button>
        )}
      </div>
      {read?.ok && read.dots.length > 0 && (
        <p className="q" role="status">
          {read.dots
            .map((d) => `${FAULT_CLASS_WORDS[d.class]} at ${at(d).x}, ${at(d).y} mm${d.cluster ? `, cluster ${d.cluster}` : ""}`)
            .join("; ")}
        </p>
      )}
      <CloseUps at={at} onFault={onFault} />
      {close.map((g) => (
        <p key={`${g[0]!.x} ${g[0]!.y}`} className="flex flex-wrap items-center gap-2">
          <span>
            {g.length} lie within {NEAR_MM} mm at {g[0]!.x}, {g[0]!.y} mm. Within 5 pixels they are a cluster as well: look with
            the loupe.
          </span>
          <button
            type="button"
            className="btn quiet"
            onClick={() =>
              onFault(
                "cluster",
                Math.round((g.reduce((n, f) => n + f.x, 0) / g.length) * 10) / 10,
                Math.round((g.reduce((n, f) => n + f.y, 0) / g.length) * 10) / 10,
              )
            }
          >
            Count a cluster
          </button>
        </p>
      ))}
    </div>
  );
}
