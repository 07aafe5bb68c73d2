import { adoptFind, type Build, Find, type KeptFind, parseBuild } from "@/core/build";
import { msOf } from "@/core/job";
import { connection } from "@/data/connection";
import { foundEvents } from "@/data/tradeStore";
import { importBuild, readReference } from "./reference";

/** Something found at the bench that a build does not have yet. */
export interface Proposal {
  key: string;
  build: string;
  machine: string;
  find: Find;
  /** How often it was seen, in how many jobs, by whom, when last. */
  seen: number;
  jobs: string[];
  who: string[];
  lastMs: number;
  eventId: string;
}

/** Places this near are the same find, mm. */
const NEAR_MM = 12;

/** Finds of all jobs, taken back ones left out, those of one place on one machine counted together; newest first. */
export async function proposals(): Promise<Proposal[]> {
  const rows = await foundEvents(connection().db);
  const ref = await readReference();
  const list: Proposal[] = [];
  for (const r of rows) {
    const machine = ref.machines.find((m) => m.model === r.model);
    const build = ref.builds.find((b) => b.id === machine?.build)?.data;
    const { photo: _, ...plain } = r.payload;
    const find = Find.safeParse(plain);
    if (!build || !find.success || known(build, find.data)) continue;
    const f = find.data;
    const same = list.find(
      (p) =>
        p.build === build.id &&
        p.find.kind === f.kind &&
        p.find.holds === f.holds &&
        Math.hypot(p.find.xMm - f.xMm, p.find.yMm - f.yMm) <= NEAR_MM,
    );
    const at = msOf(r.clock);
    if (same) {
      same.seen += 1;
      if (!same.jobs.includes(r.job)) same.jobs.push(r.job);
      if (!same.who.includes(r.who)) same.who.push(r.who);
      same.lastMs = Math.max(same.lastMs, at);
    } else
      list.push({
        key: r.id,
        build: build.id,
        machine: build.machineModel,
        find: f,
        seen: 1,
        jobs: [r.job],
        who: [r.who],
        lastMs: at,
        eventId: r.id,
      });
  }
  return list.sort((a, b) => b.lastMs - a.lastMs);
}

/** Whether a build has it by now. */
function known(b: Build, f: Find): boolean {
  const near = (x: number, y: number) => Math.hypot(x - f.xMm, y - f.yMm) <= NEAR_MM;
  if (f.kind === "hiddenScrew") return b.screwGroups.some((g) => g.holds === f.holds && g.screws.some((s) => near(s.xMm, s.yMm)));
  if (f.kind === "extraCable") return b.connectors.some((c) => c.joins[0] === f.holds && near(c.xMm, c.yMm));
  if (f.kind === "glue") return b.parts.some((p) => p.id === f.holds && p.out?.glue);
  return b.parts.some((p) => p.name.toLowerCase() === f.words.toLowerCase());
}

export type Took = { ok: true; version: number } | { ok: false; problem: string };

/** Takes a find over into the build of its machine, on an editor's yes. Running jobs keep the build they were planned with. */
export async function takeProposal(key: string, nowIso: string): Promise<Took> {
  const p = (await proposals()).find((x) => x.key === key);
  if (!p) return { ok: false, problem: "That find is in the build already, or was taken back." };
  const row = (await readReference()).builds.find((b) => b.id === p.build);
  if (!row) return { ok: false, problem: "The build is not there any more." };
  const next = adoptFind(row.data, { ...p.find, eventId: p.eventId } as KeptFind);
  const read = parseBuild(JSON.stringify(next));
  if (!read.ok) return { ok: false, problem: `It does not go into the build: ${read.problems[0]?.message ?? "unknown"}` };
  const saved = await importBuild(JSON.stringify(read.build), row.version, nowIso);
  return saved.ok ? { ok: true, version: saved.version } : { ok: false, problem: saved.problems[0]?.message ?? "Not saved." };
}

/** In how many jobs a find has to be seen before it goes into the build without anybody's yes. */
const SIGHTINGS = 2;

/**
 * Takes over what was found in a second job: twice by hand is no slip of one. Glue and a part may still be looked at by an
 * editor; a find that does not go into its build stays a proposal.
 * @returns keys of what went in
 */
export async function takeSeenTwice(nowIso: string): Promise<string[]> {
  const taken: string[] = [];
  for (const p of await proposals()) if (p.jobs.length >= SIGHTINGS && (await takeProposal(p.key, nowIso)).ok) taken.push(p.key);
  return taken;
}
