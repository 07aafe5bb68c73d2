import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { type Build, FamilyTable, parseBuild } from "@/core/build";
import type { Machine, Offer } from "@/core/catalogue";
import type { CauseTable } from "@/core/causes";
import type { Procedure } from "@/core/procedure";
import type { CheckTable, Policy } from "@/core/proof";
import type { QuotePolicy } from "@/core/quote";
import type { ToolStock } from "@/core/teardown";
import { makePlan } from "@/core/teardown";
import { TriageTable } from "@/core/triage";
import { connection } from "@/data/connection";
import { listReference, type ReferenceRow, saveReference } from "@/data/referenceStore";
import { dataDir } from "./dataDir";

export interface Reference {
  builds: ReferenceRow<Build>[];
  triage: ReferenceRow<TriageTable> | null;
  policy: ReferenceRow<Policy> | null;
  checks: ReferenceRow<CheckTable> | null;
  causes: ReferenceRow<CauseTable> | null;
  procedures: ReferenceRow<Procedure>[];
  tools: ReferenceRow<ToolStock> | null;
  quote: ReferenceRow<QuotePolicy> | null;
  machines: Machine[];
  offers: Offer[];
}

/** Reference data the screens work from. Panels are read by need: there may be tens of thousands. */
export async function readReference(): Promise<Reference> {
  const { db } = connection();
  const [builds, triage, policy, quote, machines, offers, tools, checks, causes, procedures] = await Promise.all([
    listReference(db, "build"),
    listReference(db, "triage"),
    listReference(db, "policy"),
    listReference(db, "quote"),
    listReference(db, "machine"),
    listReference(db, "offer"),
    listReference(db, "tools"),
    listReference(db, "checks"),
    listReference(db, "causes"),
    listReference(db, "procedure"),
  ]);
  return {
    builds,
    triage: triage[0] ?? null,
    policy: policy[0] ?? null,
    checks: checks[0] ?? null,
    causes: causes[0] ?? null,
    procedures,
    tools: tools[0] ?? null,
    quote: quote[0] ?? null,
    machines: machines.map((m) => m.data),
    offers: offers.map((o) => o.data),
  };
}

export type ImportResult =
  | { ok: true; id: string; name: string; version: number; replaced: boolean }
  | { ok: false; problems: { where: string; message: string }[] };

/** Takes a machine build from the text of a file: validated whole, saved whole, or not at all. */
export async function importBuild(text: string, replaceVersion: number | null, nowIso: string): Promise<ImportResult> {
  const parsed = parseBuild(text);
  if (!parsed.ok) return parsed;
  const b = parsed.build;
  // A goal out of reach, or steps that wait for each other, show only when it is planned.
  const made = makePlan(b);
  if (!made.ok) return { ok: false, problems: [{ where: "plan", message: made.problem }] };
  const { db } = connection();
  const known = (await listReference(db, "build")).find((r) => r.id === b.id);
  const saved = await saveReference(db, "build", b.id, b, replaceVersion ?? known?.version ?? 0, nowIso);
  if (!saved.ok)
    return {
      ok: false,
      problems: [
        { where: "version", message: `"${b.id}" was changed meanwhile (now at version ${saved.current}). Load it again.` },
      ],
    };
  const machines = await listReference(db, "machine");
  const machine = machines.find((m) => m.data.model === b.machineModel);
  const data: Machine = {
    ...machine?.data,
    model: b.machineModel,
    codes: [...new Set([...(machine?.data.codes ?? []), ...b.machineCodes])],
    build: b.id,
    panels: machine?.data.panels ?? [],
  };
  await saveReference(db, "machine", machine?.id ?? b.machineModel.toLowerCase().replace(/[^a-z0-9]+/g, "-"), data, null, nowIso);
  return { ok: true, id: b.id, name: b.machineModel, version: saved.version, replaced: known !== undefined };
}

export type TableSaved =
  | { ok: true; version: number; hash: string }
  | { ok: false; problems: { where: string; message: string }[] };

/** Saves the fault model: whole, validated, and only over the version the writer had read. */
export async function saveTriageTable(text: string, expected: number, nowIso: string): Promise<TableSaved> {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    return { ok: false, problems: [{ where: "file", message: `not readable as JSON: ${(e as Error).message}` }] };
  }
  const parsed = TriageTable.safeParse(raw);
  if (!parsed.success)
    return {
      ok: false,
      problems: parsed.error.issues
        .slice(0, 20)
        .map((i) => ({ where: i.path.map(String).join(".") || "file", message: i.message })),
    };
  const saved = await saveReference(connection().db, "triage", "shipped", parsed.data, expected, nowIso);
  return saved.ok
    ? { ok: true, version: saved.version, hash: saved.hash }
    : {
        ok: false,
        problems: [{ where: "version", message: `changed meanwhile (now at version ${saved.current}). Load it again.` }],
      };
}

/** The fault model as it was shipped, from its file. */
export const shippedTriageText = (): string => readFileSync(join(dataDir(), "reference/triage.json"), "utf8");

/** Looks that tell the family of a closed machine, as shipped. */
export const readFamilyTable = (): FamilyTable =>
  FamilyTable.parse(JSON.parse(readFileSync(join(dataDir(), "reference/families.json"), "utf8")));

let templates: Build[] | null = null;
/** Builds that ship with Helvane, one of each family at least: what a machine nobody has described is begun from. */
export function shippedTemplates(): Build[] {
  templates ??= readdirSync(join(dataDir(), "demo/builds"))
    .sort()
    .flatMap((name) => {
      const read = parseBuild(readFileSync(join(dataDir(), "demo/builds", name), "utf8"));
      return read.ok ? [read.build] : [];
    });
  return templates;
}
