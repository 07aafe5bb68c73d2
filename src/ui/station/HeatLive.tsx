"use client";
import dynamic from "next/dynamic";
import { useEffect, useMemo, useRef, useState } from "react";
import { type HeatLive as Following, followHeat, type HeatLiveSaid } from "@/client/heatLive";
import { send } from "@/client/send";
import { aheadMs } from "@/client/serverTime";
import { heatCeilings, type Tape } from "@/core/build";
import { type CoverKind, type FollowAsk, followFromLog, type HeatSeen, touchAdvice, touchWords } from "@/core/heat";
import { msOf } from "@/core/job";
import { counted, readNumber } from "@/core/quantity";
import { OnDemand } from "../controls/OnDemand";
import { useBench } from "../job/context";
import { KeepStrength } from "./KeepStrength";
import { TempRuler } from "./TempRuler";

const StripChart = dynamic(() => import("./HeatCharts").then((m) => m.StripChart), { ssr: false });
const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;

/** After this nobody follows a warming any more: the lid is cold, ms. */
const COLD_MS = 20 * 60_000;

/** The warming of a strip as its log has it, ready to be followed; null where nothing heated lately or the cover is not known. */
export function useWarmingStory(tape: Tape, cover: CoverKind | null) {
  const { build, view, reference } = useBench();
  const { told, reads } = view.state.heat;
  const own = reference.heat;
  const { roomC } = view.state.bondTold;
  return useMemo(() => {
    if (!build || !told.length) return null;
    const story = followFromLog(
      build.data,
      told.map((t) => ({ ...t, onMs: msOf(t.clock), offMs: t.offClock ? msOf(t.offClock) : null })),
      reads.map(({ clock: c, ...r }) => ({ ms: msOf(c), ...r })),
      {
        tape: tape.id,
        softC: tape.heat?.releaseC[0] ?? own.figures.softC ?? 55,
        own,
        ...(roomC === undefined ? {} : { roomC }),
        ...(cover ? { cover } : {}),
        ...(build.data.lid.cover?.mm ? { coverMm: build.data.lid.cover.mm } : {}),
      },
    );
    const lastMs = Math.max(...told.map((t) => msOf(t.offClock ?? t.clock)));
    return story && (told.at(-1)!.offClock === null || Date.now() - (aheadMs() ?? 0) - lastMs < COLD_MS) ? story : null;
  }, [build, told, reads, tape, cover, own, roomC]);
}

/** What a warming does, second by second: the strip that is coldest, how long until it lets go or stays soft, and what was read. */
export function HeatLive({ tape, story }: { tape: Tape; story: { ask: FollowAsk; beganMs: number } }) {
  const { build, view, showHeat } = useBench();
  const [said, setSaid] = useState<HeatLiveSaid | null>(null);
  const [kept, setKept] = useState<Pick<HeatSeen, "window" | "softInS" | "trace">>({ window: null, softInS: null, trace: [] });
  const live = useRef<Following | null>(null);
  useEffect(() => {
    live.current = followHeat((x) => {
      setSaid(x);
      // Told every third second; between them the last word stands.
      if ("seen" in x && (x.seen.window || x.seen.softInS !== null || x.seen.trace.length)) setKept(x.seen);
    });
    return () => live.current?.stop();
  }, []);
  useEffect(() => live.current?.tell(story.ask, story.beganMs, -(aheadMs() ?? 0)), [story]);
  const seen = said && "seen" in said ? said.seen : null;
  const softC = story.ask.softC;
  const { reads } = view.state.heat;
  useEffect(() => {
    if (!seen || !build) return;
    const on = story.ask.stretches.at(-1);
    showHeat({
      seen,
      softC,
      pocket: build.data.lid.pocket,
      reads: reads.filter((r) => "surfaceC" in r && msOf(r.clock) >= story.beganMs) as never,
      tool: on && on.forS === null && on.act.do === "mat" ? on.act.rect : null,
    });
  }, [seen, build, softC, reads, story, showHeat]);
  useEffect(() => () => showHeat(null), [showHeat]);
  if (said && "wrong" in said) return <p className="wrong">{said.wrong}</p>;
  if (!seen)
    return (
      <p className="q" role="status">
        The warming is gone over from its log.
      </p>
    );
  const cold = seen.strips[0];
  const ceilings = heatCeilings(build!.data, [tape.id]);
  const lowest = ceilings.length ? ceilings.reduce((a, c) => (c.maxC < a.maxC ? c : a)) : null;
  const { cal } = seen;
  const left = kept.window?.leftS ?? 0;
  const words = !seen.trusted
    ? "Go by readings and touch"
    : seen.heating
      ? cold?.soft
        ? "It lets go: off, and lift"
        : kept.softInS === null
          ? "It gets no softer than this"
          : `About ${clock(kept.softInS)} until it lets go`
      : left > 0
        ? `Lift now: ${Math.round(left)} s`
        : "Stiff again: warm once more";
  return (
    <div className="flex flex-col gap-2">
      <p className="heat-headline" role="status">
        {words}
      </p>
      {!seen.heating && kept.window && left > 0 && (
        <p className={kept.window.rangeS[0] < kept.window.needS ? "wrong" : "q"}>
          It stays soft {Math.round(kept.window.rangeS[0])} to {Math.round(kept.window.rangeS[1])} s; the whole strip takes about{" "}
          {Math.round(kept.window.needS)} s.
          {kept.window.rangeS[0] < kept.window.needS && " That may be too short: warm again before the end."}
        </p>
      )}
      {cold && (
        <TempRuler
          releaseC={tape.heat?.releaseC ?? [softC, softC + 10]}
          coldC={cold.q10C}
          hotC={seen.hottestC}
          ceiling={lowest ? { c: lowest.maxC, of: lowest.of } : null}
        />
      )}
      <ul className="rows" aria-label="Strips as they are now">
        {seen.strips.map((s) => (
          <li key={s.id}>
            <span className="grow">
              {tape.name}
              {seen.strips.length > 1 && `, ${s.id.split(".")[1] ?? s.edge}`}
            </span>
            <span className="mono">
              {s.q10C.toFixed(1)} to {s.medianC.toFixed(1)} °C
            </span>
            <em>{s.soft ? "lets go" : "too cold"}</em>
          </li>
        ))}
      </ul>
      <OnDemand words="Draw the strip over the pass">
        <StripChart
          trace={kept.trace}
          releaseC={tape.heat?.releaseC ?? [softC, softC + 10]}
          ceiling={lowest ? { c: lowest.maxC, of: lowest.of } : null}
        />
        <p className="q">Dashed: the coldest tenth as modelled; grey: over what the tool may give. Yellow: it lets go.</p>
      </OnDemand>
      <p className="q">
        Modelled{seen.reads ? `, corrected by ${counted(seen.reads, "reading")}` : ""}: the tool gives {cal.cal.toFixed(2)} of
        what it should, {cal.range[0].toFixed(2)} to {cal.range[1].toFixed(2)}.
        {seen.trusted && seen.reads >= 2 && <KeepStrength tool={story.ask.stretches.at(-1)?.act} cal={cal.cal} />}
      </p>
      {!seen.trusted && (
        <p className="wrong" role="alert">
          The model does not explain what was read: check the place, the thermometer on this surface, the tool.
        </p>
      )}
      <Reading tape={tape} at={seen.coldest} cover={story.ask.cover} />
      <p className="q">{touchWords(touchAdvice(story.ask.cover))}</p>
    </div>
  );
}

