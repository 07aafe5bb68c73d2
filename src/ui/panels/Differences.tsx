import { claimWords, FACT_LABEL, FACT_NAMES, type FactName, factOf, factWords, type Panel } from "@/core/panel";

/** What somebody else saved meanwhile, fact by fact, against what stands here. */
export function Differences({
  mine,
  theirs,
  onTheirs,
}: {
  mine: Panel | null;
  theirs: Panel;
  onTheirs: (fact: FactName) => void;
}) {
  const list = FACT_NAMES.filter(
    (n) => JSON.stringify((mine && factOf(mine, n))?.value ?? null) !== JSON.stringify(factOf(theirs, n)?.value ?? null),
  );
  if (list.length === 0) return <p>The values agree with yours.</p>;
  return (
    <ul>
      {list.map((n) => {
        const t = factOf(theirs, n);
        return (
          <li key={n} className="flex items-center gap-3">
            <span>
              {FACT_LABEL[n]}: now {t ? claimWords(factWords(n, t.value), t) : "unknown"}, here{" "}
              {factWords(n, (mine && factOf(mine, n))?.value)}
            </span>
            <button type="button" className="link min-h-11" onClick={() => onTheirs(n)}>
              take theirs
            </button>
          </li>
        );
      })}
    </ul>
  );
}
