import { format } from "date-fns";
import { outcomeWords } from "@/server/find";
import { guarded } from "@/server/guarded";
import { json } from "@/server/http";
import { jobsOfSerial } from "@/server/machineLife";

export const dynamic = "force-dynamic";

/** Earlier jobs of the machine with this serial. */
export const GET = guarded(async (req: Request): Promise<Response> => {
  const serial = (new URL(req.url).searchParams.get("serial") ?? "").slice(0, 60);
  const day = (iso: string | null) => (iso ? format(new Date(iso), "EEE d MMM yyyy") : "");
  return json({
    jobs: (await jobsOfSerial(serial)).slice(0, 20).map((j) => ({
      id: j.id,
      number: j.number,
      station: j.station,
      customer: j.customer,
      contact: j.contact,
      machine: j.machine,
      when: j.closed ? `${outcomeWords(j.closed)} ${day(j.closedAtIso)}` : `open, in ${j.station}`,
    })),
  });
});
