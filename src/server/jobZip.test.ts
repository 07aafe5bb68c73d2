import { readFileSync } from "node:fs";
import { seededRandom } from "@tests/randomActs";
import { runs } from "@tests/scale";
import { strFromU8, strToU8, unzipSync, Zip, ZipDeflate, zipSync } from "fflate";
import { describe, expect, it } from "vitest";
import { IMPORT_LIMITS, readJobZip } from "./jobZip";

const NOW = Date.parse("2026-12-01T08:00:00Z");
const good = unzipSync(readFileSync("tests/fixtures/job-written-0.1.zip"));
const log = JSON.parse(strFromU8(good["log.json"]!)) as Record<string, unknown>[];
const zip = (over: Record<string, Uint8Array | string>) =>
  zipSync({ ...good, ...Object.fromEntries(Object.entries(over).map(([k, v]) => [k, typeof v === "string" ? strToU8(v) : v])) });
const withLog = (events: unknown) => zip({ "log.json": JSON.stringify(events) });
const says = async (bytes: Uint8Array) => {
  const began = performance.now();
  const read = await readJobZip(bytes, NOW);
  return {
    ms: performance.now() - began,
    text: read.ok ? "ok" : read.problems.map((p) => `${p.where}: ${p.message}`).join("\n"),
  };
};

describe("an exported job from anywhere", () => {
  it("is read as it was written", async () => {
    const read = await readJobZip(readFileSync("tests/fixtures/job-written-0.1.zip"), NOW);
    expect(read.ok && read.job.events).toHaveLength(log.length);
  });
  it("four million zeros, sixty thousand entries, a bomb, deep brackets and a name twice are told at once", async () => {
    const zeros = await says(zip({ "log.json": `[${"0,".repeat(3_999_999)}0]` }));
    expect(zeros.text).toMatch(/log\.json.*(4000000 events|times its size)/);
    expect(zeros.ms).toBeLessThan(5000);
    const many = await says(zipSync(Object.fromEntries(Array.from({ length: 60_000 }, (_, i) => [`n${i}`, new Uint8Array(0)]))));
    expect(many.text).toMatch(/more than 3000 entries/);
    expect((await says(zip({ "snapshots/x.json": new Uint8Array(60_000_000) }))).text).toMatch(
      /"snapshots\/x\.json" unpacks to more than 300 times its size/,
    );
    expect((await says(zip({ "log.json": "[".repeat(900) + "]".repeat(900) }))).text).toMatch(/nested more than 64 deep/);
    // Brackets inside a text are a text.
    expect((await says(zip({ "log.json": JSON.stringify(["[".repeat(900)]) }))).text).not.toMatch(/nested/);
    // The same name twice, as only a hand-made archive has it.
    const parts: Uint8Array[] = [];
    const twice = new Zip((_, chunk) => void parts.push(chunk));
    for (const [name, bytes] of [...Object.entries(good), ["log.json", good["log.json"]!] as const]) {
      const entry = new ZipDeflate(name, { level: 6 });
      twice.add(entry);
      entry.push(bytes, true);
    }
    twice.end();
    const said = (await says(Buffer.concat(parts))).text;
    expect(said).toMatch(/has "log\.json" twice/);
  });
  it("a clock from the far future, a job id in capitals, a log without an opening, an id twice: each is named", async () => {
    const first = log[0]!;
    const ahead = { ...log[1], clock: `${String(NOW + 400 * 86_400_000).padStart(15, "0")}-000000` };
    expect((await says(withLog([first, ahead]))).text).toMatch(/event 2: stands 400 days ahead of now/);
    // A clock that was off is no harm once the server has placed the event.
    expect((await says(withLog([first, { ...ahead, placed: first.clock }, ...log.slice(2)]))).text).toBe("ok");
    const shout = String(first.jobId).toUpperCase();
    const manifest = JSON.stringify({ ...JSON.parse(strFromU8(good["manifest.json"]!)), jobId: shout });
    expect(
      (await says(zip({ "manifest.json": manifest, "log.json": JSON.stringify(log.map((e) => ({ ...e, jobId: shout }))) }))).text,
    ).toMatch(/UUID in small letters/);
    expect((await says(withLog(log.slice(1, 3)))).text).toMatch(/never opened/);
    expect((await says(withLog([first, first]))).text).toMatch(/stands there twice/);
    expect((await says(withLog(Array.from({ length: IMPORT_LIMITS.events + 1 }, () => 0)))).text).toMatch(
      /20001 events, 20000 at most/,
    );
  });
  it("whatever is changed in it, it is read or refused in words, with twenty problems at most", async () => {
    for (let seed = 1; seed <= 10; seed++) {
      const random = seededRandom(seed);
      for (let i = 0; i < runs(40); i++) {
        const names = Object.keys(good);
        const name = names[Math.floor(random() * names.length)]!;
        const bytes = good[name]!.slice();
        const kind = Math.floor(random() * 5);
        const at = Math.floor(random() * bytes.length);
        const next = { ...good };
        if (kind === 0) bytes[at] = Math.floor(random() * 256);
        if (kind === 1) delete next[name];
        if (kind === 2) next[["../x", "/etc/passwd", "snapshots/../x", "a\u0000b"][Math.floor(random() * 4)]!] = strToU8("x");
        if (kind < 2 || kind === 2) {
          if (kind === 0) next[name] = bytes;
        } else if (kind === 3) next[name] = bytes.slice(0, at);
        else
          next["log.json"] = strToU8(
            JSON.stringify(
              log.map((e) =>
                random() < 0.2
                  ? {
                      ...e,
                      [Object.keys(e)[Math.floor(random() * 8)]!]: [null, -1, "", {}, [[]], 1e99][Math.floor(random() * 6)],
                    }
                  : e,
              ),
            ),
          );
        let packed = zipSync(next, { level: 1 });
        if (random() < 0.3) {
          packed = packed.slice();
          packed[Math.floor(random() * packed.length)] = Math.floor(random() * 256);
        }
        const read = await readJobZip(packed, NOW);
        if (!read.ok) {
          expect(read.problems.length, `seed ${seed}, ${i}`).toBeGreaterThan(0);
          expect(read.problems.length).toBeLessThanOrEqual(20);
          for (const p of read.problems) expect(p.message.length).toBeLessThan(400);
        }
      }
    }
  });
});
