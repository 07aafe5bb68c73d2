"use client";
import { type CauseAsk, type CauseTable, causeChances, lookMoves, type Seen } from "@/core/causes";
import { durationWords } from "@/core/quantity";

const percent = (p: number) => `${Math.round(p * 100)} %`;

/** Causes by their chance, what is seen, and what each answer moved. */
export function Causes({
  table,
  ask,
  onSee,
  onGoAfter,
}: {
  table: CauseTable;
  ask: CauseAsk;
  onSee: (finding: string, answer: Seen) => void;
  /** Missing = nothing is gone after from here. */
  onGoAfter?: (cause: string) => void;
}) {
  const ranking = causeChances(table, ask);
  const moves = lookMoves(table, ask);
  const cause = (id: string) => table.causes.find((x) => x.id === id);
  const finding = (id: string) => table.findings.find((x) => x.id === id);
  const shown = ranking.filter((r, i) => i < 5 || r.p > 0.1);
  return (
    <>
      <ol className="rows dist" aria-label="Causes, the likeliest first">
        {shown.map((r) => {
          const x = cause(r.cause);
          return (
            <li key={r.cause} style={{ alignItems: "center" }}>
              <b className="mono w-[58px] shrink-0">{percent(r.p)}</b>
              <span aria-hidden className="h-3 w-[90px] shrink-0 border border-ink">
                <span className="block h-full bg-ink" style={{ width: `${Math.max(1, r.p * 100)}%` }} />
              </span>
              <span className="grow">{x?.name ?? "None of these"}</span>
              {x && onGoAfter && (
                <button type="button" className="btn quiet" aria-label={`Go after: ${x.name}`} onClick={() => onGoAfter(x.id)}>
                  {x.access === "opened" ? "Open" : "Do"}
                </button>
              )}
            </li>
          );
        })}
      </ol>
      <details open={Object.keys(ask.seen).length === 0}>
        <summary className="btn quiet">What is seen</summary>
        <ul className="rows tight" aria-label="What is seen">
          {table.findings.map((f) => (
            <li key={f.id} style={{ alignItems: "center" }}>
              <span className="grow">
                {f.name}
                {f.minutes > 0 && <em className="block text-[14px]">a look of {durationWords(f.minutes)}</em>}
              </span>
              <Answers small now={ask.seen[f.id]} onAnswer={(a) => onSee(f.id, a)} name={f.name} />
            </li>
          ))}
        </ul>
      </details>
      {moves.length > 0 && ranking[0] && (
        <p className="q">
          {cause(ranking[0].cause)?.name ?? "None of these"}:{" "}
          {moves
            .map((m) => `${finding(m.finding)?.name.toLowerCase()} ${m.answer}: ${percent(m.before)} → ${percent(m.after)}`)
            .join("; ")}
          .
        </p>
      )}
    </>
  );
}

/** Yes, no or unclear; the same once more takes it back to not done. */
export function Answers({
  now,
  onAnswer,
  name,
  small = false,
}: {
  now: Seen | undefined;
  onAnswer: (a: Seen) => void;
  name: string;
  small?: boolean;
}) {
  const all = [
    ["yes", "Yes"],
    ["no", "No"],
    ["unclear", small ? "?" : "Unclear"],
  ] as const;
  return (
    <fieldset className="flex gap-1">
      <legend className="vh">{name}</legend>
      {all.map(([a, w]) => (
        <button
          key={a}
          type="button"
          className={`btn${small ? " quiet" : ""}`}
          aria-pressed={now === a}
          aria-label={w === "?" ? "Unclear" : undefined}
          onClick={() => onAnswer(now === a ? "notDone" : a)}
        >
          {w}
        </button>
      ))}
    </fieldset>
  );
}
