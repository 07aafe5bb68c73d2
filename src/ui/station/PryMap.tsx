"use client";
import type { Build, Motion } from "@/core/build";
import type { Step } from "@/core/teardown";
import { Mark } from "../draw/Mark";

/** How each edge of the lid may be entered, while something on it is pried: where, with what, how deep, what sits behind. */
export function PryMap({ build, step }: { build: Build; step: Step }) {
  const pry = build.lid.pry ?? [];
  const part = build.parts.find((p) => p.id === step.target);
  const tape = build.tapes.find((t) => t.id === step.target);
  const stages = step.kind === "partFold" ? (part?.fold ?? part?.out)?.stages : step.kind === "partOut" ? part?.out?.stages : [];
  const prying =
    (stages?.length ?? 0) > 0 ||
    (step.kind === "partOut" && part?.role === "bezel") ||
    step.kind === "tapeOut" ||
    (step.kind === "partFold" &&
      part?.id === build.subject.part &&
      pry.length > 0 &&
      !build.parts.some((p) => p.role === "bezel"));
  if (!prying) return null;
  if (stages?.length) return <StageMap stages={stages} pry={pry} />;
  if (pry.length === 0)
    return (
      <div className="look" role="group" aria-label="Pry map">
        <Mark kind="look" size={22} />
        <p>
          <b>No pry map for this lid.</b> 5 mm of free tool ahead of the fingers, no more, and look first what sits behind each
          edge.
        </p>
      </div>
    );
  const here = tape ? pry.filter((e) => e.edge === tape.edge) : pry;
  return (
    <table className="cmp w-full" aria-label="Pry map">
      <thead>
        <tr>
          <th scope="col">Edge</th>
          <th scope="col">Start, tool</th>
          <th scope="col">Deep at most</th>
          <th scope="col">Behind it</th>
        </tr>
      </thead>
      <tbody>
        {(here.length ? here : pry).map((e) => (
          <tr key={e.edge} data-v={e.enter ? "same" : "stop"}>
            <th scope="row">{e.edge}</th>
            {e.enter ? (
              <>
                <td style={{ whiteSpace: "normal" }}>
                  {[e.start, e.tool?.toLowerCase()].filter(Boolean).join(", ") || "anywhere"}
                </td>
                <td className="mono">{e.depthMm === undefined ? "5 mm (A)" : `${e.depthMm} mm`}</td>
              </>
            ) : (
              <td colSpan={2}>
                <span className="flex items-center gap-2">
                  <Mark kind="stop" size={18} /> <b>do not enter</b>
                </span>
              </td>
            )}
            <td style={{ whiteSpace: "normal" }}>
              {[e.behind, e.heldBy && `held by ${e.heldBy}`].filter(Boolean).join(", ") || "not known"}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The same edges in the order they are pried: each stage with its own depth, and what sits behind. */
function StageMap({ stages, pry }: { stages: NonNullable<Motion["stages"]>; pry: NonNullable<Build["lid"]["pry"]> }) {
  return (
    <table className="cmp w-full" aria-label="Pry map, by stages">
      <thead>
        <tr>
          <th scope="col">Stage</th>
          <th scope="col">Edge, tool</th>
          <th scope="col">Deep at most</th>
          <th scope="col">Behind it</th>
        </tr>
      </thead>
      <tbody>
        {stages.map((s, i) => {
          const e = pry.find((x) => x.edge === s.edge);
          const deep = s.depthMm ?? e?.depthMm;
          return (
            <tr key={`${i} ${s.words}`} data-v={e && !e.enter ? "stop" : "same"}>
              <th scope="row" style={{ whiteSpace: "normal" }}>
                {i + 1}. {s.words}
              </th>
              <td style={{ whiteSpace: "normal" }}>
                {e && !e.enter
                  ? "do not enter"
                  : [s.edge, e?.tool?.toLowerCase()].filter(Boolean).join(", ") || "as the one before"}
              </td>
              <td className="mono">{deep === undefined ? "5 mm (A)" : `${deep} mm`}</td>
              <td style={{ whiteSpace: "normal" }}>
                {[e?.behind, e?.heldBy && `held by ${e.heldBy}`].filter(Boolean).join(", ") || "not known"}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
