import type { HeatRun } from "./heatRun";
import { quantile, tapeCells } from "./measure";

/**
 * How long a piece of tape stays soft from now, heat off.
 * @param run a warming that is followed
 * @param o piece by its id; the temperature tape lets go at, °C; how long to look at most, s
 * @returns seconds at the likely strength of the tool and over its range; 0 when a tenth of it is too cold already
 * @throws RangeError for a piece this lid has not
 * @example workingWindow(new HeatRun(heatLid), { piece: heatLid.pieces[0].id, softC: 55 }).leftS // 0
 */
export function workingWindow(
  run: HeatRun,
  o: { piece: string; softC: number; maxS?: number },
): { leftS: number; rangeS: [number, number] } {
  const piece = run.lid.inner.placed.find((p) => p.id === o.piece);
  if (!piece) throw new RangeError(`no piece of tape "${o.piece}" on this lid`);
  const cells = tapeCells(run.lid, piece.rect);
  const maxS = o.maxS ?? 600;
  const left = (cal: number): number => {
    const rig = run.coastAt(cal);
    const offset = rig.face.of.tape * rig.face.net.n;
    let before = quantile(cells, rig.t, offset, 0.1);
    if (!(before >= o.softC)) return 0;
    const from = rig.s;
    while (rig.s - from < maxS) {
      rig.step(null);
      const now = quantile(cells, rig.t, offset, 0.1);
      if (now < o.softC) return rig.s - from - rig.dt * ((o.softC - now) / (before - now || 1));
      before = now;
    }
    return maxS;
  };
  const { cal, range } = run.cal();
  const all = [left(range[0]), left(cal), left(range[1])];
  return { leftS: all[1]!, rangeS: [Math.min(...all), Math.max(...all)] };
}
