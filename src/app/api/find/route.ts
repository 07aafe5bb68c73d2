import { findAnything } from "@/server/find";
import { guarded } from "@/server/guarded";
import { json, problem } from "@/server/http";

export const dynamic = "force-dynamic";
const MOST_TYPED = 120;

/** Everything of the shop that answers what was typed. */
export const GET = guarded(async (req: Request): Promise<Response> => {
  const q = (new URL(req.url).searchParams.get("q") ?? "").trim();
  if (q.length > MOST_TYPED) return problem(400, `${q.length} characters are more than is looked for: ${MOST_TYPED} at most.`);
  return json(await findAnything(q));
});
