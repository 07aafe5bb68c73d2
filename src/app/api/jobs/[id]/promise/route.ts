import { guarded } from "@/server/guarded";
import { isJobId, json, problem } from "@/server/http";
import { promiseOf } from "@/server/promise";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };

/** When this job will be done: likely, and four times in five; null where nobody can tell yet. */
export const GET = guarded(async (_req: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  return isJobId(id) ? json({ told: await promiseOf(id) }) : problem(400, `"${id}" is not a job id.`);
});
