"use client";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { read, whoIsHere, write } from "@/client/device";
import { howTried } from "@/core/build";
import { asWorked, candidateOf, changesOf, oldPanelOf, openHazards } from "@/core/job";
import { progressIn } from "@/core/teardown";
import type { JobReference } from "@/wire/jobPage";
import { foundOf, type KeptPlan, planKey } from "@/wire/plan";
import { readPedals } from "../controls/pedals";
import { useBenchKeys } from "../controls/useBenchKeys";
import { DrawingPane, sideOf } from "../lid/DrawingPane";
import type { HeatShown } from "../lid/HeatLayer";
import type { Compared } from "../lid/MatchLayer";
import { snapPoints } from "../lid/snap";
import { JobStrip, STATION_PATHS, type StationPath } from "../shell/JobStrip";
import { Tray } from "../shell/Tray";
import { nextTheme } from "../shell/theme";
import { StationColumn } from "../station/StationColumn";
import { BenchDialogs, type DialogName } from "./BenchDialogs";
import { type JobBench, JobContext, type StationKeys } from "./context";
import { routeCells, stripFacts, trayFacts } from "./facts";
import { heldWords } from "./held";
import { useLeaving } from "./leaving";
import { Route } from "./Route";
import { type JobLogHandle, useRootMarks } from "./useJobLog";
import { usePlan } from "./usePlan";

export interface FrameProps {
  jobId: string;
  station: StationPath;
  go: (s: StationPath) => void;
  log: JobLogHandle;
  reference: JobReference;
  renew: () => void;
  /** The plan the server made, so that the first picture has it. */
  first: KeptPlan | null;
  nowMs: number;
  /** Since when the server is not reached, ms; null while it is. */
  awaySinceMs: number | null;
}

