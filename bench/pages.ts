import { gzipSync } from "node:zlib";
import { type Running, startServer } from "../e2e/server";
import { addClosedJobs } from "./shop";
import { quantile, say } from "./stats";

const STATIONS = ["triage", "identify", "match", "plan", "open", "swap", "bond", "prove", "close"];

async function routes(s: Running): Promise<Record<string, string>> {
  const home = await (await fetch(s.url)).text();
  const id = /href="\/jobs\/([0-9a-f-]{36})\/open"/.exec(home)?.[1] ?? /\/jobs\/([0-9a-f-]{36})\//.exec(home)![1]!;
  return {
    "/": "/",
    "/new": "/new",
    "/builds": "/builds",
    "/settings": "/settings",
    "/pattern": "/pattern",
    ...Object.fromEntries(STATIONS.map((x) => [`/jobs/…/${x}`, `/jobs/${id}/${x}`])),
    "/jobs/…/handover": `/jobs/${id}/handover`,
  };
}

async function times(s: Running, path: string, runs: number): Promise<number[]> {
  const out: number[] = [];
  for (let i = 0; i < runs + 4; i++) {
    const at = performance.now();
    const res = await fetch(s.url + path);
    await res.arrayBuffer();
    if (i >= 4) out.push(performance.now() - at);
  }
  return out;
}

const sizes = new Map<string, number>();
async function firstLoadBytes(s: Running, path: string): Promise<number> {
  const html = await (await fetch(s.url + path)).text();
  const scripts = new Set(
    [...html.matchAll(/<script[^>]*\ssrc="([^"]+)"/g)].filter((m) => !/noModule/i.test(m[0])).map((m) => m[1]!),
  );
  let sum = 0;
  for (const src of scripts) {
    if (!sizes.has(src))
      sizes.set(src, gzipSync(Buffer.from(await (await fetch(s.url + src)).arrayBuffer()), { level: 9 }).length);
    sum += sizes.get(src)!;
  }
  return sum;
}

/** Each page's time on the demo data and on a shop with many closed jobs; weight of its first load. */
export async function benchPages(): Promise<void> {
  const demo = ".bench/pages.sqlite";
  const small = await startServer(demo);
  const list = await routes(small);
  const onDemo: Record<string, number[]> = {};
  for (const [name, path] of Object.entries(list)) onDemo[name] = await times(small, path, 25);
  const empty = await firstLoadBytes(small, "/empty");
  let heaviest = 0;
  const kB = (n: number) => `${(n / 1000).toFixed(1)} kB`;
  const weights: Record<string, number> = {};
  for (const [name, path] of Object.entries(list)) {
    weights[name] = (await firstLoadBytes(small, path)) - empty;
    heaviest = Math.max(heaviest, weights[name]!);
  }
  await small.stop();
  const events = await addClosedJobs(demo, 500);
  const full = await startServer(demo);
  console.log(
    `\nPages: p50 / p95 in ms on the demo data, then with 500 closed jobs more (${events} events); first-load JavaScript above an empty route`,
  );
  let slowest = 0;
  for (const [name, path] of Object.entries(list)) {
    const b = await times(full, path, 25);
    const f = (x: number[]) => `${quantile(x, 0.5).toFixed(1).padStart(6)} / ${quantile(x, 0.95).toFixed(1).padStart(6)}`;
    slowest = Math.max(slowest, quantile(b, 0.5), quantile(onDemo[name]!, 0.5));
    console.log(`  ${name.padEnd(20)} ${f(onDemo[name]!)}   ${f(b)}   ${kB(weights[name]!).padStart(9)}`);
  }
  await full.stop();
  say("slowest page, p50", `${slowest.toFixed(1)} ms`, "under 60 ms", slowest < 60);
  say("empty route, first-load JavaScript, gzip", kB(empty));
  say("heaviest route above the empty one, gzip", kB(heaviest), "at most 110 kB", heaviest <= 110_000);
}
