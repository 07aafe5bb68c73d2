import { builds } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { applyFinds, type KeptFind } from ".";

describe("what is found on a job", () => {
  const event = "3f0d7a52-0000-4000-8000-000000000042";
  const base = { eventId: event, view: "base", holds: "base-cover", words: "Wi-Fi lead", xMm: 20, yMm: 30 };
  const kestrel = builds["ostrel-kestrel-14"]!;
  const withFind = (more: object) => applyFinds(kestrel, [{ ...base, ...more } as KeptFind]);
  it("glue under a part makes it dearer and says so once, after what was cautioned before", () => {
    const before = kestrel.parts.find((p) => p.id === "base-cover")!.out!;
    const glued = withFind({ kind: "glue", words: "blue drops" }).parts.find((p) => p.id === "base-cover")!.out!;
    expect(glued).toMatchObject({ glue: true, minutes: before.minutes + 2 });
    expect(glued.caution).toBe(`${before.caution ? `${before.caution} ` : ""}Glue found: blue drops.`);
    const again = applyFinds(kestrel, [
      { ...base, kind: "glue", words: "blue drops" } as KeptFind,
      { ...base, kind: "glue", words: "blue drops", eventId: event.replace("42", "43") } as KeptFind,
    ]);
    expect(again.parts.find((p) => p.id === "base-cover")!.out!.minutes).toBe(before.minutes + 2);
  });
  it("a part over another blocks it; it is drawn 12 x 8 mm where it was seen", () => {
    const b = withFind({ kind: "part", words: "Shield" });
    const made = b.parts.at(-1)!;
    expect(made).toMatchObject({ name: "Shield", shape: { xMm: 20, yMm: 30, widthMm: 12, heightMm: 8 }, out: { minutes: 1.5 } });
    expect(b.parts.find((p) => p.id === "base-cover")!.blockedBy).toContain(made.id);
  });
  it("a hidden screw nobody measured is an M2 x 4 with a pan head of 3.8 x 1.4 mm, marked so", () => {
    const b = withFind({ kind: "hiddenScrew", screwType: null });
    const g = b.screwGroups.at(-1)!;
    expect(g).toMatchObject({ holds: "base-cover", minutesEach: 0.5, screws: [{ xMm: 20, yMm: 30, where: "Wi-Fi lead" }] });
    expect(b.screwTypes.find((t) => t.id === g.screws[0]!.type)).toMatchObject({
      thread: "M2",
      lengthMm: 4,
      headDiameterMm: 3.8,
      headHeightMm: 1.4,
      unmeasured: true,
    });
  });
  it("a find that names no part of this build changes nothing", () => {
    expect(withFind({ kind: "glue", holds: "ghost" })).toEqual(kestrel);
  });
});
