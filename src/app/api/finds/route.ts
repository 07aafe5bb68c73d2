import { takeProposal } from "@/server/finds";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { FindTake } from "@/wire/settings";

export const dynamic = "force-dynamic";

/** Takes something found at the bench over into its machine's build. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, FindTake);
  if (!body.ok) return body.response;
  const done = await takeProposal(body.value.key, nowIso());
  return done.ok ? json(done) : problem(409, done.problem);
});
