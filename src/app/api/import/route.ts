import { guarded } from "@/server/guarded";
import { json, problem, readBytes } from "@/server/http";
import { importJob } from "@/server/transfer";

export const dynamic = "force-dynamic";

export const POST = guarded(async (req: Request): Promise<Response> => {
  if (!/^application\/zip\b/i.test(req.headers.get("content-type") ?? ""))
    return problem(415, "Send the exported job as application/zip.");
  const body = await readBytes(req, 40_000_000);
  if (!body.ok) return body.response;
  if (body.value.length === 0) return problem(400, "The file is empty: expected an exported job, a zip.");
  const done = await importJob(body.value);
  return done.ok ? json(done) : problem(400, "The job was not imported. Nothing was saved.", done.problems);
});
