"use client";
import { useEffect, useState } from "react";
import { aheadMs } from "@/client/serverTime";
import { bareNow, indexBuild } from "@/core/build";
import { msOf } from "@/core/job";
import { durationWords } from "@/core/quantity";
import { Mark } from "../draw/Mark";
import { useBench } from "../job/context";

/** Past this dust has had its time on films nobody covered, min (A: a swept room). */
const DUSTY_MIN = 5;

/** Films lie bare: since when, under a sheet or not, and what is over until they are closed in again. */
export function BareFilms() {
  const { log, view, build } = useBench();
  const { films } = view.state.bench;
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    if (!films) return;
    const tick = () => setNow(Date.now() - (aheadMs() ?? 0));
    tick();
    const t = setInterval(tick, 1000);
    return () => clearInterval(t);
  }, [films]);
  if (!films || !build) return null;
  const { parts } = view.state;
  const bare = bareNow(indexBuild(build.data), (x) => parts[x] === "out" || parts[x] === "folded");
  if (!bare) return null;
  const min = now === null ? null : Math.max(0, (now - msOf(films.clock)) / 60_000);
  return (
    <div className="caut" role="group" aria-label="Bare films">
      <Mark kind="change" size={30} label="Bare films" />
      <p className="grow">
        <b>
          Films bare{min !== null && ` for ${durationWords(min)}`}, {films.covered ? "covered" : "not covered"}.
        </b>{" "}
        {films.covered
          ? "Sheet off, and a look under side light, before anything goes on them."
          : `No hot air, no touching. ${min !== null && min > DUSTY_MIN ? "Dust settles meanwhile: " : ""}A clean sheet over them whenever hands are elsewhere.`}
      </p>
      <button
        type="button"
        className="btn whitespace-nowrap"
        onClick={() => log.record({ type: films.covered ? "bench.filmsUncovered" : "bench.filmsCovered", payload: {} })}
      >
        {films.covered ? "Sheet off" : "Covered"}
      </button>
    </div>
  );
}
