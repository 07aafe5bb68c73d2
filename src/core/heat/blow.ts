import type { Jet } from "./acts";
import { jetAt, sweepAt } from "./jet";
import type { LidModel } from "./lid";
import { FIGURES } from "./properties";

/** Moments of a step a jet is averaged over. */
const MOMENTS = 4;

/** When in its act a step begins, how long it is, how strong the tool is, and the foil that lies there. */
export interface Blowing {
  since: number;
  dt: number;
  cal: number;
  foil: { share: Float64Array; pass: number } | null;
}

/**
 * Adds what a nozzle gives in one step to the exchange of every cell, averaged over the moments of the step.
 * @param h film coefficients, W/m2K, and `q` the same times their temperatures: both are added to
 * @param ex room for one value per column or row, as is `tx`
 * @example blow(heatLid, heatSpot, { since: 0, dt: 1, cal: 1, foil: null }, heatNet.c.slice(), heatNet.c.slice(), new Float64Array(80), new Float64Array(80))
 */
export function blow(
  lid: LidModel,
  act: Jet,
  now: Blowing,
  h: Float64Array,
  q: Float64Array,
  ex: Float64Array,
  tx: Float64Array,
): void {
  const { grid } = lid.inner;
  const { nx, ny } = grid;
  const room = lid.inner.ambientC;
  const jet = jetAt(act.tool, act.nozzleC, act.standOffMm, room, (act.cal ?? 1) * now.cal);
  const { domain } = lid;
  const b2 = jet.bMm * jet.bMm;
  const side = act.edge === "left" || act.edge === "right";
  const across = side
    ? act.edge === "left"
      ? domain.xMm + act.insetMm
      : domain.xMm + domain.widthMm - act.insetMm
    : act.edge === "top"
      ? domain.yMm + act.insetMm
      : domain.yMm + domain.heightMm - act.insetMm;
  // A Gaussian is one along times one across: only what lies along the path moves within a step, and is summed over its moments.
  const [alongN, along0, alongD] = side ? [ny, grid.y0Mm, grid.dyMm] : [nx, grid.x0Mm, grid.dxMm];
  const [acrossN, across0, acrossD] = side ? [nx, grid.x0Mm, grid.dxMm] : [ny, grid.y0Mm, grid.dyMm];
  ex.fill(0);
  tx.fill(0);
  for (let k = 0; k < MOMENTS; k++) {
    const at = sweepAt(
      now.since + ((k + 0.5) / MOMENTS) * now.dt,
      act.fromMm,
      act.toMm,
      act.speedMmS ?? FIGURES.sweepMmS.value,
      act.dwellS ?? FIGURES.dwellS.value,
    );
    for (let i = 0; i < alongN; i++) {
      const d = along0 + (i + 0.5) * alongD - at;
      const e = Math.exp((-d * d) / b2) / MOMENTS;
      ex[i] = ex[i]! + e;
      tx[i] = tx[i]! + e * Math.exp((-d * d) / (4 * b2));
    }
  }
  const { foil } = now;
  const [alongStep, acrossStep] = side ? [nx, 1] : [1, nx];
  for (let j = 0; j < acrossN; j++) {
    const d = across0 + (j + 0.5) * acrossD - across;
    const ey = jet.h0 * Math.exp((-d * d) / b2);
    if (ey < 1e-3) continue;
    const ty = (jet.jetC - room) * Math.exp((-d * d) / (4 * b2));
    for (let i = 0, c = j * acrossStep; i < alongN; i++, c += alongStep) {
      const f = foil ? 1 - (1 - foil.pass) * foil.share[c]! : 1;
      const v = ey * f;
      h[c] = h[c]! + v * ex[i]!;
      q[c] = q[c]! + v * (room * ex[i]! + ty * tx[i]!);
    }
  }
}
