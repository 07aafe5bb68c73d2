import { readReference } from "@/server/reference";
import { ProcedureEditor } from "@/ui/procedures/ProcedureEditor";
import { Desk } from "@/ui/shell/Desk";

export const dynamic = "force-dynamic";
export const metadata = { title: "Makers' procedures, Helvane" };

export default async function ProceduresPage() {
  const { procedures } = await readReference();
  return (
    <Desk title="Makers' procedures" ways={[["/builds", "Machines and builds"]]}>
      <p className="q">
        Pairing, a first start: steps with their windows, followed at Close with a clock that survives a reload. The maker's own
        instructions come first.
      </p>
      <ProcedureEditor kept={procedures.map(({ id, version, data }) => ({ id, version, data }))} />
    </Desk>
  );
}
