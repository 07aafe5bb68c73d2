import Link from "next/link";
import { formatMoney } from "@/core/quantity";
import type { JobCard } from "@/wire/jobCard";
import type { OtherSeller, Promised, Rescue } from "@/wire/promise";
import { PromiseAnew } from "./PromiseAnew";
import { dayWords } from "./Promises";

/** What each way is called, and where it is taken: in Match, in the job's words, or at the bench. */
const WAYS: Readonly<
  Record<Rescue["id"], { words: (o: OtherSeller | undefined) => string; at: "match" | "words" | "bench" | null }>
> = {
  asItIs: { words: () => "Leave it as it is", at: null },
  otherSeller: { words: (o) => `Order again at ${o?.seller ?? "another seller"}`, at: "match" },
  firstInLine: { words: () => "Take it first", at: "bench" },
  secondBench: { words: () => "A second pair of hands", at: "bench" },
  evening: { words: () => "Stay until nine, three evenings", at: "bench" },
  call: { words: () => "Call, and promise anew", at: "words" },
};

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
  other: OtherSeller | undefined;
  currency: string;
  nowMs: number;
}) {
  const href = (at: "match" | "words" | "bench") =>
    at === "match" ? `/jobs/${c.id}/match` : at === "words" ? `/jobs/${c.id}/${c.station}?words` : `/jobs/${c.id}/${c.station}`;
  const best = p.rescues[0];
  return (
    <>
      {p.why.length > 0 && <span>Because {p.why.join("; ")}.</span>}
      {best && (
        <details data-rescues={c.number}>
          <summary>
            Cheapest: {WAYS[best.id].words(other).toLowerCase()}, {formatMoney(best.costMinor, currency)}
          </summary>
          {p.rescues.map((r) => {
            const { words, at } = WAYS[r.id];
            return (
              <p key={r.id} data-rescue={r.id} className="flex items-baseline gap-2 text-[15px]">
                <span className="grow">
                  {at ? (
                    <Link className="link" href={href(at)} prefetch={false}>
                      {words(other)}
                    </Link>
                  ) : (
                    words(other)
                  )}
                  , late {Math.round(r.late * 100)} in 100{r.id === "call" ? `, by ${dayWords(r.byMs, nowMs)}` : ""}
                </span>
                {r.id === "call" && <PromiseAnew job={c.id} ms={r.byMs} words={dayWords(r.byMs, nowMs)} />}
                <span className="mono">{(r.costMinor / 100).toFixed(2)}</span>
              </p>
            );
          })}
          <p className="hint">Cost in {currency}: money, days late and annoyance together.</p>
        </details>
      )}
    </>
  );
}