/** A temperature typed with its place, or that it got stiff. */
function Reading({ tape, at, cover }: { tape: Tape; at: HeatSeen["coldest"]; cover: CoverKind }) {
  const { log, setTap, tapMode, jobId } = useBench();
  const [wrong, setWrong] = useState<string | null>(null);
  const [c, setC] = useState("");
  const [place, setPlace] = useState<{ x: string; y: string } | null>(null);
  useEffect(() => {
    setTap((x, y) => setPlace({ x: String(x), y: String(y) }));
    return () => setTap(null);
  }, [setTap]);
  const x = place?.x ?? (at ? String(Math.round(at.xMm)) : "");
  const y = place?.y ?? (at ? String(Math.round(at.yMm)) : "");
  const [xMm, yMm, surfaceC] = [readNumber(x), readNumber(y), readNumber(c)];
  const whole = xMm !== null && yMm !== null && surfaceC !== null && surfaceC >= -20 && surfaceC <= 200;
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      aria-label="A reading"
      onSubmit={(e) => {
        e.preventDefault();
        if (!whole) return;
        if (log.record({ type: "bench.heatRead", payload: { xMm, yMm, surfaceC } })) {
          setC("");
          setPlace(null);
        }
      }}
    >
      <label className="field" style={{ width: 92 }}>
        <span>Cover, °C</span>
        <input className="mono" inputMode="decimal" value={c} onChange={(e) => setC(e.target.value)} />
      </label>
      <label className="field" style={{ width: 66 }}>
        <span>x, mm</span>
        <input className="mono" inputMode="decimal" value={x} onChange={(e) => setPlace({ x: e.target.value, y })} />
      </label>
      <label className="field" style={{ width: 66 }}>
        <span>y, mm</span>
        <input className="mono" inputMode="decimal" value={y} onChange={(e) => setPlace({ x, y: e.target.value })} />
      </label>
      <button type="button" className="btn" aria-pressed={tapMode[0]} onClick={() => tapMode[1](!tapMode[0])}>
        Point
      </button>
      <button
        type="button"
        className="btn"
        disabled={xMm === null || yMm === null}
        onClick={async () => {
          const r = await send<{ surfaceC: number }>("POST", "/api/thermometer", { jobId, tape: tape.id, cover, xMm, yMm });
          setWrong(r.ok ? null : r.said.words);
          if (!r.ok) return;
          setPlace({ x, y });
          setC(String(r.body.surfaceC));
        }}
      >
        Thermometer
      </button>
      <button type="submit" className="btn" disabled={!whole}>
        Keep
      </button>
      <button type="button" className="btn" onClick={() => log.record({ type: "bench.heatStiff", payload: { tape: tape.id } })}>
        It got stiff
      </button>
      {wrong && (
        <p className="wrong" role="alert">
          {wrong} Read a real one and type it.
        </p>
      )}
    </form>
  );
}
