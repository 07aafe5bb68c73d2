import { Hands } from "@tests/hands";
import { randomMachine } from "@tests/randomMachine";
import { carryOut, registerBuild } from "@tests/tryBuild";
import { describe, expect, it } from "vitest";
import { lampLit } from "../build";

/** How many in `npm test`; ten times as many in the bench. */
const FIRST = Number(process.env.HELVANE_FIRST ?? 1);
const MACHINES = Number(process.env.HELVANE_MACHINES ?? 1000);

describe("machines nobody has seen", () => {
  it(
    `${MACHINES} of them: every plan is carried out to hand-over through the gates, and two hands could do every act`,
    () => {
      const wrong: string[] = [];
      let planned = 0;
      let acts = 0;
      let lamps = 0;
      for (let seed = FIRST; seed < FIRST + MACHINES; seed++) {
        let build: ReturnType<typeof registerBuild>;
        try {
          build = registerBuild(randomMachine(seed));
        } catch {
          // Not a machine: its parts lie over each other in a circle. The editor says so.
          continue;
        }
        planned += 1;
        // Every other lamp-lit one is tried open, by somebody who is trained.
        const open = lampLit(build) && seed % 2 === 0;
        lamps += lampLit(build) ? 1 : 0;
        const { b, stopped } = carryOut(build, open ? "open" : "afterBezel");
        acts += b.events.length;
        if (stopped) wrong.push(`${seed}: ${stopped}`);
        else for (const w of new Hands(build).run(b.events).wrong.slice(0, 3)) wrong.push(`${seed}: ${w}`);
      }
      if (wrong.length) console.log(`${wrong.length} wrong\n${wrong.slice(0, 30).join("\n")}`);
      expect(wrong).toEqual([]);
      expect(planned).toBeGreaterThan(MACHINES * 0.9);
      expect(acts / planned).toBeGreaterThan(40);
      expect(lamps / planned).toBeGreaterThan(0.1);
    },
    240_000 * Math.max(1, MACHINES / 1000),
  );
});
