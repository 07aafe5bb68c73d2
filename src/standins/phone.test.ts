import { describe, expect, it } from "vitest";
import { judgeEvenness, measureEvenness, responseFromStrip, suggestCorners } from "@/core/proof";
import { photoOf, trueRatio } from "./panelPhoto";
import { hiddenPanel, phoneShot } from "./phone";

const size = { widthMm: 309.4, heightMm: 174 };

/** A job whose panel is of a kind: even, dark at the corners, pressed, or with a dead source. */
const jobOf = (is: (p: ReturnType<typeof hiddenPanel>) => boolean): string => {
  for (let i = 0; ; i++) if (is(hiddenPanel(`job ${i}`, size.widthMm, size.heightMm))) return `job ${i}`;
};
const kinds = {
  even: jobOf((p) => !p.marks && !p.sources && p.falls![0] < 0.1),
  dark: jobOf((p) => p.falls![0] > 0.1),
  pressed: jobOf((p) => !!p.marks),
  dead: jobOf((p) => !!p.sources),
};
function measured(job: string) {
  const panel = hiddenPanel(job, size.widthMm, size.heightMm);
  const shots = (["leftHigh", "rightLow"] as const).map((v) => photoOf(panel, phoneShot(job, v, size.widthMm)));
  const strip = photoOf(panel, phoneShot(job, "strip", size.widthMm));
  const response = responseFromStrip(strip, shots[0]!, suggestCorners(shots[0]!)!.corners);
  const said = measureEvenness(shots, size, { falloff: 2, straighten: true, response });
  return { panel, said };
}

describe("the simulated phone", () => {
  it("photographs the same panel the same way every time, another for another job", () => {
    expect(hiddenPanel("a", 310, 174)).toEqual(hiddenPanel("a", 310, 174));
    expect(new Set(Object.values(kinds)).size).toBe(4);
  });
  it("an even panel is never called bad, a dark one never good, and a dead source is found", () => {
    const verdict = (job: string) => {
      const { said } = measured(job);
      if (!said.ok) throw new Error(said.words);
      return judgeEvenness(said);
    };
    expect(verdict(kinds.even).verdict).not.toBe("bad");
    expect(verdict(kinds.dark).verdict).not.toBe("good");
    expect(verdict(kinds.dead).found.join(" ")).toMatch(/source|edge|dip|dark/i);
  }, 60_000);
  it("its photos are good enough to measure: the truth lies within what is said of it", () => {
    for (const job of Object.values(kinds)) {
      const { panel, said } = measured(job);
      if (!said.ok) throw new Error(said.words);
      const row = judgeEvenness(said).rows.find((r) => r.points === 9)!;
      expect(Math.abs(row.ratio - trueRatio(panel, 9)), job).toBeLessThan(3 * row.sigma + 0.005);
    }
  }, 60_000);
});
