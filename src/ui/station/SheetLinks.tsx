import { useState } from "react";
import { PAPERS, printScale } from "@/core/teardown";
import { Tick } from "../controls/Tick";
import { useBench } from "../job/context";

/** The screw sheet to print, corrected for the printer at hand. */
export function SheetLinks() {
  const { jobId, build, plan } = useBench();
  const [bar, setBar] = useState("");
  const [inPlace, setInPlace] = useState<ReadonlySet<string>>(new Set());
  const steps = plan.made?.ok ? plan.made.plan.out : [];
  const groups = (build?.data.screwGroups ?? []).filter((g) => steps.some((x) => x.kind === "screwsOut" && x.target === g.id));
  const scale = bar.trim() ? printScale(Number(bar.replace(",", "."))) : 1;
  const q = `${scale !== null && bar.trim() ? `&bar=${encodeURIComponent(bar.replace(",", ".").trim())}` : ""}${
    inPlace.size ? `&keep=${[...inPlace].join(",")}` : ""
  }`;
  return (
    <section aria-label="Screw sheet" className="flex flex-wrap items-end gap-3 border-t-[1.5px] border-ink pt-2">
      <h2 className="sec w-full">Screw sheet at true size</h2>
      {(["a4", "letter"] as const).map((p) => (
        <a key={p} className="btn quiet" href={`/api/jobs/${jobId}/screws?paper=${p}${q}`} target="_blank" rel="noreferrer">
          {PAPERS[p].name}, PDF
        </a>
      ))}
      <a className="btn quiet" href={`/api/jobs/${jobId}/screws?format=svg${q}`} target="_blank" rel="noreferrer">
        Page 1, SVG
      </a>
      <label className="field" style={{ width: 210 }}>
        <span>Bar as printed, mm</span>
        <input value={bar} inputMode="decimal" maxLength={6} placeholder="100" onChange={(e) => setBar(e.target.value)} />
      </label>
      <fieldset className="flex w-full flex-wrap gap-x-4">
        <legend className="font-bold">Leave in place: back into their own holes at once</legend>
        {groups.map((g) => (
          <label key={g.id} className="flex min-h-9 items-center gap-2 text-[15px]">
            <Tick
              on={g.keepInHoles || inPlace.has(g.id)}
              disabled={g.keepInHoles}
              onPut={(on) => setInPlace((s) => new Set(on ? [...s, g.id] : [...s].filter((x) => x !== g.id)))}
            />
            {g.screws.length} {g.name.toLowerCase()}
          </label>
        ))}
      </fieldset>
      {scale === null && <p className="wrong">80 to 120 mm are possible: measure the bar again.</p>}
    </section>
  );
}
