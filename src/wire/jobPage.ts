import type { Build } from "@/core/build";
import type { LeadTime, Machine, Offer, SellerRecord, SellerTerms } from "@/core/catalogue";
import type { CauseTable } from "@/core/causes";
import type { HeatOwn } from "@/core/heat";
import type { Panel } from "@/core/panel";
import type { Procedure } from "@/core/procedure";
import type { CheckTable, Policy } from "@/core/proof";
import type { QuotePolicy, ShopLog } from "@/core/quote";
import type { RollHere } from "@/core/tape";
import type { PlanWeights, ToolStock } from "@/core/teardown";
import type { TriageTable } from "@/core/triage";
import type { KeptPlan } from "./plan";

/** Reference data as the page was loaded with it, each with its content hash. */
export interface JobReference {
  builds: { hash: string; data: Build }[];
  panels: { hash: string; data: Panel }[];
  triage: { hash: string; data: TriageTable } | null;
  policy: { hash: string; data: Policy } | null;
  checks: { hash: string; data: CheckTable } | null;
  causes: { hash: string; data: CauseTable } | null;
  /** Of this machine's maker. */
  procedures: { hash: string; data: Procedure }[];
  /** What the shop weighs against each other when a way is planned. */
  weights: PlanWeights;
  /** What the shop knows of its room, its tape and its tools that warm. */
  heat: HeatOwn;
  tools: ToolStock | null;
  /** Tape on the shelf. */
  rolls: RollHere[];
  quote: { hash: string; data: QuotePolicy } | null;
  shopLog: ShopLog;
  machines: Machine[];
  offers: (Offer & { lead: LeadTime })[];
  sellers: Record<string, { terms: SellerTerms | null; record: SellerRecord }>;
}

/** GET /api/jobs/ID/page: what a station is drawn with beside the job's own log. */
export interface JobPageReply {
  reference: JobReference;
  /** The plan the server made, so that the first picture has it. */
  plan: KeptPlan | null;
}
