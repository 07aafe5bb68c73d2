import { base } from "@tests/edidBytes";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readEdidText } from ".";

describe("hex text", () => {
  const b = base();
  const pairs = [...b].map((x) => x.toString(16).padStart(2, "0"));
  const rows = (n: number, sep: string, make: (row: string, i: number) => string) =>
    Array.from({ length: 128 / n }, (_, i) => make(pairs.slice(i * n, i * n + n).join(sep), i)).join("\n");
  const forms: Record<string, string> = {
    "one line": pairs.join(""),
    "spaced pairs": rows(16, " ", (r) => r),
    "commas and 0x": `{ ${pairs.map((p) => `0x${p.toUpperCase()}`).join(", ")} };`,
    "an offset in front": rows(16, " ", (r, i) => `${(i * 16).toString(16).padStart(8, "0")}: ${r}`),
    "letters behind": rows(16, " ", (r, i) => `${(i * 16).toString(16).padStart(8, "0")}  ${r}  |................|`),
    "words of two bytes": Array.from(
      { length: 8 },
      (_, i) =>
        `${(i * 16).toString(16).padStart(8, "0")}: ${Array.from({ length: 8 }, (_, k) => pairs[i * 16 + 2 * k]! + pairs[i * 16 + 2 * k + 1]!).join(" ")}  ................`,
    ).join("\n"),
    "inside a larger dump": `eDP-1 connected primary\n\tEDID: \n${rows(16, "", (r) => `\t\t${r}`)}\n\tBorder: 0\n\tscaling mode: Full\n`,
    "a registry export": `"EDID"=hex:${pairs.slice(0, 22).join(",")},\\\n  ${pairs.slice(22, 80).join(",")},\\\n  ${pairs.slice(80).join(",")}`,
  };
  for (const [name, text] of Object.entries(forms))
    it(name, () => {
      const r = readEdidText(text);
      if (!r.ok) throw new Error(r.problem);
      expect(r.found).toHaveLength(1);
      expect([...r.found[0]!.bytes]).toEqual([...b]);
    });
  it("finds two, and says what it looked for in vain", () => {
    const two = readEdidText(`first\n${forms["spaced pairs"]}\n\nsecond screen\n${forms["one line"]}\n`);
    expect(two.ok && two.found.map((f) => f.line)).toEqual([2, 12]);
    expect(readEdidText("")).toMatchObject({ ok: false, problem: expect.stringContaining("empty") });
    expect(readEdidText("hello there")).toMatchObject({ ok: false, problem: expect.stringContaining("No line reads as hex") });
    expect(readEdidText("00 11 22")).toMatchObject({ ok: false, problem: expect.stringContaining("3 hex bytes") });
  });
  it("never throws", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (t) => {
        readEdidText(t);
      }),
    );
  });
});
