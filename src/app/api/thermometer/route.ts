import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { readThermometer } from "@/server/thermometer";
import { ThermometerRequest } from "@/wire/heat";

export const dynamic = "force-dynamic";

/** One reading of the contact thermometer, the stand-in that ships. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, ThermometerRequest);
  if (!body.ok) return body.response;
  const read = await readThermometer(body.value.jobId, body.value);
  return read.ok ? json({ surfaceC: read.surfaceC }) : problem(read.status, read.problem);
});
