import { allJobs, outcomeWords } from "@/server/find";
import { ClosedJobs } from "@/ui/bench/ClosedJobs";
import { Desk } from "@/ui/shell/Desk";

export const dynamic = "force-dynamic";
export const metadata = { title: "Closed jobs, Helvane" };

export default async function ClosedPage() {
  const jobs = (await allJobs()).filter((j) => j.closed);
  return (
    <Desk title="Closed jobs" ways={[["/builds", "Machines and builds"]]}>
      <ClosedJobs
        jobs={jobs.map((j) => ({
          id: j.id,
          number: j.number,
          customer: j.customer,
          machine: j.machine,
          serial: j.serial,
          panel: j.newCode ?? j.oldCode ?? "",
          outcome: outcomeWords(j.closed!),
          closedAtIso: j.closedAtIso,
        }))}
      />
    </Desk>
  );
}
