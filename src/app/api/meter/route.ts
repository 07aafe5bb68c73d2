import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { readMeter } from "@/server/meter";
import { type MeterReply, MeterRequest } from "@/wire/triage";

export const dynamic = "force-dynamic";

export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, MeterRequest);
  if (!body.ok) return body.response;
  const read = await readMeter(body.value.jobId, body.value.point, body.value.mode);
  return read.ok ? json({ value: read.value, unit: read.unit } satisfies MeterReply) : problem(read.status, read.problem);
});
