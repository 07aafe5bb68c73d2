import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readTouchCode, type TouchResult, touchCode } from ".";

const result = fc.record({
  coveredPerMille: fc.integer({ min: 0, max: 1000 }),
  missed: fc.integer({ min: 0, max: 4095 }),
  columns: fc.integer({ min: 0, max: 63 }),
  rows: fc.integer({ min: 0, max: 63 }),
  watchedS: fc.integer({ min: 0, max: 65_535 }),
  ghosts: fc.integer({ min: 0, max: 255 }),
});
const sample: TouchResult = { coveredPerMille: 973, missed: 22, columns: 1, rows: 0, watchedS: 1812, ghosts: 3 };

describe("a code typed by hand", () => {
  it("says again what it was made of, in any case, with or without its hyphens", () => {
    fc.assert(
      fc.property(result, (r) => {
        const code = touchCode(r);
        expect(code).toMatch(/^[0-9A-Z]{4}-[0-9A-Z]{4}-[0-9A-Z]{4}-[0-9A-Z*~$=]$/);
        for (const typed of [code, code.toLowerCase(), code.replaceAll("-", ""), ` ${code.replaceAll("-", " ")} `])
          expect(readTouchCode(typed)).toEqual({ ok: true, result: r });
        expect(readTouchCode(code.replaceAll("0", "o").replaceAll("1", "l"))).toEqual({ ok: true, result: r });
      }),
    );
  });
  it("one character wrong, or two beside each other changed round, is noticed everywhere", () => {
    const code = touchCode(sample).replaceAll("-", "");
    const all = "0123456789ABCDEFGHJKMNPQRSTVWXYZ";
    for (let i = 0; i < code.length; i++) {
      for (const c of all)
        if (c !== code[i]) expect(readTouchCode(code.slice(0, i) + c + code.slice(i + 1)).ok, `${i} ${c}`).toBe(false);
      if (i + 1 < code.length && code[i] !== code[i + 1])
        expect(readTouchCode(code.slice(0, i) + code[i + 1] + code[i] + code.slice(i + 2)).ok, `${i} turned`).toBe(false);
    }
  });
  it("says what is wrong with what is no code", () => {
    expect(readTouchCode("ABC")).toMatchObject({ ok: false, problem: expect.stringMatching(/13 characters; this has 3/) });
    expect(readTouchCode("UUUUUUUUUUUUU")).toMatchObject({ ok: false, problem: expect.stringMatching(/"U" is no character/) });
    expect(readTouchCode("")).toMatchObject({ ok: false });
  });
  it("figures too large are told as the largest, never as less", () => {
    const r = readTouchCode(touchCode({ ...sample, watchedS: 1e6, ghosts: 9999 }));
    expect(r).toMatchObject({ ok: true, result: { watchedS: 65_535, ghosts: 255 } });
  });
});
