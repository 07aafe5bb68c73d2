"use client";
import { createContext, useContext } from "react";
import type { Build } from "@/core/build";
import type { JobState, Snapshots } from "@/core/job";
import type { Progress, Station } from "@/core/teardown";
import type { JobReference } from "@/wire/jobPage";
import type { ArrowDir } from "../controls/useBenchKeys";
import type { HeatShown } from "../lid/HeatLayer";
import type { Compared } from "../lid/MatchLayer";
import type { JobLogHandle } from "./useJobLog";
import type { PlanHandle } from "./usePlan";

export interface JobBench {
  jobId: string;
  log: JobLogHandle;
  view: { state: JobState; snapshots: Snapshots };
  reference: JobReference;
  /** Reads reference data anew, as after prices were asked for or a build was read. */
  renew: () => void;
  /** Shows another station of this job; nothing is asked of the server first. */
  go: (station: Station) => void;
  progress: Progress | null;
  /** The plan of what is known now, made in a worker. */
  plan: PlanHandle;
  /** The build the drawing shows: the plan's, else the machine's current one. */
  build: { hash: string; data: Build } | null;
  nowMs: number;
  /** What the keys and the scanner do at this station. Set on every render. */
  setKeys: (o: StationKeys) => void;
  say: (words: string) => void;
  /** Does what a key does: every key has a control for a thumb. `bench`: what it does at every station, where this one uses it otherwise. */
  press: (key: string, bench?: boolean) => void;
  /** What the station on screen compares: the drawing shows that panel instead of the one chosen. Null = the chosen one. */
  show: (compared: Compared | null) => void;
  /** Lays a warming over the drawing; null takes it away. */
  showHeat: (heat: HeatShown | null) => void;
  tapMode: [boolean, (on: boolean) => void];
  setTap: (f: ((xMm: number, yMm: number) => void) | null) => void;
}

export interface StationKeys {
  space?: () => void;
  enter?: () => void;
  enterHeld?: () => void;
  keys?: Record<string, () => void>;
  arrow?: (dir: ArrowDir) => void;
  /** Digits count here; stations are reached with G then a digit. */
  digits?: (n: number) => void;
  /** What a scan is for here; without it a scan is only shown. */
  scan?: (text: string) => void;
}

export const JobContext = createContext<JobBench | null>(null);

export function useBench(): JobBench {
  const b = useContext(JobContext);
  if (!b) throw new Error("outside a job");
  return b;
}
