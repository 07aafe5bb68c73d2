"use client";
import { useState } from "react";
import { indexBuild, MENDED, MENDED_WORDS, type Mend } from "@/core/build";
import { readNumber } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { Sheet } from "../controls/Sheet";
import { useBench } from "../job/context";

/** How long each usually waits before anything loads it, min (A: two-part glue; a clip holds at once). The glue's maker says it. */
const USUAL_MIN: Readonly<Record<Mend["what"], string>> = { boss: "60", frame: "60", clip: "0", other: "60" };
const NONE = "none";

/** Something is mended before the job goes on: on what, which screws go into it, how long it cures; what would load it waits. */
export function Mended({ part: first }: { part: string }) {
  const { build, log, say, view } = useBench();
  const [open, setOpen] = useState(false);
  const [part, setPart] = useState(first);
  const [group, setGroup] = useState(NONE);
  const [what, setWhat] = useState<Mend["what"]>("boss");
  const [how, setHow] = useState("");
  const [min, setMin] = useState(USUAL_MIN.boss);
  if (!build) return null;
  const b = indexBuild(build.data);
  const cureMin = readNumber(min);
  const wrong =
    cureMin === null || cureMin < 0 || cureMin > 4320 || !Number.isInteger(cureMin)
      ? `Cures for: read "${min}", expected whole minutes from 0 to 4320.`
      : null;
  const record = () => {
    if (wrong || cureMin === null) return;
    const done = log.record({
      type: "open.mended",
      payload: { part, what, how: how.trim(), cureMin, ...(group === NONE ? {} : { group }) },
    });
    if (!done) return;
    setOpen(false);
    setHow("");
    say(cureMin > 0 ? `Cures ${cureMin} min: what loads it waits, the rest goes on` : "Recorded as mended");
  };
  return (
    <>
      <button
        type="button"
        className="btn quiet"
        onClick={() => {
          setPart(
            b.part.has(first) && first !== b.subject.id
              ? first
              : (build.data.parts.find((p) => p.id !== b.subject.id)?.id ?? first),
          );
          // Whoever mends a boss has its screws out: the last that came out, to be put right where it is another's.
          const out = build.data.screwGroups.findLast((g) => g.screws.some((x) => view.state.screws[x.id] === "out"));
          setGroup(what === "boss" ? (out?.id ?? NONE) : NONE);
          setOpen(true);
        }}
      >
        Mended something
      </button>
      <Sheet open={open} onClose={() => setOpen(false)} title="Mended on the way">
        <p className="q">
          Glued and clamped, or a clip put in. What would load it waits until it was seen to hold; everything else goes on.
        </p>
        <form
          className="flex flex-col gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            record();
          }}
        >
          <label className="field">
            <span>What</span>
            <Choose
              value={what}
              options={MENDED.map((m) => [m, MENDED_WORDS[m]] as const)}
              onValue={(v) => {
                if (min === USUAL_MIN[what]) setMin(USUAL_MIN[v]);
                setWhat(v);
              }}
            />
          </label>
          <label className="field">
            <span>On which part</span>
            <Choose
              value={part}
              options={build.data.parts.filter((p) => p.id !== b.subject.id).map((p) => [p.id, p.name] as const)}
              onValue={setPart}
            />
          </label>
          <label className="field">
            <span>Screws that go into it</span>
            <Choose
              value={group}
              options={[[NONE, "none"] as const, ...build.data.screwGroups.map((g) => [g.id, g.name] as const)]}
              onValue={setGroup}
            />
          </label>
          <label className="field">
            <span>How: glue, clamp</span>
            <input value={how} maxLength={160} onChange={(e) => setHow(e.target.value)} />
          </label>
          <label className="field" style={{ width: 200 }}>
            <span>Cures for, min</span>
            <input value={min} inputMode="numeric" maxLength={5} onChange={(e) => setMin(e.target.value)} />
          </label>
          <p className="q">60 min is a default (A): the glue's maker says it, and how warm it has to be. Ventilate, gloves on.</p>
          {wrong && (
            <p className="wrong" role="alert">
              {wrong}
            </p>
          )}
          <button type="submit" className="btn self-start" disabled={wrong !== null}>
            Record it
          </button>
        </form>
      </Sheet>
    </>
  );
}
