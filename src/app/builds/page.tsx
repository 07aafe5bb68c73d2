import Link from "next/link";
import { makePlan } from "@/core/teardown";
import { proposals } from "@/server/finds";
import { readReference } from "@/server/reference";
import { readWeights } from "@/server/weights";
import { BuildLid } from "@/ui/builds/BuildLid";
import { Finds } from "@/ui/builds/Finds";
import { Desk } from "@/ui/shell/Desk";
import { BuildImport } from "@/ui/station/BuildImport";

export const dynamic = "force-dynamic";
export const metadata = { title: "Machines and builds, Helvane" };

export default async function BuildsPage() {
  const ref = await readReference();
  const weights = await readWeights();
  return (
    <Desk
      title="Machines and builds"
      ways={[
        ["/panels", "Panels"],
        ["/procedures", "Makers' procedures"],
      ]}
    >
      {ref.machines.length === 0 && (
        <div className="empty">
          <b>No machine yet.</b> A few looks at a closed machine give its family and a build to start from.
        </div>
      )}
      {ref.machines.length > 0 && (
        <p className="q">
          Lids at 1:6.5, from the front, hinge down. A heavy edge: a pick goes in there. Dashed red: not there, something lies
          behind it.
        </p>
      )}
      <ul className="buildlids" aria-label="Machines">
        {ref.machines.map((m) => {
          const b = ref.builds.find((x) => x.id === m.build);
          const plan = b ? makePlan(b.data, [], undefined, weights) : null;
          return (
            <li key={m.model}>
              {b ? (
                <Link href={`/builds/${b.id}`} prefetch={false}>
                  <BuildLid build={b.data} />
                  <b className="link">{m.model}</b>
                </Link>
              ) : (
                <>
                  <Link className="empty" href={`/builds/new?machine=${encodeURIComponent(m.model)}`} prefetch={false}>
                    No build yet: describe it
                  </Link>
                  <b>{m.model}</b>
                </>
              )}
              {b && (
                <span className="q">
                  Family {b.data.family},{" "}
                  {plan?.ok ? `${plan.plan.out.length} steps out, ${plan.plan.in.length} back` : "cannot be planned"}, version{" "}
                  {b.version}
                </span>
              )}
              {m.codes.length > 0 && <span className="q mono">{m.codes.join(", ")}</span>}
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
