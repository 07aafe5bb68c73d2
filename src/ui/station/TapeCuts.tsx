import { listed, mm } from "@/core/quantity";
import type { RollHere, TapeOffer, TapeOptions } from "@/core/tape";

/** Each roll as a bar at scale, cut where it is cut: leader, pieces with their tails, what is left. */
export function TapeCuts({ o, offer, rolls }: { o: TapeOptions; offer: TapeOffer; rolls: readonly RollHere[] }) {
  return (
    <ul className="flex flex-col gap-2">
      {offer.cuts.map((cut, ply) =>
        cut.ok ? (
          cut.plan.map((r) => {
            const roll = rolls.find((x) => x.lot === r.roll);
            const mine = r.pieces.map((id) => o.pieces.find((p) => p.id === id)!);
            const total = 10 + mine.reduce((a, p) => a + p.lengthMm + p.tailMm + 0.5, 0);
            let x = 10;
            return (
              <li key={`${offer.pliesMm[ply]}-${r.roll}`} data-roll={r.roll}>
                <svg viewBox={`0 0 ${Math.max(total, 60)} 14`} width="100%" height="26" preserveAspectRatio="none" aria-hidden>
                  <rect
                    x="0"
                    y="2"
                    width="10"
                    height="10"
                    fill="none"
                    stroke="currentColor"
                    strokeDasharray="2 2"
                    vectorEffect="non-scaling-stroke"
                  />
                  {mine.map((p) => {
                    const at = x;
                    x += p.lengthMm + p.tailMm + 0.5;
                    return (
                      <g key={p.id}>
                        <rect
                          x={at}
                          y="2"
                          width={p.lengthMm}
                          height="10"
                          fill="none"
                          stroke="currentColor"
                          vectorEffect="non-scaling-stroke"
                        />
                        {p.tailMm > 0 && (
                          <rect x={at + p.lengthMm} y="2" width={p.tailMm} height="10" fill="currentColor" opacity=".3" />
                        )}
                      </g>
                    );
                  })}
                </svg>
                <span className="block text-[15px] leading-[19px]">
                  Roll <b className="mono">{r.roll}</b>
                  {roll?.place ? `, ${roll.place}` : ""}
                  {roll?.expires && ` (use by ${roll.expires})`}:{" "}
                  {listed(mine.map((p) => `${mm(p.lengthMm)}${p.tailMm ? ` + ${mm(p.tailMm)} tail` : ""}`))} mm, first 10 mm
                  thrown away, {Math.floor(r.leftMm)} mm left on it.
                </span>
              </li>
            );
          })
        ) : (
          <li key={`${offer.pliesMm[ply]}-none`} className="text-change">
            No roll of {offer.pliesMm[ply]} mm is long enough: {mm(cut.longestMm)} mm in one piece are needed. Tape is never
            spliced.
          </li>
        ),
      )}
    </ul>
  );
}
