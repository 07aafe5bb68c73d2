import { guarded } from "@/server/guarded";
import { isJobId, json, problem } from "@/server/http";
import { readJobPage } from "@/server/jobPage";
import type { JobPageReply } from "@/wire/jobPage";

export const dynamic = "force-dynamic";

/** What a station of a job is drawn with beside the job's own log: an open page asks for it when it goes to another station. */
export const GET = guarded(async (req: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
  const { id } = await params;
  const page = isJobId(id) ? await readJobPage(id, new URL(req.url).searchParams.get("station") ?? "plan") : null;
  if (!page) return problem(404, "There is no such job.");
  return json({ reference: page.reference, plan: page.plan } satisfies JobPageReply);
});
