import { describe, expect, it } from "vitest";
import { handoverSheet, handsOnMinutes, pointCheck } from "@/core/job";
import { progressOf } from "@/core/teardown";
import { builds, handAct, jobOn } from "./bench";
import { said, short, standing } from "./golden";
import { everyAct, plannedAct, seededRandom } from "./randomActs";

// Taken before the house was moved; a line that differs is a change somebody has to answer for.
const golden = (name: string) => `golden/${name}.txt`;
const all = Object.values(builds);
const round = (x: unknown): unknown =>
  JSON.parse(JSON.stringify(x, (_, v) => (typeof v === "number" ? Number(v.toPrecision(9)) : v)));
const line = (...x: unknown[]) => x.map((y) => (typeof y === "string" ? y : JSON.stringify(round(y)))).join(" | ");

describe("as it was before the house was moved", () => {
  it("a whole job on every build: at each step the gates, the card and the state", async () => {
    const out: string[] = [];
    for (const build of all) {
      const b = jobOn(build.id);
      out.push(`== ${build.id}`);
      for (let i = 0; i < 200; i++) {
        const { view } = b;
        const p = progressOf(view);
        const now = p?.now;
        const envelope = b.make({ type: "job.noted", payload: { text: "asked" } });
        const points = (["liner", "bezel", "baseCover"] as const).map((k) => pointCheck(view, k));
        out.push(
          `${now?.id ?? "through"} | done ${p?.steps.filter((x) => x.done).length} | ${standing(view, build, envelope)} | points ${short(points)}`,
        );
        if (!now) break;
        const act = handAct(view, now);
        b.do(act.type, act.payload);
      }
      out.push(`hands on ${handsOnMinutes(b.events)} min, sheet ${short(handoverSheet(b.view, 50))}`);
    }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot(golden("walks"));
  });
  it("wild jobs: acts in any order, kept as breaches where a gate was shut", async () => {
    const out: string[] = [];
    for (const build of all)
      for (const seed of [1, 2]) {
        const random = seededRandom(seed * 7919);
        const b = jobOn(build.id);
        const acts = everyAct(build);
        for (let i = 0; i < 90; i++) {
          const planned = plannedAct(b.view);
          const wild = acts[Math.floor(random() * acts.length)]!;
          const act = planned && random() < 0.8 ? planned : wild;
          if (random() < 0.85 && b.why(act.type, act.payload)) continue;
          b.events.push(b.make(act));
        }
        const s = b.state;
        out.push(line(build.id, String(seed), `${b.events.length} acts`, short(said(s)), `${s.breaches.length} breaches`));
        for (const x of s.breaches) out.push(`  ${x.gate}: ${x.reason}`);
      }
    await expect(`${out.join("\n")}\n`).toMatchFileSnapshot(golden("wild"));
  });
});
