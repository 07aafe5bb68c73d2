import type { z } from "zod";
import { Build, checkBuild, liftBuild } from "@/core/build";
import { Machine, Offer, SellerTerms } from "@/core/catalogue";
import { CauseTable, checkCauses } from "@/core/causes";
import type { Snapshot } from "@/core/job";
import { Panel } from "@/core/panel";
import { checkProcedure, Procedure } from "@/core/procedure";
import { CheckTable, Policy } from "@/core/proof";
import { QuotePolicy } from "@/core/quote";
import { ToolStock } from "@/core/teardown";
import { TriageTable } from "@/core/triage";

type Data<S extends z.ZodType> = z.infer<S>;

/** All that is known of one kind of reference table; a new kind is its schema and one entry here. */
interface Table<S extends z.ZodType> {
  schema: S;
  /**
   * Where its shipped rows lie under `data/`: one file with one row, a list of a file, or a folder with a file a row; null when a
   * shop starts without any.
   */
  shipped: { file: string } | { file: string; list: string } | { folder: string } | null;
  /** The id of a row; a table with one row calls it "shipped". */
  id: (row: Data<S>) => string;
  /** Kept with each job that relies on it, by its content. */
  snapshot: boolean;
  /** A row as it was written by an older version, at today's. */
  lift?: (raw: unknown) => unknown;
  /** What the schema alone cannot say is wrong with a row, in words; null when nothing is. */
  check?: (row: Data<S>) => string | null;
}

const table = <S extends z.ZodType>(t: Table<S>): Table<S> => t;
const slug = (s: string) => s.toLowerCase().replace(/[^a-z0-9]+/g, "-");
const one = () => "shipped";
const firstOf = (problems: readonly { where: string; message: string }[]): string | null =>
  problems[0] ? `${problems[0].where}: ${problems[0].message}` : null;

/** Every kind of reference table. The shape of a row is its schema's, said nowhere else. */
export const TABLES = {
  triage: table({ schema: TriageTable, shipped: { file: "reference/triage.json" }, id: one, snapshot: true }),
  quote: table({ schema: QuotePolicy, shipped: { file: "reference/quote.json" }, id: one, snapshot: false }),
  policy: table({ schema: Policy, shipped: { file: "reference/policy.json" }, id: one, snapshot: true }),
  checks: table({ schema: CheckTable, shipped: { file: "reference/proveChecks.json" }, id: one, snapshot: true }),
  causes: table({
    schema: CauseTable,
    shipped: { file: "reference/causes.json" },
    id: one,
    snapshot: true,
    check: (t) => firstOf(checkCauses(t)),
  }),
  procedure: table({
    schema: Procedure,
    shipped: { folder: "demo/procedures" },
    id: (p) => p.id,
    snapshot: true,
    check: (p) => firstOf(checkProcedure(p)),
  }),
  tools: table({ schema: ToolStock, shipped: { file: "reference/tools.json" }, id: one, snapshot: false }),
  build: table({
    schema: Build,
    shipped: { folder: "demo/builds" },
    id: (b) => b.id,
    snapshot: true,
    lift: liftBuild,
    check: (b) => firstOf(checkBuild(b)),
  }),
  panel: table({ schema: Panel, shipped: { file: "demo/panels.json", list: "panels" }, id: (p) => p.id, snapshot: true }),
  machine: table({
    schema: Machine,
    shipped: { file: "demo/machines.json", list: "machines" },
    id: (m) => slug(m.model),
    snapshot: false,
  }),
  seller: table({
    schema: SellerTerms,
    shipped: { file: "demo/sellers.json", list: "sellers" },
    id: (s) => slug(s.name),
    snapshot: false,
  }),
  offer: table({
    schema: Offer,
    shipped: { file: "demo/offers.json", list: "offers" },
    id: (o) => `${o.panel}-${slug(o.seller)}-${o.condition}`,
    snapshot: false,
  }),
} as const;

export type ReferenceKind = keyof typeof TABLES;
/** A row of a kind. */
export type ReferenceOf<K extends ReferenceKind> = z.infer<(typeof TABLES)[K]["schema"]>;

/** Kinds a job keeps are kinds of this table: one that core knows and this table does not is named by the compiler. */
export const SNAPSHOT_KINDS: Readonly<Record<Snapshot["kind"], ReferenceKind>> = {
  build: "build",
  panel: "panel",
  triage: "triage",
  policy: "policy",
  checks: "checks",
  causes: "causes",
  procedure: "procedure",
};

const anyTable = (kind: string): Table<z.ZodType> | null =>
  Object.hasOwn(TABLES, kind) ? (TABLES[kind as ReferenceKind] as unknown as Table<z.ZodType>) : null;

const lifted = (t: Table<z.ZodType> | null, raw: unknown): unknown => t?.lift?.(raw) ?? raw;

/**
 * A stored row at today's version. One that had to be lifted is read anew, so that what its version left out has its default.
 * @example liftRow("build", versionOne).version // 2
 */
export function liftRow(kind: string, raw: unknown): unknown {
  const t = anyTable(kind);
  const now = lifted(t, raw);
  if (now === raw) return raw;
  const read = t!.schema.safeParse(now);
  return read.success ? read.data : now;
}

export type ReadRow<K extends ReferenceKind> = { ok: true; row: ReferenceOf<K> } | { ok: false; problem: string };

/**
 * Reads a row from outside: lifted, validated, checked.
 * @returns the row, or one sentence that names the field; never throws
 * @example readRow("offer", { panel: "x" }) // { ok: false, problem: "seller: …" }
 */
export function readRow<K extends ReferenceKind>(kind: K, raw: unknown): ReadRow<K> {
  const t = anyTable(kind)!;
  const read = t.schema.safeParse(lifted(t, raw));
  if (!read.success) {
    const i = read.error.issues[0]!;
    return { ok: false, problem: `${i.path.map(String).join(".") || kind}: ${i.message}` };
  }
  const wrong = t.check?.(read.data as never) ?? null;
  return wrong ? { ok: false, problem: wrong } : { ok: true, row: read.data as ReferenceOf<K> };
}

/** What is wrong with a snapshot that came with a job; null when nothing is. @example snapshotProblem({ kind: "x", data: 1 }) */
export function snapshotProblem(s: { kind: string; data: unknown }): string | null {
  if (!anyTable(s.kind)?.snapshot) return "an unknown kind of snapshot";
  const read = readRow(s.kind as ReferenceKind, s.data);
  return read.ok ? null : read.problem;
}
