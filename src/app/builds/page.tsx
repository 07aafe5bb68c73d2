import Link from "next/link";
import { makePlan } from "@/core/teardown";
import { proposals } from "@/server/finds";
import { readReference } from "@/server/reference";
import { readWeights } from "@/server/weights";
import { Finds } from "@/ui/builds/Finds";
import { Desk } from "@/ui/shell/Desk";
import { BuildImport } from "@/ui/station/BuildImport";

export const dynamic = "force-dynamic";
export const metadata = { title: "Machines and builds, Helvane" };

export default async function BuildsPage() {
  const ref = await readReference();
  const weights = await readWeights();
  return (
    <Desk title="Machines and builds" ways={[["/panels", "Panels"]]}>
      <ul className="rows">
        {ref.machines.map((m) => {
          const b = ref.builds.find((x) => x.id === m.build);
          const plan = b ? makePlan(b.data, [], undefined, weights) : null;
          return (
            <li key={m.model}>
              <b>
                {b ? (
                  <Link className="link" href={`/builds/${b.id}`} prefetch={false}>
                    {m.model}
                  </Link>
                ) : (
                  m.model
                )}
              </b>
              <span className="grow q mono">{m.codes.join(", ")}</span>
              <em>
                {b
                  ? `family ${b.data.family}, ${plan?.ok ? `${plan.plan.out.length} steps out, ${plan.plan.in.length} back` : "cannot be planned"}, version ${b.version}`
                  : "no build yet"}
              </em>
            </li>
          );
        })}
      </ul>
      <Link className="btn self-start" href="/builds/new" prefetch={false}>
        Describe a machine
      </Link>
      <Finds list={await proposals()} />
      <h2 className="sec">Read a build</h2>
      <BuildImport />
    </Desk>
  );
}
