import { hashes, plannedJob, snapshots } from "@tests/bench";
import { describe, expect, it } from "vitest";
import { mayHandOver } from "./handOver";

describe("what a hand-over would leave behind", () => {
  const done = plannedJob("C").until("handOver");
  const with_ = (change: (s: typeof done.state) => void) => {
    const state = structuredClone(done.state);
    change(state);
    return mayHandOver({ state, snapshots })?.reason ?? null;
  };
  it("is named, one thing at a time, the gravest first", () => {
    expect(with_(() => undefined)).toBeNull();
    expect(with_((s) => (s.screws.b1 = "out"))).toBe("1 screw still out: base screws, hinge edge, left.");
    for (const n of [4, 5])
      expect(with_((s) => ["b1", "b2", "b3", "b4", "b5"].slice(0, n).forEach((x) => (s.screws[x] = "out")))).toMatch(
        n > 4 ? /^5 screws still out: .* and more\.$/ : /^4 screws still out: (?!.*more)/,
      );
    expect(with_((s) => (s.screws.b2 = "loosened"))).toBe(
      "1 screw only loosened, not tightened again: base screws, hinge edge, right.",
    );
    expect(with_((s) => (s.parts.bezel = "out"))).toBe("Bezel not back.");
    expect(with_((s) => (s.parts["hinge-strip"] = "folded"))).toBe("Hinge strip not back.");
    expect(with_((s) => (s.connectors["antenna-main"] = "off"))).toMatch(/^Antenna stud, black still off\. Home when: /);
    expect(with_((s) => (s.prove.open.picture = { result: "fail", note: "" }))).toMatch(
      /open pass of Prove is not complete: picture whole, right way up failed/,
    );
    expect(with_((s) => delete s.prove.closed.start)).toMatch(/closed pass .* starts and shuts down closed up not tested/);
    expect(with_((s) => delete s.close.seams.top)).toBe("Look at the top seam first.");
    expect(with_((s) => (s.close.seams = {}))).toBe("Look at the left, right, top and bottom seam first.");
    expect(with_((s) => (s.close.angleDeg = null))).toBe("Check the lid angle first.");
    expect(with_((s) => (s.close.angleDeg = 0))).toBeNull();
    expect(with_((s) => (s.subject = "in"))).toBe("No new panel is seated.");
    expect(with_((s) => (s.hazards.hotBattery = { note: "", madeSafe: null }))).toMatch(/battery/);
  });
  it("too many pixel faults hold it as well", () => {
    const fault = { eventId: "x", class: "bright" as const, xMm: 1, yMm: 1 };
    const many = (s: typeof done.state) => {
      s.prove.faults = Array.from({ length: 9 }, () => fault);
      s.prove.policyHash = hashes.policy;
    };
    expect(with_(many)).toMatch(/more pixel faults than the policy accepts/);
    // Faults nobody has a policy for are not accepted by it.
    expect(
      with_((s) => {
        many(s);
        s.prove.policyHash = null;
        s.prove.faults = [fault];
      }),
    ).toMatch(/more pixel faults/);
  });
});
