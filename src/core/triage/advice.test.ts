import { triageTable } from "@tests/bench";
import { cases, contextOf } from "@tests/triageReference";
import { describe, expect, it } from "vitest";
import { advise, type Findings, NONE, posterior, sensitivity } from ".";

describe("advice", () => {
  it("when none of these leads, it says look and never order", () => {
    const c = cases.find((x) => x.lead === NONE)!;
    const a = advise(triageTable, contextOf(c.context), c.findings, { opened: false, openMinutes: null, liquidCleared: true });
    expect(["look", "test"]).toContain(a.next);
    expect(a.lead.panel).toBe(false);
    expect(a.sentence).not.toMatch(/order a panel/i);
  });
  it("overturn names answers that really put another fault in the lead", () => {
    const f: Findings = { dark: "yes", torchImage: "yes" };
    const a = advise(triageTable, contextOf({ backlight: "led" }), f);
    expect(a.overturn.length).toBeGreaterThan(0);
    for (const o of a.overturn) {
      const then = posterior(triageTable, contextOf({ backlight: "led" }), { ...f, [o.finding]: o.outcome });
      expect(then.ranking[0]!.fault).toBe(o.lead);
      expect(o.lead).not.toBe(a.lead.fault);
    }
  });
  it("a verdict on strong findings stands with every strength halved and doubled; a near tie does not", () => {
    expect(sensitivity(triageTable, contextOf({ happened: "drop" }), { cracks: "yes", blots: "yes" })).toEqual([]);
    const tie = cases.find((c) => c.lead === NONE)!;
    expect(sensitivity(triageTable, contextOf(tie.context), tie.findings).length).toBeGreaterThan(0);
  });
});
