"use client";
import { useEffect, useState } from "react";
import { aheadMs } from "@/client/serverTime";
import { msOf } from "@/core/job";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** Dry time where nobody says another, min (A: a little alcohol on a cloth). */
export const DRY_MIN = 2;

/** Solvent on old adhesive: told once, then it dries by the log's clock before anything is warmed or powered. */
export function SolventBox() {
  const { log, view } = useBench();
  const { solvent } = view.state.bench;
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    if (!solvent) return;
    const tick = () => setNow(Date.now() - (aheadMs() ?? 0));
    tick();
    const t = setInterval(tick, 500);
    return () => clearInterval(t);
  }, [solvent]);
  if (!solvent) return null;
  const left = now === null ? null : Math.ceil(solvent.dryMin * 60 - (now - msOf(solvent.clock)) / 1000);
  return (
    <div className="caut" role="status">
      <Mark kind="change" size={30} label="Solvent" />
      <p className="grow">
        <b>
          {left === null
            ? "Solvent dries."
            : left > 0
              ? `Solvent dries: ${Math.floor(left / 60)}:${String(left % 60).padStart(2, "0")} left.`
              : "Solvent has had its time."}
        </b>{" "}
        No heat, no power before it is dry and the cloth is away. Ventilate, no flame.
      </p>
      <button
        type="button"
        className="btn whitespace-nowrap"
        disabled={left === null || left > 0}
        onClick={() => log.record({ type: "bench.solventDry", payload: {} })}
      >
        Dry, cloth away
      </button>
    </div>
  );
}

/** Tells that solvent was used. */
export function SolventUsed() {
  const { log, view } = useBench();
  if (view.state.bench.solvent) return null;
  return (
    <button
      type="button"
      className="btn quiet"
      onClick={() => log.record({ type: "bench.solventUsed", payload: { dryMin: DRY_MIN } })}
    >
      Solvent used
    </button>
  );
}
