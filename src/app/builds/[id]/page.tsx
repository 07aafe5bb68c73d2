import { notFound } from "next/navigation";
import { makePlan } from "@/core/teardown";
import { readFamilyTable, readReference } from "@/server/reference";
import { readWeights } from "@/server/weights";
import { BuildEditor } from "@/ui/builds/BuildEditor";
import { NewBuild } from "@/ui/builds/NewBuild";

export const dynamic = "force-dynamic";
export const metadata = { title: "Build, Helvane" };

export default async function BuildPage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const ref = await readReference();
  const weights = await readWeights();
  if (id === "new")
    return (
      <NewBuild
        table={readFamilyTable()}
        templates={ref.builds.map((b) => b.data)}
        weights={weights}
        machines={ref.machines.filter((m) => !m.build).map((m) => m.model)}
      />
    );
  const row = ref.builds.find((b) => b.id === id);
  if (!row) notFound();
  return (
    <BuildEditor
      key={id}
      build={row.data}
      version={row.version}
      plan={makePlan(row.data, [], undefined, weights)}
      weights={weights}
    />
  );
}
