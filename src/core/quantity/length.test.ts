import { describe, expect, it } from "vitest";
import { inchesBeside, readLength } from ".";

describe("lengths as shops write them", () => {
  it.each([
    ["12.7", 12.7],
    ["12,7 mm", 12.7],
    ["0.5 in", 12.7],
    ['1"', 25.4],
    ["3/16 in", 4.7625],
    ["13 15/16 inch", 354.0125],
    ["13-15/16 in.", 354.0125],
    ["2 cm", 20],
    ["0,5 in", 12.7],
    ["-0.1 in", -2.54],
  ])("%s is %f mm", (text, mm) => expect(readLength(text)).toBeCloseTo(mm, 3));
  it.each(["", "in", "3/0 in", "a mm", "5 ft", "1/2", "12.7.1 mm"])('"%s" is none', (text) =>
    expect(readLength(text)).toBeNull(),
  );

  it("inches stand behind the mm, whatever stands between two of them; nothing else is touched", () => {
    expect(inchesBeside("Feeler 0.5 mm")).toBe("Feeler 0.5 mm (0.020 in)");
    expect(inchesBeside("354.1 x 223.9 x 2.6 mm")).toBe("354.1 x 223.9 x 2.6 mm (13.94 x 8.81 x 0.102 in)");
    expect(inchesBeside("0.3 to 0.5 mm deep, 2 mm wide")).toBe("0.3 to 0.5 mm (0.012 to 0.020 in) deep, 2 mm (0.079 in) wide");
    expect(inchesBeside("14 in, 60 Hz, 30 contacts")).toBe("14 in, 60 Hz, 30 contacts");
    // Twice is once: what has its inches keeps them.
    expect(inchesBeside(inchesBeside("2 mm"))).toBe("2 mm (0.079 in)");
  });
  it("there and back: what it writes it reads", () => {
    for (const mm of [0.5, 2, 12.7, 25.4, 99.9, 354.1]) {
      const inch = /\(([\d.]+ in)\)/.exec(inchesBeside(`${mm} mm`))![1]!;
      expect(Math.abs(readLength(inch)! - mm)).toBeLessThanOrEqual(mm < 25.4 ? 0.0128 : 0.128);
    }
  });
});
