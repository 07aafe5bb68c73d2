"use client";
import { useState } from "react";
import { type Build, type FamilyLetter, type FamilyTable, familyOf, familySection, templateFor } from "@/core/build";
import type { PlanWeights } from "@/core/teardown";
import { Desk } from "../shell/Desk";
import { BuildEditor } from "./BuildEditor";
import { FamilySection, SectionHatches } from "./FamilySection";

/** A machine nobody has described: a few looks at it closed give its family, and from there a template. */
export function NewBuild({
  table,
  templates,
  machines,
  weights,
  model: named = "",
  back = null,
}: {
  table: FamilyTable;
  templates: Build[];
  machines: string[];
  weights: PlanWeights;
  /** The machine, where it is known already. */
  model?: string;
  /** The job this is done for. */
  back?: { id: string; number: string } | null;
}) {
  const [model, setModel] = useState(named);
  const [seen, setSeen] = useState<Record<string, boolean>>({});
  const [build, setBuild] = useState<Build | null>(null);
  if (build) return <BuildEditor build={build} version={0} plan={null} weights={weights} back={back} />;
  const guess = familyOf(table, seen);
  const start = (family: FamilyLetter) => {
    const t = templates.find((b) => b.family === family);
    if (t && model.trim().length >= 3) setBuild(templateFor(t, model.trim()));
  };
  const answer = (id: string, yes: boolean | null) =>
    setSeen((s) => {
      const { [id]: _, ...rest } = s;
      return yes === null ? rest : { ...rest, [id]: yes };
    });
  return (
    <Desk
      title="Which family is it?"
      ways={[...(back ? [[`/jobs/${back.id}/plan`, `Back to ${back.number}`] as const] : []), ["/builds", "Machines and builds"]]}
    >
      <label className="field">
        <span>Machine</span>
        <input
          value={model}
          maxLength={60}
          list="machines"
          onChange={(e) => setModel(e.target.value)}
          placeholder="its model, as on the label"
        />
        <datalist id="machines">
          {machines.map((m) => (
            <option key={m} value={m} />
          ))}
        </datalist>
      </label>
      <div className="grid gap-8 lg:grid-cols-[2fr_3fr]">
        <section aria-label="Looks">
          <h2 className="sec">Look at it closed</h2>
          <ul className="rows">
            {table.looks.map((l) => (
              <li key={l.id} style={{ alignItems: "center" }} className={guess.next?.id === l.id ? "bg-now" : ""}>
                <span className="grow">
                  {l.ask}
                  {guess.next?.id === l.id && (
                    <span className="block text-[14px] text-[color:var(--now-ink)]">tells most now</span>
                  )}
                </span>
                {([true, false] as const).map((yes) => (
                  <button
                    key={String(yes)}
                    type="button"
                    className="btn quiet"
                    aria-label={`${l.ask} ${yes ? "Yes" : "No"}`}
                    aria-pressed={seen[l.id] === yes}
                    onClick={() => answer(l.id, seen[l.id] === yes ? null : yes)}
                  >
                    {yes ? "Yes" : "No"}
                  </button>
                ))}
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="Families">
          <h2 className="sec">Likely</h2>
          <SectionHatches />
          <ul className="rows">
            {guess.ranked.map((r) => (
              <li key={r.family} className="familyrow" data-unlikely={r.p < 0.03 || undefined}>
                <FamilySection family={r.family} />
                <div className="min-w-0 grow">
                  <b className="flex items-baseline gap-2">
                    <span className="mono text-[22px]">{r.family}</span>
                    <span className="grow">{r.name}</span>
                    <span className="mono">{Math.round(r.p * 100)} %</span>
                  </b>
                  <svg width="100%" height={8} aria-hidden="true">
                    <rect y={2} width={`${r.p * 100}%`} height={5} className="pf" />
                  </svg>
                  <p>{familySection(r.family).rim}</p>
                  <p className="text-ink-2">{familySection(r.family).way}</p>
                  <button
                    type="button"
                    className="btn quiet mt-1"
                    disabled={model.trim().length < 3}
                    aria-label={`Start from the template of family ${r.family}`}
                    onClick={() => start(r.family)}
                  >
                    {model.trim().length < 3 ? `Start with ${r.family}: name the machine first` : `Start with ${r.family}`}
                  </button>
                </div>
              </li>
            ))}
          </ul>
          <p className="q">
            Sections are typical, at the lid's edge with its front up; yellow is the tool, and the tape it meets. The wrong family
            means prying at the wrong layer: below 80 %, look again. A template has nothing measured; the maker's service
            information comes first.
          </p>
        </section>
      </div>
    </Desk>
  );
}
