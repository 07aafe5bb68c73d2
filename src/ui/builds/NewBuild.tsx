"use client";
import { useState } from "react";
import { type Build, type FamilyLetter, type FamilyTable, familyOf, templateFor } from "@/core/build";
import type { PlanWeights } from "@/core/teardown";
import { Desk } from "../shell/Desk";
import { BuildEditor } from "./BuildEditor";

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
      <div className="grid gap-8 sm:grid-cols-2">
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
          <ul className="rows">
            {guess.ranked.map((r) => (
              <li key={r.family} style={{ alignItems: "center" }}>
                <b className="mono">{r.family}</b>
                <span className="grow">
                  {r.name}
                  <svg width="100%" height={8} aria-hidden="true">
                    <rect y={2} width={`${r.p * 100}%`} height={5} className="pf" />
                  </svg>
                </span>
                <em className="mono">{Math.round(r.p * 100)} %</em>
                <button
                  type="button"
                  className="btn quiet"
                  disabled={model.trim().length < 3}
                  aria-label={`Start from the template of family ${r.family}`}
                  onClick={() => start(r.family)}
                >
                  Start
                </button>
              </li>
            ))}
          </ul>
          <p className="q">
            {model.trim().length < 3 ? "Name the machine first. " : ""}The wrong family means prying at the wrong layer: below 80
            %, look again. A template has nothing measured; the maker's service information comes first.
          </p>
        </section>
      </div>
    </Desk>
  );
}
