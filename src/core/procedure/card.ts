import { durationWords, listed } from "../quantity";
import { orderedSteps, type Procedure, type ProcedureStep } from "./schema";

/** One row of a printed card: the act, and what it minds, in words. */
export interface CardRow {
  number: number;
  act: string;
  says: string[];
}

const time = (s: number): string => (s < 120 ? `${s} s` : durationWords(s / 60));
const STATE_WORDS = (n: NonNullable<ProcedureStep["needs"]>): string[] => [
  ...(n.mains === undefined ? [] : [n.mains ? "mains in" : "mains out"]),
  ...(n.network === undefined ? [] : [n.network ? "network there" : "no network"]),
  ...(n.lid === undefined ? [] : [`lid ${n.lid}`]),
];

/**
 * A procedure as a card to print and lay beside the machine: its steps in an order that keeps every *after*, each with what it needs,
 * its window, and from where it is done again.
 * @example procedureCard({ format: "helvane.procedure", version: 1, id: "first-start", maker: "Tollund", source: "note", steps: [{ id: "mains-in", act: "Mains in" }] })[0].number // 1
 */
export function procedureCard(p: Procedure): CardRow[] {
  const steps = orderedSteps(p);
  const number = new Map(steps.map((s, i) => [s.id, i + 1]));
  const at = (id: string) => `step ${number.get(id)}`;
  return steps.map((s, i) => {
    const w = s.window;
    const says = [
      ...(s.needs && STATE_WORDS(s.needs).length ? [`With ${listed(STATE_WORDS(s.needs))}.`] : []),
      ...(w
        ? [
            w.atMostS === undefined
              ? `Not before ${time(w.atLeastS)} after ${at(w.since)}.`
              : `${time(w.atLeastS)} to ${time(w.atMostS)} after ${at(w.since)}.`,
          ]
        : []),
      ...(w?.early ? [`Too early: again from ${at(w.early)}.`] : []),
      ...(w?.late ? [`Too late: again from ${at(w.late)}.`] : []),
      ...(s.lost?.mains ? [`Mains lost: again from ${at(s.lost.mains)}.`] : []),
      ...(s.lost?.network ? [`Network lost: again from ${at(s.lost.network)}.`] : []),
    ];
    return { number: i + 1, act: s.act, says };
  });
}
