import { type Build, parseBuild } from "@/core/build";
import type { Machine, Offer } from "@/core/catalogue";
import type { Panel } from "@/core/panel";
import type { Policy } from "@/core/proof";
import type { TriageTable } from "@/core/triage";
import { connection } from "@/data/connection";
import { listReference, type ReferenceRow, saveReference } from "@/data/referenceStore";

export interface Reference {
  builds: ReferenceRow<Build>[];
  panels: ReferenceRow<Panel>[];
  triage: ReferenceRow<TriageTable> | null;
  policy: ReferenceRow<Policy> | null;
  machines: Machine[];
  offers: Offer[];
}

/** All reference data the job screens work from. */
export async function readReference(): Promise<Reference> {
  const { db } = connection();
  const [builds, panels, triage, policy, machines, offers] = await Promise.all([
    listReference<Build>(db, "build"),
    listReference<Panel>(db, "panel"),
    listReference<TriageTable>(db, "triage"),
    listReference<Policy>(db, "policy"),
    listReference<Machine>(db, "machine"),
    listReference<Offer>(db, "offer"),
  ]);
  return {
    builds,
    panels,
    triage: triage[0] ?? null,
    policy: policy[0] ?? null,
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
  const { db } = connection();
  const known = (await listReference<Build>(db, "build")).find((r) => r.id === b.id);
  const saved = await saveReference(db, "build", b.id, b, replaceVersion ?? known?.version ?? 0, nowIso);
  if (!saved.ok)
    return {
      ok: false,
      problems: [
        { where: "version", message: `"${b.id}" was changed meanwhile (now at version ${saved.current}). Load it again.` },
      ],
    };
  const machines = await listReference<Machine>(db, "machine");
  const machine = machines.find((m) => m.data.model === b.machineModel);
  const data: Machine = {
    model: b.machineModel,
    codes: [...new Set([...(machine?.data.codes ?? []), ...b.machineCodes])],
    build: b.id,
    panels: machine?.data.panels ?? [],
  };
  await saveReference(db, "machine", machine?.id ?? b.machineModel.toLowerCase().replace(/[^a-z0-9]+/g, "-"), data, null, nowIso);
  return { ok: true, id: b.id, name: b.machineModel, version: saved.version, replaced: known !== undefined };
}