/** One job: strip and route above, drawing left, the station's instrument right, the tray below. */
export function JobFrame({ jobId, station, go, log, reference, renew, first, nowMs, awaySinceMs }: FrameProps) {
  const view = useMemo(() => ({ state: log.state, snapshots: log.snapshots }), [log.state, log.snapshots]);
  const build = useMemo(() => {
    const hash = log.state.plan?.buildHash ?? log.state.match.chosen?.buildHash;
    const kept = hash ? log.snapshots[hash] : undefined;
    // With what was found on this job, so that drawing, counts and steps know it at once.
    if (hash && kept?.kind === "build") return { hash, data: asWorked(view, kept.data) };
    const machine = reference.machines.find((m) => m.model === log.state.job?.machineModel);
    const own = reference.builds.find((b) => b.data.id === machine?.build);
    return own ? { hash: own.hash, data: asWorked(view, own.data) } : null;
  }, [view, log.state, log.snapshots, reference]);
  const changes = useMemo(() => changesOf(view), [view]);
  const ask = useMemo(
    () => build && { build: build.data, changes, quick: log.state.finds.length > 0, weights: reference.weights },
    [build, changes, log.state.finds, reference.weights],
  );
  const plan = usePlan(
    build && (log.state.plan || station === "plan")
      ? planKey(build.hash, foundOf(log.state), changes, reference.weights, howTried(build.data), log.state.after.reached)
      : null,
    ask,
    first,
    station === "plan",
  );
  const progress = useMemo(() => (log.state.plan ? progressIn(view, plan.made) : null), [view, plan.made, log.state.plan]);
  const [said, setSaid] = useState<string | null>(null);
  const [dialog, setDialog] = useState<DialogName | null>(null);
  const tapMode = useState(false);
  const [[compared, show], [heat, showHeat]] = [useState<Compared | null>(null), useState<HeatShown | null>(null)];
  const [held, setHeld] = useState<number | null>(null);
  const [lettersOff, setLettersOff] = useState(false);
  const [who, setWhoShown] = useState<string | null>(null);
  const station$ = useRef<StationKeys>({});
  const tap$ = useRef<((x: number, y: number) => void) | null>(null);
  const setTap = useCallback((f: typeof tap$.current) => {
    tap$.current = f;
  }, []);
  const goAsked = useRef(0);
  const press = useRef<(key: string, bench?: boolean) => void>(() => undefined);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whoever was chosen in the dialog that closed
  useEffect(() => setWhoShown(whoIsHere()), [dialog]);
  useEffect(() => {
    setLettersOff(read("helvane.letters") === "off");
    // From the bench, to promise another date.
    if (new URLSearchParams(location.search).has("words")) setDialog("job");
  }, []);
  useRootMarks(log, station);
  useEffect(() => {
    if (!said) return;
    const t = setTimeout(() => setSaid(null), 6000);
    return () => clearTimeout(t);
  }, [said]);

  const stepHere =
    progress?.now && (["open", "swap", "bond", "prove", "close"] as string[]).includes(station) ? progress.now : null;
  const target = stepHere && build ? sideOf(build.data, stepHere) : "lid";
  const to = useCallback(
    (n: number) => {
      const path = STATION_PATHS[n - 1];
      if (path) go(path);
    },
    [go],
  );

  const bench: JobBench = {
    jobId,
    log,
    view,
    reference,
    renew,
    go,
    progress,
    plan,
    build,
    nowMs,
    setKeys: (o) => {
      station$.current = o;
    },
    say: setSaid,
    press: (key, bench) => press.current(key, bench),
    show,
    showHeat,
    tapMode,
    setTap,
  };

  const digit = (n: number) => {
    if (Date.now() - goAsked.current < 2000) {
      goAsked.current = 0;
      to(n);
    } else if (station$.current.digits) station$.current.digits(n);
    else to(n);
  };
  const stop = openHazards(log.state).length > 0;
  const holdNext = () => setHeld((k) => (k === null ? 0 : k >= corners.length - 1 ? null : k + 1));
  const heatOff = () => {
    if (!log.state.heat.on) setSaid("Nothing heats at this job");
    else if (log.record({ type: "bench.heatOff", payload: {} })) setSaid("Heat seen off");
  };
  const benchKeys: Record<string, () => void> = {
    ...Object.fromEntries(Array.from({ length: 9 }, (_, i) => [String(i + 1), () => digit(i + 1)])),
    "/": () => setDialog("find"),
    "?": () => setDialog("keys"),
    c: () => setDialog("cautions"),
    x: () => setDialog("power"),
    w: () => setDialog("note"),
    u: () => setDialog("kept"),
    j: () => setDialog("job"),
    y: () => {
      if (log.putAgain()) setSaid("Put again");
    },
    d: () => nextTheme(),
    h: heatOff,
    z: holdNext,
  };
  const keys: Record<string, () => void> = {
    ...benchKeys,
    ...Object.fromEntries(Object.entries(station$.current.keys ?? {}).map(([k]) => [k, () => station$.current.keys?.[k]?.()])),
    g: () => {
      goAsked.current = Date.now();
      setSaid("Go to station: press 1 to 9");
      station$.current.keys?.g?.();
    },
  };
  const takeBack = () => {
    if (log.takeBack()) setSaid("Last entry taken back");
  };
  press.current = (key, bench) => {
    if (key === "Space") station$.current.space?.();
    else if (key === "Enter") station$.current.enter?.();
    else if (key === "Backspace") takeBack();
    else ((bench ? benchKeys[key.toLowerCase()] : undefined) ?? keys[key.toLowerCase()])?.();
  };
  useBenchKeys({
    lettersOff,
    pedals: () => readPedals(read("helvane.pedals")),
    onScan: (text) => {
      if (dialog === null && station$.current.scan && !stop) station$.current.scan(text);
      else setSaid(`Scanned ${text}: nothing asked for it`);
    },
    onSpace: () => station$.current.space?.(),
    onEnter: () => station$.current.enter?.(),
    onEnterHeld: () => (station$.current.enterHeld ?? station$.current.enter)?.(),
    onArrow: (dir) => station$.current.arrow?.(dir),
    onBackspace: takeBack,
    keys,
  });

  const leave = useLeaving(() => {
    setDialog(null);
    setSaid("Server not reached: this page has to stay open");
  });
  const old = oldPanelOf(view);
  const candidate = compared?.panel ?? candidateOf(view);
  const corners = snapPoints(build?.data ?? null, target, old, candidate);
  const heldAt = held === null ? null : (corners[held] ?? null);
  const cells = routeCells(view, progress);
  return (
    <JobContext.Provider value={bench}>
      {/* Links inside are looked at before they leave, by key as by hand. */}
      <div className="frame" onClickCapture={leave.capture}>
        <JobStrip facts={stripFacts(view, progress, nowMs)}>
          <Route cells={cells} current={station} />
        </JobStrip>
        <main className={station === "match" ? "wide-col" : ""}>
          <DrawingPane
            station={station}
            build={build?.data ?? null}
            view={target}
            state={log.state}
            old={old}
            candidate={candidate}
            compared={compared}
            heat={heat}
            step={stepHere}
            held={heldAt}
            onHold={holdNext}
            onTap={tapMode[0] ? (x, y) => tap$.current?.(x, y) : undefined}
          />
          <StationColumn station={station} />
        </main>
        <Tray
          facts={trayFacts(view, progress)}
          onHeatOff={heatOff}
          onPower={() => setDialog("power")}
          onCautions={() => setDialog("cautions")}
          unsent={log.unsent}
          notTaken={log.notTaken.length}
          onKept={() => setDialog("kept")}
          who={who}
          onWho={() => setDialog("who")}
          held={log.held && heldWords(log.held.by, awaySinceMs)}
          said={said}
        />
      </div>
      <BenchDialogs
        open={dialog}
        onClose={() => setDialog(null)}
        onLeave={leave.to}
        lettersOff={lettersOff}
        onLetters={(off) => {
          setLettersOff(off);
          write("helvane.letters", off ? "off" : "on");
        }}
      />
    </JobContext.Provider>
  );
}
