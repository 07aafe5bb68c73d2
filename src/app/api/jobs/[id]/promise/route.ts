import { guarded } from "@/server/guarded";
import { isJobId, json, problem } from "@/server/http";
import { promiseOf } from "@/server/promise";

export const dynamic = "force-dynamic";
type Context = { params: Promise<{ id: string }> };

/** When this job will be done: likely, and four times in five; null where nobody can tell yet. With `p50` and `p80`, as if its panel were ordered now. */
export const GET = guarded(async (req: Request, { params }: Context): Promise<Response> => {
  const { id } = await params;
  if (!isJobId(id)) return problem(400, `"${id}" is not a job id.`);
  const ask = new URL(req.url).searchParams;
  if (!ask.has("p50")) return json({ told: await promiseOf(id) });
  const [p50Days, p80Days] = [Number(ask.get("p50")), Number(ask.get("p80"))];
  if (!(p50Days >= 0 && p80Days >= p50Days && p80Days <= 400))
    return problem(400, "p50, p80: expected days of an order, 0 to 400, the second not less than the first.");
  return json({ told: await promiseOf(id, { p50Days, p80Days }) });
});
