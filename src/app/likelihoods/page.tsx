import Link from "next/link";
import { readReference } from "@/server/reference";
import { FaultModel } from "@/ui/bench/FaultModel";
import { Brand } from "@/ui/shell/JobStrip";

export const dynamic = "force-dynamic";
export const metadata = { title: "Fault model, Helvane" };

export default async function LikelihoodsPage() {
  const row = (await readReference()).triage;
  return (
    <main className="grow-page">
      <div className="desk">
        <p>
          <Brand />
        </p>
        <h1 className="step">Fault model</h1>
        {row ? (
          <FaultModel table={row.data} version={row.version} />
        ) : (
          <div className="empty">
            <b>No fault model.</b> Start once with the shipped reference data.
          </div>
        )}
        <p>
          <Link className="link" href="/">
            To the bench
          </Link>
        </p>
      </div>
    </main>
  );
}
