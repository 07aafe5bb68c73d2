import { randomBytes } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { isLocked, lockFile, unlockFile } from "./locked";

const dir = mkdtempSync(join(tmpdir(), "helvane-locked-"));
afterAll(() => rmSync(dir, { recursive: true, force: true }));
const at = (n: string) => join(dir, n);
const MB = 1 << 20;

describe("a file locked by a passphrase", () => {
  it.each([0, MB, 2 * MB + 1])("of %i bytes comes back byte by byte, and only with the passphrase", async (size) => {
    const plain = randomBytes(size);
    writeFileSync(at("plain"), plain);
    rmSync(at("locked"), { force: true });
    await lockFile(at("plain"), at("locked"), "grün wie Flaschenglas");
    expect([isLocked(at("locked")), isLocked(at("plain"))]).toEqual([true, false]);
    const locked = readFileSync(at("locked"));
    if (size > 64) expect(locked.includes(plain.subarray(0, 32))).toBe(false);
    expect(await unlockFile(at("locked"), at("open"), "grün wie Flaschenglas")).toEqual({ ok: true });
    expect(readFileSync(at("open")).equals(plain)).toBe(true);
    // The same letters written with a combining mark are the same passphrase.
    expect(await unlockFile(at("locked"), at("open"), "gru\u0308n wie Flaschenglas")).toEqual({ ok: true });
    expect(await unlockFile(at("locked"), at("open"), "something else")).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/passphrase is not the one/),
    });
  });
  it("that is cut, changed, or has frames changed about, is refused and where is said", async () => {
    writeFileSync(at("plain"), randomBytes(3 * MB + 500));
    rmSync(at("locked"), { force: true });
    await lockFile(at("plain"), at("locked"), "p");
    const whole = readFileSync(at("locked"));
    const head = 40;
    const frame = MB + 16;
    const read = async (bytes: Buffer) => {
      writeFileSync(at("bad"), bytes);
      const r = await unlockFile(at("bad"), at("open"), "p");
      return r.ok ? "ok" : r.problem;
    };
    expect(await read(whole)).toBe("ok");
    // Cut at the end of a frame: every frame that is left is sound, but the last does not say it is.
    expect(await read(whole.subarray(0, head + 2 * frame))).toMatch(new RegExp(`cut off between byte ${head + frame} `));
    expect(await read(whole.subarray(0, whole.length - 7))).toMatch(/changed or cut off/);
    expect(await read(whole.subarray(0, 30))).toMatch(/cut off: it ends at byte 30/);
    const turned = Buffer.from(whole);
    turned[head + frame + 99]! ^= 1;
    expect(await read(turned)).toMatch(new RegExp(`between byte ${head + frame} and`));
    const swapped = Buffer.concat([
      whole.subarray(0, head),
      whole.subarray(head + frame, head + 2 * frame),
      whole.subarray(head, head + frame),
      whole.subarray(head + 2 * frame),
    ]);
    expect(await read(swapped)).not.toBe("ok");
    const doubled = Buffer.concat([whole.subarray(0, head + frame), whole.subarray(head)]);
    expect(await read(doubled)).toMatch(/changed or cut off/);
  });
});
