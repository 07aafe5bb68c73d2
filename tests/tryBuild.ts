import { type Build, parseBuild } from "@/core/build";
import { contentHash } from "@/data/referenceStore";
import { builds, hashes, jobOn, snapshots, type TestBench } from "./bench";

/** A machine nobody ships: a demo build changed by hand, known to the tests' jobs by its id. */
export function tryBuild(id: string, from: string, change: (b: Build) => void): Build {
  const draft = structuredClone(builds[from]!) as Build;
  draft.id = id;
  change(draft);
  return registerBuild(draft);
}

/** Makes a build known to the tests' jobs; throws what is wrong with it. */
export function registerBuild(draft: Build): Build {
  const read = parseBuild(JSON.stringify(draft));
  if (!read.ok) throw new Error(`${draft.id}: ${read.problems.map((p) => `${p.where}: ${p.message}`).join("; ")}`);
  builds[draft.id] = read.build;
  hashes.build[draft.id] = contentHash(read.build);
  snapshots[hashes.build[draft.id]!] = { kind: "build", data: read.build };
  return read.build;
}

/** A whole job on it, every act asked of its gate, as the plan says; throws where the plan comes to an end. */
export function wholeJobOn(id: string, panel: string): TestBench {
  const b = jobOn(id, panel);
  b.follow(() => false);
  b.do("job.closed", { outcome: "handedOver", reason: "" });
  return b;
}
