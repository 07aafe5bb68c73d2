"use client";
import { supplyChoices } from "@/core/build";
import { durationWords } from "@/core/quantity";
import { Choose } from "../controls/Choose";
import { useBench } from "../job/context";

const NAME = { mains: "mains", mainsAndBattery: "mains and battery", battery: "battery" } as const;

/** What feeds the tests, and what another supply would change; for the day the right charger is not at hand. */
export function SupplyChoice() {
  const { log, build, view } = useBench();
  if (!build) return null;
  const choices = supplyChoices(build.data);
  const supply = build.data.isolation.testSupply;
  const now = choices.find((c) => c.supply === supply)!;
  return (
    <section aria-label="Supply for the tests" className="flex flex-col gap-1">
      <label className="field" style={{ maxWidth: 320 }}>
        <span>Fed by{view.state.plan?.supply ? ", chosen for this job" : ", as its build says"}</span>
        <Choose
          value={supply}
          options={choices.map((c) => [c.supply, NAME[c.supply]] as const)}
          onValue={(s) => log.record({ type: "plan.supplyChosen", payload: { supply: s } })}
        />
      </label>
      <p className="q">
        {now.words}
        {now.minutes > 0 ? ` Its plugs take ${durationWords(now.minutes)} over both starts.` : ""}
      </p>
    </section>
  );
}
