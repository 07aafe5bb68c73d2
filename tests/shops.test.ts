import { describe, expect, it } from "vitest";
import { leadTime, type PastOrder } from "@/core/catalogue";
import { type PromiseInput, promiseDate } from "@/core/promise";
import { PromiseReference } from "./promiseReference";

/** A generator of its own, so that nothing of the product's draws is in the truth. */
function dice(start: number) {
  let x = start >>> 0 || 1;
  const u = () => {
    x = (Math.imul(x, 1664525) + 1013904223) >>> 0;
    return (x + 0.5) / 4294967296;
  };
  const normal = () => Math.sqrt(-2 * Math.log(u())) * Math.cos(2 * Math.PI * u());
  return { u, normal };
}
const DAYS = 120;
const workdays = Array.from({ length: DAYS }, (_, d) => d).filter((d) => d % 7 < 6);
const Z80 = 0.8416212335729143;

describe("fifty shops that learn their sellers as they go", () => {
  it("keep 74 to 86 in a hundred of what they promise four times in five, from the first job on", () => {
    let kept = 0;
    let all = 0;
    const early = { kept: 0, all: 0 };
    for (let shop = 0; shop < 50; shop++) {
      const { u, normal } = dice(7919 * (shop + 1));
      // What the seller truly takes: off from the usual by a quarter, his own spread.
      const ratio = 1.1 * Math.exp(0.25 * normal());
      const spread = 0.2 + 0.3 * u();
      const wrong = 0.02 + 0.1 * u();
      const long = 30 + 60 * u();
      const past: PastOrder[] = [];
      const input = (order: PromiseInput["order"]): PromiseInput => ({
        nowMin: 600,
        windows: workdays.flatMap((d): [number, number][] => [
          [d * 1440 + 540, d * 1440 + 750],
          [d * 1440 + 795, d * 1440 + 1020],
        ]),
        handover: workdays.map((d): [number, number] => [d * 1440 + 600, d * 1440 + 1020]),
        deliveries: { atMin: 660, days: workdays },
        benches: 1,
        order,
        ahead: { p50: 120, p80: 170 },
        hands: { p50: long, p80: long * 1.35 },
        waitMin: 15,
      });
      for (let job = 0; job < 16; job++) {
        const quoted = 2 + Math.floor(u() * 6);
        const lead = leadTime(quoted, "The seller", past);
        const said = promiseDate(input({ placedMin: 600, p50Days: lead.p50Days, p80Days: lead.p80Days, wrongChance: wrong }), {
          draws: 600,
          seed: `${shop} ${job}`,
        }).p80Min;
        const truth = new PromiseReference(
          input({
            placedMin: 600,
            p50Days: quoted * ratio,
            p80Days: quoted * ratio * Math.exp(Z80 * spread),
            wrongChance: wrong,
          }),
          DAYS,
        );
        // The reference draws from one place: each job goes some way along it.
        for (let k = 0; k < 3 + shop + job * 7; k++) truth.once();
        const done = truth.once();
        all += 1;
        if (done <= said) kept += 1;
        if (job < 4) {
          early.all += 1;
          if (done <= said) early.kept += 1;
        }
        past.push({
          seller: "The seller",
          quotedDays: quoted,
          tookDays: quoted * ratio * Math.exp(spread * normal()),
          returned: null,
        });
      }
    }
    expect(all).toBe(800);
    expect(kept / all).toBeGreaterThan(0.74);
    expect(kept / all).toBeLessThan(0.86);
    // Little is known at first: a little cautious, never bold.
    expect(early.kept / early.all).toBeGreaterThan(0.74);
  });
});
