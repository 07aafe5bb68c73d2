import { readReference } from "@/server/reference";
import { FaultModel } from "@/ui/bench/FaultModel";
import { Desk } from "@/ui/shell/Desk";

export const dynamic = "force-dynamic";
export const metadata = { title: "Fault model, Helvane" };

export default async function LikelihoodsPage() {
  const row = (await readReference()).triage;
  return (
    <Desk title="Fault model">
      {row ? (
        <FaultModel table={row.data} version={row.version} />
      ) : (
        <div className="empty">
          <b>No fault model.</b> Start once with the shipped reference data.
        </div>
      )}
    </Desk>
  );
}
