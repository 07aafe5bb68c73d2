"use client";
import { createContext, useContext } from "react";
import type { Build } from "@/core/build";
import type { LeadTime, Machine, Offer, SellerRecord, SellerTerms } from "@/core/catalogue";
import type { JobState, Snapshots } from "@/core/job";
import type { Panel } from "@/core/panel";
import type { Policy } from "@/core/proof";
import type { QuotePolicy, ShopLog } from "@/core/quote";
import type { PlanWeights, Progress, ToolStock } from "@/core/teardown";
import type { TriageTable } from "@/core/triage";
import type { ArrowDir } from "../controls/useBenchKeys";
import type { Compared } from "../lid/MatchLayer";
import type { JobLogHandle } from "./useJobLog";
import type { PlanHandle } from "./usePlan";

/** Reference data as the page was loaded with it, each with its content hash. */
export interface JobReference {
  builds: { hash: string; data: Build }[];
  panels: { hash: string; data: Panel }[];
  triage: { hash: string; data: TriageTable } | null;
  policy: { hash: string; data: Policy } | null;
  /** What the shop weighs against each other when a way is planned. */
  weights: PlanWeights;
  tools: ToolStock | null;
  quote: { hash: string; data: QuotePolicy } | null;
  shopLog: ShopLog;
  machines: Machine[];
  offers: (Offer & { lead: LeadTime })[];
  sellers: Record<string, { terms: SellerTerms | null; record: SellerRecord }>;
}

export interface JobBench {
  jobId: string;
  log: JobLogHandle;
  view: { state: JobState; snapshots: Snapshots };
  reference: JobReference;
  progress: Progress | null;
  /** The plan of what is known now, made in a worker. */
  plan: PlanHandle;
  /** The build the drawing shows: the plan's, else the machine's current one. */
  build: { hash: string; data: Build } | null;
  nowMs: number;
  /** What the keys and the scanner do at this station. Set on every render. */
  setKeys: (o: StationKeys) => void;
  say: (words: string) => void;
  /** What the station on screen compares: the drawing shows that panel instead of the one chosen. Null = the chosen one. */
  show: (compared: Compared | null) => void;
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
