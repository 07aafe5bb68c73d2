import { readFileSync } from "node:fs";
import { strFromU8, strToU8, unzipSync, zipSync } from "fflate";
import { parseBuild } from "@/core/build";
import { decodeEdid } from "@/core/edid";
import { parseEvent } from "@/core/job";
import { readPanelRow } from "@/core/panel";
import { readJobZip } from "@/server/jobZip";
import { builds } from "../tests/bench";
import { base } from "../tests/edidBytes";
import { seededRandom } from "../tests/randomActs";
import { quantile, say } from "./stats";

type Random = () => number;
const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
const STRANGE = [
  null,
  true,
  -1,
  0,
  1e308,
  0.1,
  "",
  "x".repeat(5000),
  [],
  {},
  [[[[[]]]]],
  { a: { b: { c: 1 } } },
  "\u0000",
  "=1+1",
  "<script>",
];

/** A copy of a value with one thing in it changed, dropped or doubled. */
function mutated(random: Random, value: unknown): unknown {
  const copy = structuredClone(value);
  const paths: [Record<string, unknown>, string][] = [];
  const walk = (v: unknown) => {
    if (typeof v !== "object" || v === null) return;
    for (const [k, x] of Object.entries(v)) {
      paths.push([v as Record<string, unknown>, k]);
      walk(x);
    }
  };
  walk(copy);
  for (let i = 0; i <= Math.floor(random() * 3); i++) {
    const at = pick(random, paths);
    if (!at) break;
    const [o, k] = at;
    const luck = random();
    // A copy: what is put in here may be doubled at the next turn.
    if (luck < 0.6) o[k] = structuredClone(pick(random, STRANGE));
    else if (luck < 0.8) delete o[k];
    else if (Array.isArray(o[k])) o[k] = [...(o[k] as unknown[]), ...(o[k] as unknown[])];
    else o[`${k}x`] = o[k];
  }
  return copy;
}

/** Runs hostile inputs and tells how many, what threw, and the longest any took. */
async function hostile(
  what: string,
  count: number,
  seed: number,
  one: (random: Random, i: number) => unknown,
  mostMs: number,
): Promise<void> {
  const random = seededRandom(seed);
  const times: number[] = [];
  let thrown: string | null = null;
  for (let i = 0; i < count && !thrown; i++) {
    const at = performance.now();
    try {
      await one(random, i);
    } catch (e) {
      thrown = `input ${i} of seed ${seed}: ${(e as Error).message}`;
    }
    times.push(performance.now() - at);
  }
  const longest = quantile(times, 1);
  // The longest of a run holds every pause of the machine: one in a hundred thousand is left to it.
  const p = quantile(times, 1 - 1 / Math.max(1000, count));
  say(
    `${what}: ${times.length} inputs, seed ${seed}`,
    thrown ?? `none threw; longest ${longest.toFixed(1)} ms`,
    `none, ${mostMs} ms`,
    !thrown && p < mostMs,
  );
}

/** `npm run bench -- fuzz`: hostile EDID blocks, builds, tables, events and zips. */
export async function benchFuzz(): Promise<void> {
  const scale = Number(process.env.HELVANE_BENCH_FUZZ ?? 1);
  const n = (x: number) => Math.max(10, Math.round(x * scale));
  const seed = Number(process.env.HELVANE_BENCH_SEED ?? Date.now() % 1_000_000);
  await hostile(
    "EDID blocks",
    n(1_000_000),
    seed,
    (random) => {
      const size = pick(random, [0, 1, 127, 128, 129, 256, 384]);
      const b = new Uint8Array(size);
      if (random() < 0.5) b.set(base().subarray(0, size));
      for (let i = 0; i < 1 + random() * 40; i++) if (size) b[Math.floor(random() * size)] = Math.floor(random() * 256);
      return decodeEdid(b);
    },
    50,
  );
  const list = Object.values(builds);
  await hostile("builds", n(25_000), seed + 1, (random) => parseBuild(JSON.stringify(mutated(random, pick(random, list)))), 50);
  const files = unzipSync(readFileSync("tests/fixtures/job-written-0.1.zip"));
  const log = JSON.parse(strFromU8(files["log.json"]!)) as unknown[];
  await hostile("events", n(50_000), seed + 2, (random) => parseEvent(mutated(random, pick(random, log))), 50);
  await hostile(
    "rows of a table",
    n(20_000),
    seed + 3,
    (random) =>
      readPanelRow(
        Object.fromEntries(
          ["code", "source", "contacts", "width_mm", "pixels", "other_names", "stray"].map((k) => [
            k,
            String(pick(random, STRANGE)),
          ]),
        ),
      ),
    50,
  );
  // Read in a process of its own: what is bounded is that it ends and what it says.
  await hostile(
    "zips",
    n(5000),
    seed + 4,
    async (random) => {
      const next: Record<string, Uint8Array> = { ...files };
      const name = pick(random, Object.keys(next));
      const luck = random();
      if (luck < 0.3) next["log.json"] = strToU8(JSON.stringify(log.map((e) => (random() < 0.1 ? mutated(random, e) : e))));
      else if (luck < 0.5) delete next[name];
      else if (luck < 0.7)
        next[pick(random, ["../../x", "/etc/passwd", "a\u0000b", "snapshots/../y", "x".repeat(300)])] = strToU8("x");
      else next[name] = next[name]!.slice(0, Math.floor(random() * next[name]!.length));
      let zip = zipSync(next, { level: 1 });
      if (random() < 0.4) {
        zip = zip.slice();
        for (let i = 0; i < 1 + random() * 8; i++) zip[Math.floor(random() * zip.length)] = Math.floor(random() * 256);
      }
      const read = await readJobZip(zip, Date.now());
      if (!read.ok && read.problems.length === 0) throw new Error("refused without a word");
    },
    5000,
  );
}
