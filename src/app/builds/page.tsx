import Link from "next/link";
import { makePlan } from "@/core/teardown";
import { readReference } from "@/server/reference";
import { Brand } from "@/ui/shell/JobStrip";
import { BuildImport } from "@/ui/station/BuildImport";

export const dynamic = "force-dynamic";
export const metadata = { title: "Machines and builds, Helvane" };

export default async function BuildsPage() {
  const ref = await readReference();
  return (
    <main className="grow-page">
      <div className="desk">
        <p>
          <Brand />
        </p>
        <h1 className="step">Machines and builds</h1>
        <ul className="rows">
          {ref.machines.map((m) => {
            const b = ref.builds.find((x) => x.id === m.build);
            const plan = b ? makePlan(b.data) : null;
            return (
              <li key={m.model}>
                <b>{m.model}</b>
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
        <h2 className="sec">Read a build</h2>
        <BuildImport />
        <p>
          <Link className="link" href="/">
            To the bench
          </Link>
        </p>
      </div>
    </main>
  );
}
