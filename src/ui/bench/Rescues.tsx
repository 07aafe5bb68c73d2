import Link from "next/link";
import { formatMoney } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import type { Promised, Rescue, Sooner } from "@/wire/promise";
import { PromiseAnew } from "./PromiseAnew";
import { dayWords } from "./Promises";
import { TakeRescue } from "./TakeRescue";

/** What each way is called, and where a person has to look before it is taken: another order in Match, a call in the job's words. */
const WAYS: Readonly<Record<Rescue["id"], { words: (o: Sooner | undefined) => string; at: "match" | "words" | null }>> = {
  asItIs: { words: () => "Leave it as it is", at: null },
  otherSeller: { words: (o) => `Order again at ${o?.seller?.seller ?? "another seller"}`, at: "match" },
  otherPanel: {
    words: (o) =>
      `${o?.panel?.code ?? "Another panel"} from ${o?.panel?.seller ?? "another seller"}${o?.panel?.asks ? ", after asking about what differs" : ""}`,
    at: "match",
  },
  loan: { words: () => "Lend a machine, and promise anew", at: "words" },
  firstInLine: { words: () => "Take it first", at: null },
  secondBench: { words: () => "A second pair of hands", at: null },
  evening: { words: () => "Stay until nine, three evenings", at: null },
  call: { words: () => "Call, and promise anew", at: "words" },
};

/** Words as they stand inside a sentence: a code or a name keeps its capitals. */
const within = (words: string): string => (/^[A-Z][a-z]* ?[a-z,]/.test(words) ? words[0]!.toLowerCase() + words.slice(1) : words);

/** Why a promise breaks, and what could be done about it: every way with its cost by the same draws, the cheapest first. */
export function Rescues({
  c,
  p,
  other,
  currency,
  nowMs,
}: {
  c: JobCard;
  p: Promised;
  other: Sooner | undefined;
  currency: string;
  nowMs: number;
}) {
  const href = (at: "match" | "words") => (at === "match" ? `/jobs/${c.id}/match` : `/jobs/${c.id}/${c.station}?words`);
  const best = p.rescues[0];
  return (
    <>
      {p.why.length > 0 && <span>Because {p.why.join("; ")}.</span>}
      {c.first && (
        <span className="flex flex-wrap items-center gap-2">
          Taken before what was promised earlier. <TakeRescue job={c.id} way="inTurn" />
        </span>
      )}
      {best && (
        <details data-rescues={c.number}>
          <summary>
            Cheapest: {within(WAYS[best.id].words(other))}, {formatMoney(best.costMinor, currency)}
          </summary>
          {p.rescues.map((r) => {
            const { words, at } = WAYS[r.id];
            return (
              <p key={r.id} data-rescue={r.id} className="grid grid-cols-[1fr_auto] items-baseline gap-x-2 pb-1 text-[15px]">
                <span>
                  {at ? (
                    <Link className="link" href={href(at)} prefetch={false}>
                      {words(other)}
                    </Link>
                  ) : (
                    words(other)
                  )}
                  , late {Math.round(r.late * 100)} in 100
                  {r.id === "call" || r.id === "loan" ? `, by ${dayWords(r.byMs, nowMs)}` : ""}
                </span>
                <span className="mono">{(r.costMinor / 100).toFixed(2)}</span>
                {(r.id === "firstInLine" || r.id === "evening" || r.id === "secondBench") && <TakeRescue job={c.id} way={r.id} />}
                {(r.id === "call" || r.id === "loan") && <PromiseAnew job={c.id} ms={r.byMs} words={dayWords(r.byMs, nowMs)} />}
              </p>
            );
          })}
          <p className="hint">Cost in {currency}: money, days late and annoyance together.</p>
        </details>
      )}
    </>
  );
}
