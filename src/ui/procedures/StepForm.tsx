"use client";
import type { Procedure, ProcedureState, ProcedureStep } from "@/core/procedure";
import { Num, Txt } from "../builds/fields";
import { Choose } from "../controls/Choose";

type Change = { [K in keyof Omit<ProcedureStep, "id">]?: ProcedureStep[K] | undefined };
const ASKED = [
  ["mains", "Mains", "in", "out"],
  ["network", "Network", "there", "gone"],
  ["lid", "Lid", "open", "shut"],
] as const;

/** States as three choices; none asked is nothing written. */
function States({
  label,
  value,
  onPut,
}: {
  label: string;
  value: ProcedureState | undefined;
  onPut: (s: ProcedureState | undefined) => void;
}) {
  return (
    <fieldset className="flex flex-wrap items-end gap-2">
      <legend className="text-[15px] text-ink-2">{label}</legend>
      {ASKED.map(([key, name, yes, no]) => {
        const v = value?.[key];
        const now = v === undefined ? "any" : v === true || v === "open" ? "yes" : "no";
        return (
          <label key={key} className="field" style={{ width: 124 }}>
            <span>{name}</span>
            <Choose
              value={now}
              options={[
                ["any", "either"],
                ["yes", yes],
                ["no", no],
              ]}
              onValue={(to) => {
                const { [key]: _, ...rest } = value ?? {};
                const put =
                  key === "lid" ? { lid: to === "yes" ? ("open" as const) : ("shut" as const) } : { [key]: to === "yes" };
                const next: ProcedureState = to === "any" ? rest : { ...rest, ...put };
                onPut(Object.keys(next).length ? next : undefined);
              }}
            />
          </label>
        );
      })}
    </fieldset>
  );
}

/** One step of a procedure: what is done, what must be so before and is so after, its window, and where it begins again. */
export function StepForm({
  p,
  at,
  onSet,
  onMove,
  onRemove,
}: {
  p: Procedure;
  at: number;
  onSet: (change: Change) => void;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}) {
  const s = p.steps[at]!;
  const w = s.window;
  const others = p.steps.filter((x) => x.id !== s.id).map((x) => [x.id, x.act] as const);
  const orNone = [["-", "no step: it is waited for"] as const, ...p.steps.map((x) => [x.id, x.act] as const)];
  const pick = (v: string) => (v === "-" ? undefined : v);
  const setWindow = (over: Partial<Record<keyof NonNullable<ProcedureStep["window"]>, unknown>>) => {
    const next = Object.fromEntries(Object.entries({ ...w, ...over }).filter(([, v]) => v !== undefined));
    onSet({ window: next as ProcedureStep["window"] });
  };
  return (
    <li className="flex flex-col gap-2 border-t border-rule py-3" data-step={s.id}>
      <div className="flex flex-wrap items-end gap-2">
        <b className="mono w-8 text-[22px]">{at + 1}</b>
        <Txt label="What is done" value={s.act} max={160} onPut={(act) => onSet({ act })} />
        <button
          type="button"
          className="btn quiet"
          disabled={at === 0}
          aria-label={`Step ${at + 1} up`}
          onClick={() => onMove(-1)}
        >
          Up
        </button>
        <button
          type="button"
          className="btn quiet"
          disabled={at === p.steps.length - 1}
          aria-label={`Step ${at + 1} down`}
          onClick={() => onMove(1)}
        >
          Down
        </button>
        <button
          type="button"
          className="btn quiet"
          disabled={p.steps.length === 1}
          aria-label={`Take step ${at + 1} away`}
          onClick={onRemove}
        >
          Away
        </button>
      </div>
      <div className="flex flex-wrap gap-x-6 gap-y-2 pl-10">
        <States label="Must be so before" value={s.needs} onPut={(needs) => onSet({ needs })} />
        <States label="Is so afterwards" value={s.sets} onPut={(sets) => onSet({ sets })} />
      </div>
      <div className="flex flex-wrap items-end gap-2 pl-10">
        {w ? (
          <>
            <label className="field" style={{ width: 190 }}>
              <span>Counted from</span>
              <Choose value={w.since} options={others} onValue={(since) => setWindow({ since })} />
            </label>
            <Num label="At least, s" value={w.atLeastS} from={0} to={86_400} onPut={(atLeastS) => setWindow({ atLeastS })} />
            <Num
              label="At most, s"
              value={w.atMostS ?? null}
              from={0}
              to={86_400}
              empty={() => setWindow({ atMostS: undefined, late: undefined })}
              onPut={(atMostS) => setWindow({ atMostS, late: w.late ?? w.since })}
            />
            <label className="field" style={{ width: 190 }}>
              <span>Too early: again from</span>
              <Choose value={w.early ?? "-"} options={orNone} onValue={(v) => setWindow({ early: pick(v) })} />
            </label>
            {w.atMostS !== undefined && (
              <label className="field" style={{ width: 190 }}>
                <span>Too late: again from</span>
                <Choose
                  value={w.late ?? w.since}
                  options={p.steps.map((x) => [x.id, x.act] as const)}
                  onValue={(late) => setWindow({ late })}
                />
              </label>
            )}
            <button type="button" className="link min-h-11" onClick={() => onSet({ window: undefined })}>
              no time
            </button>
          </>
        ) : (
          others.length > 0 && (
            <button
              type="button"
              className="btn quiet"
              aria-label={`Step ${at + 1} has its time`}
              onClick={() => onSet({ window: { since: p.steps[at - 1]?.id ?? others[0]![0], atLeastS: 10 } })}
            >
              It has its time
            </button>
          )
        )}
        {(["mains", "network"] as const).map((k) => (
          <label key={k} className="field" style={{ width: 190 }}>
            <span>{k === "mains" ? "Mains lost: from" : "Network lost: from"}</span>
            <Choose
              value={s.lost?.[k] ?? "-"}
              options={orNone}
              onValue={(v) => {
                const { [k]: _, ...rest } = s.lost ?? {};
                const to = pick(v);
                const lost = to ? { ...rest, [k]: to } : rest;
                onSet({ lost: Object.keys(lost).length ? lost : undefined });
              }}
            />
          </label>
        ))}
      </div>
    </li>
  );
}
