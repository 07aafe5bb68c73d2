"use client";
import { useMemo } from "react";
import { comesBack } from "@/core/build";
import { type CauseTable, rankCauses, type Seen, seenBy } from "@/core/causes";
import { buildOf, feedsOf, looseSeenGood } from "@/core/job";
import type { Check, Pass } from "@/core/proof";
import { durationWords } from "@/core/quantity";
import { reachLead } from "@/core/teardown";
import { Plate } from "../controls/Plate";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";
import { Answers, Causes } from "./Causes";

/** What is known of a failed check: the causes ranked from this job's own log, and the act that takes least from here. */
function useCauses(check: Check) {
  const { view, reference } = useBench();
  const s = view.state;
  const kept = s.after.causesHash ? view.snapshots[s.after.causesHash] : undefined;
  const table: { hash: string; data: CauseTable } | null =
    kept?.kind === "causes" ? { hash: s.after.causesHash!, data: kept.data } : reference.causes;
  return useMemo(() => {
    if (!table) return null;
    const known: Record<string, Seen> = Object.fromEntries(
      Object.entries(seenBy(check.id)).filter(([id]) => table.data.findings.some((f) => f.id === id)),
    );
    const b = buildOf(view);
    // What opening takes on this machine: the way to the farthest lead that was touched.
    const ways = Object.keys(s.touches).flatMap((id) => reachLead(view, id) ?? []);
    const farthest = ways.length ? Math.max(...ways.map((w) => w.minutes)) : null;
    const covered = b?.build.parts.some((p) => p.role === "bezel" || p.role === "baseCover")
      ? !b.build.parts.some((p) => (p.role === "bezel" || p.role === "baseCover") && s.parts[p.id] === "out" && comesBack(p))
      : true;
    const ask = {
      feeds: feedsOf(view),
      looseGood: looseSeenGood(view),
      seen: { ...known, ...s.after.seen },
      opened: !covered,
      ...(farthest ? { openMinutes: farthest } : {}),
    };
    return { table, ask, found: rankCauses(table.data, ask) };
  }, [table, check.id, view, s]);
}

/** After a failed check: what is seen, the causes, and the next act, opening counted. */
export function FaultFinder({ check, pass }: { check: Check; pass: Pass }) {
  const { log, setKeys } = useBench();
  const c = useCauses(check);
  if (!c)
    return (
      <div className="refusal" role="alert">
        <Mark kind="stop" size={28} />
        <div>
          <b>{check.name} failed</b>
          {check.because ? `Likeliest: ${check.because}. Look there first.` : "Find the cause before going on."}
        </div>
      </div>
    );
  const { table, ask, found } = c;
  const t = table.data;
  const cause = (id: string) => t.causes.find((x) => x.id === id);
  const finding = (id: string) => t.findings.find((x) => x.id === id);
  const see = (id: string, answer: Seen) =>
    log.record({ type: "after.seen", payload: { finding: id, answer, causesHash: table.hash } });
  const goAfter = (id: string) =>
    log.record({ type: "after.chased", payload: { cause: id, pass, check: check.id, causesHash: table.hash } });
  const next = found.next;
  const look = next.kind === "look" ? finding(next.act) : undefined;
  const mend = next.kind === "mend" ? cause(next.act) : undefined;
  setKeys(mend ? { space: () => goAfter(mend.id), enter: () => goAfter(mend.id) } : {});
  return (
    <section aria-label="Why it failed" className="flex flex-col gap-3">
      <div className="refusal" role="alert">
        <Mark kind="stop" size={28} />
        <div>
          <b>{check.name} failed</b>
          {check.because ? `${check.because}. ` : ""}Say what is seen; the next act is the one that takes least from here.
        </div>
      </div>
      {mend && (
        <Plate
          line1={`Go after: ${mend.name.toLowerCase()}`}
          line2={`${mend.how ?? ""} ${durationWords(mend.minutes)} once reached; about ${durationWords(next.minutes)} expected in all.`}
          onAct={() => goAfter(mend.id)}
        />
      )}
      {look && (
        <div className="flex flex-col gap-2">
          <p className="text-[20px] leading-[26px]">
            <b>Look first: {look.name.toLowerCase()}?</b> {durationWords(look.minutes)}; it may save an opening.
          </p>
          <Answers now={ask.seen[look.id]} onAnswer={(a) => see(look.id, a)} name={look.name} />
        </div>
      )}
      {next.kind === "giveUp" && (
        <p>
          <b>Nothing left is worth its minutes.</b> Look once more for what is seen, or hand it to somebody who repairs boards.
        </p>
      )}
      {found.contradiction && (
        <div className="look" role="status">
          <Mark kind="look" size={26} />
          <p>{found.contradiction} The chances are those of before; look again.</p>
        </div>
      )}
      <Causes table={t} ask={ask} onSee={see} onGoAfter={goAfter} />
      <p className="q">
        Chances from what this repair touched (judgement, adjustable). Board work, and anything under power: trained hands, the
        maker's information first.
      </p>
    </section>
  );
}
