import { nextJobNumber } from "@/server/jobLog";
import { nowMs } from "@/server/now";
import { readReference } from "@/server/reference";
import { NewJob } from "@/ui/bench/NewJob";

export const dynamic = "force-dynamic";
export const metadata = { title: "New job, Helvane" };

export default async function NewJobPage() {
  const ref = await readReference();
  return (
    <NewJob
      number={await nextJobNumber()}
      machines={ref.machines.map((m) => ({ model: m.model, codes: m.codes, hasBuild: m.build !== null }))}
      nowMs={nowMs()}
    />
  );
}
