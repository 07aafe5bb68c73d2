import { notFound } from "next/navigation";
import { makePlan } from "@/core/teardown";
import { allJobs } from "@/server/find";
import { isJobId } from "@/server/http";
import { readFamilyTable, readReference, shippedTemplates } from "@/server/reference";
import { readWeights } from "@/server/weights";
import { BuildEditor } from "@/ui/builds/BuildEditor";
import { NewBuild } from "@/ui/builds/NewBuild";

export const dynamic = "force-dynamic";
export const metadata = { title: "Build, Helvane" };

export default async function BuildPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ machine?: string; job?: string }>;
}) {
  const { id } = await params;
  const { machine, job } = await searchParams;
  // Whoever came here from a job goes back to it.
  const from = job && isJobId(job) ? ((await allJobs()).find((j) => j.id === job) ?? null) : null;
  const back = from && { id: from.id, number: from.number };
  const ref = await readReference();
  const weights = await readWeights();
  if (id === "new")
    return (
      <NewBuild
        table={readFamilyTable()}
        templates={[...ref.builds.map((b) => b.data), ...shippedTemplates()]}
        model={(machine ?? "").slice(0, 60)}
        back={back}
        weights={weights}
        machines={ref.machines.filter((m) => !m.build).map((m) => m.model)}
      />
    );
  const row = ref.builds.find((b) => b.id === id);
  if (!row) notFound();
  return (
    <BuildEditor
      key={id}
      back={back}
      build={row.data}
      version={row.version}
      plan={makePlan(row.data, [], undefined, weights)}
      weights={weights}
    />
  );
}
