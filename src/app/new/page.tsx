import { connection } from "@/data/connection";
import { jobNumbers } from "@/data/eventStore";
import { nowMs } from "@/server/now";
import { readReference } from "@/server/reference";
import { NewJob } from "@/ui/bench/NewJob";

export const dynamic = "force-dynamic";

export default async function NewJobPage() {
  const numbers = (await jobNumbers(connection().db)).map((n) => Number(n.number.slice(2)));
  const ref = await readReference();
  return (
    <NewJob
      number={`H-${Math.max(2400, ...numbers) + 1}`}
      machines={ref.machines.map((m) => ({ model: m.model, hasBuild: m.build !== null }))}
      nowMs={nowMs()}
    />
  );
}
