import { readEdidPort } from "@/server/edid";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { EdidRequest } from "@/wire/catalogue";

export const dynamic = "force-dynamic";

export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, EdidRequest);
  if (!body.ok) return body.response;
  const read = await readEdidPort(body.value.jobId);
  return read.ok ? json({ hex: read.hex }) : problem(read.status, read.problem);
});
