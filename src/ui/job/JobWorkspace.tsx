"use client";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { read, write } from "@/client/device";
import { applyFinds } from "@/core/build";
import { candidateOf, changesOf, type JobEvent, oldPanelOf, openHazards, type Snapshots } from "@/core/job";
import { progressIn } from "@/core/teardown";
import { type KeptPlan, planKey } from "@/wire/plan";
import { readPedals } from "../controls/pedals";
import { useBenchKeys } from "../controls/useBenchKeys";
import { DrawingPane, sideOf } from "../lid/DrawingPane";
import type { Compared } from "../lid/MatchLayer";
import { snapPoints } from "../lid/snap";
import { JobStrip, Route, STATION_PATHS, type StationPath } from "../shell/JobStrip";
import { Tray } from "../shell/Tray";
import { nextTheme } from "../shell/theme";
import { StationColumn } from "../station/StationColumn";
import { BenchDialogs, type DialogName } from "./BenchDialogs";
import { type JobBench, JobContext, type JobReference, type StationKeys } from "./context";
import { routeCells, stripFacts, trayFacts } from "./facts";
import { HELD_WORDS } from "./held";
import { useJobLog } from "./useJobLog";
import { usePlan } from "./usePlan";

export interface WorkspaceProps {
  jobId: string;
  station: StationPath;
  events: JobEvent[];
  snapshots: Snapshots;
  cursor: number;
  reference: JobReference;
  /** The plan the server made, so that the first picture has it. */
  plan: KeptPlan | null;
  nowMs: number;
  clockFixed: boolean;
}

const kindsOf = (r: JobReference): Snapshots => {
  const out: Record<string, Snapshots[string]> = {};
  for (const b of r.builds) out[b.hash] = { kind: "build", data: b.data };
  for (const p of r.panels) out[p.hash] = { kind: "panel", data: p.data };
  if (r.triage) out[r.triage.hash] = { kind: "triage", data: r.triage.data };
  if (r.policy) out[r.policy.hash] = { kind: "policy", data: r.policy.data };
  return out;
};

