import { VIA } from "@/proxy";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowMs } from "@/server/now";
import { redactJobs, toRedact } from "@/server/redact";
import { RedactRequest } from "@/wire/backup";

export const dynamic = "force-dynamic";

const MONTH_MS = 30.44 * 86_400_000;

/** Which closed jobs still hold personal words; when sure, removes them for good. At the machine itself. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  if (req.headers.get(VIA) === "bench-network") return problem(403, "Words and names are removed at the machine itself.");
  const body = await readJson(req, RedactRequest);
  if (!body.ok) return body.response;
  const { months, customer, sure, who } = body.value;
  if ((months === null) === (customer === null)) return problem(400, "Say either after how many months, or whose.");
  const lines = await toRedact(
    customer !== null ? { customer } : { before: new Date(nowMs() - months! * MONTH_MS).toISOString() },
  );
  if (!sure) return json({ lines });
  const done = await redactJobs(
    lines.map((l) => l.jobId),
    customer !== null ? "asked" : "time",
    who,
  );
  return json({ lines: [], ...done });
});