/** One job: strip and route above, drawing left, the station's instrument right, the tray below. */
export function JobWorkspace(props: WorkspaceProps) {
  const { jobId, station, reference } = props;
  const router = useRouter();
  const refSnapshots = useMemo(() => kindsOf(reference), [reference]);
  const log = useJobLog({
    jobId,
    events: props.events,
    snapshots: props.snapshots,
    cursor: props.cursor,
    reference: refSnapshots,
  });
  const view = useMemo(() => ({ state: log.state, snapshots: log.snapshots }), [log.state, log.snapshots]);
  const build = useMemo(() => {
    const hash = log.state.plan?.buildHash ?? log.state.match.chosen?.buildHash;
    const kept = hash ? log.snapshots[hash] : undefined;
    // With what was found on this job, so that drawing, counts and steps know it at once.
    if (hash && kept?.kind === "build") return { hash, data: applyFinds(kept.data, log.state.finds) };
    const machine = reference.machines.find((m) => m.model === log.state.job?.machineModel);
    return reference.builds.find((b) => b.data.id === machine?.build) ?? null;
  }, [log.state, log.snapshots, reference]);
  const changes = useMemo(() => changesOf(view), [view]);
  const ask = useMemo(
    () => build && { build: build.data, changes, quick: log.state.finds.length > 0, weights: reference.weights },
    [build, changes, log.state.finds, reference.weights],
  );
  const plan = usePlan(
    build && (log.state.plan || station === "plan") ? planKey(build.hash, log.state.finds, changes, reference.weights) : null,
    ask,
    props.plan,
    station === "plan",
  );
  const progress = useMemo(() => (log.state.plan ? progressIn(view, plan.made) : null), [view, plan.made, log.state.plan]);
  const [nowMs, setNow] = useState(props.nowMs);
  const [said, setSaid] = useState<string | null>(null);
  const [dialog, setDialog] = useState<DialogName | null>(null);
  const [held, setHeld] = useState<number | null>(null);
  const tapMode = useState(false);
  const [compared, show] = useState<Compared | null>(null);
  const [lettersOff, setLettersOff] = useState(false);
  const station$ = useRef<StationKeys>({});
  const tap$ = useRef<((x: number, y: number) => void) | null>(null);
  const go = useRef(0);

  useEffect(() => {
    setLettersOff(read("helvane.letters") === "off");
    if (props.clockFixed) return;
    const skew = props.nowMs - Date.now();
    const t = setInterval(() => setNow(Date.now() + skew), 30_000);
    return () => clearInterval(t);
  }, [props.nowMs, props.clockFixed]);
  useEffect(() => {
    document.documentElement.dataset.ready = "true";
    document.documentElement.dataset.unsent = String(log.unsent);
    document.documentElement.dataset.last = log.state.last?.id ?? "";
  }, [log.unsent, log.state.last]);
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
      if (path) router.push(`/jobs/${jobId}/${path}`);
    },
    [jobId, router],
  );

  const bench: JobBench = {
    jobId,
    log,
    view,
    reference,
    progress,
    plan,
    build,
    nowMs,
    setKeys: (o) => {
      station$.current = o;
    },
    say: setSaid,
    show,
    tapMode,
    setTap: (f) => {
      tap$.current = f;
    },
  };

  const digit = (n: number) => {
    if (Date.now() - go.current < 2000) {
      go.current = 0;
      to(n);
    } else if (station$.current.digits) station$.current.digits(n);
    else to(n);
  };
  const stop = openHazards(log.state).length > 0;
  const holdNext = () => setHeld((k) => (k === null ? 0 : k >= corners.length - 1 ? null : k + 1));
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
    onBackspace: () => {
      if (log.takeBack()) setSaid("Last entry taken back");
    },
    keys: {
      ...Object.fromEntries(Array.from({ length: 9 }, (_, i) => [String(i + 1), () => digit(i + 1)])),
      "/": () => router.push("/?find=1"),
      "?": () => setDialog("keys"),
      c: () => setDialog("cautions"),
      x: () => setDialog("power"),
      w: () => setDialog("note"),
      u: () => setDialog("kept"),
      d: () => nextTheme(),
      g: () => {
        go.current = Date.now();
        setSaid("Go to station: press 1 to 9");
      },
      z: holdNext,
      ...Object.fromEntries(Object.entries(station$.current.keys ?? {}).map(([k]) => [k, () => station$.current.keys?.[k]?.()])),
    },
  });

  const old = oldPanelOf(view);
  const candidate = compared?.panel ?? candidateOf(view);
  const corners = snapPoints(build?.data ?? null, target, old, candidate);
  const heldAt = held === null ? null : (corners[held] ?? null);
  const cells = routeCells(view, progress);
  return (
    <JobContext.Provider value={bench}>
      <div className="frame">
        <JobStrip facts={stripFacts(view, progress, nowMs)}>
          <Route cells={cells} jobId={jobId} current={station} />
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
            step={stepHere}
            held={heldAt}
            onHold={holdNext}
            onTap={tapMode[0] ? (x, y) => tap$.current?.(x, y) : undefined}
          />
          <StationColumn station={station} />
        </main>
        <Tray
          facts={trayFacts(view, progress)}
          onPower={() => setDialog("power")}
          onCautions={() => setDialog("cautions")}
          unsent={log.unsent}
          notTaken={log.notTaken.length}
          onKept={() => setDialog("kept")}
          held={log.held && HELD_WORDS[log.held.by]}
          said={said}
        />
      </div>
      <BenchDialogs
        open={dialog}
        onClose={() => setDialog(null)}
        lettersOff={lettersOff}
        onLetters={(off) => {
          setLettersOff(off);
          write("helvane.letters", off ? "off" : "on");
        }}
      />
    </JobContext.Provider>
  );
}
