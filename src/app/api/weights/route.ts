import { PLAN_WEIGHTS } from "@/core/teardown";
import { guarded } from "@/server/guarded";
import { json, readJson } from "@/server/http";
import { readWeights, saveWeights } from "@/server/weights";
import { WeightsSave } from "@/wire/settings";

export const dynamic = "force-dynamic";

/** What the planner weighs against each other. Plans of open jobs follow at once; what was done stays done. */
export const PUT = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, WeightsSave);
  if (!body.ok) return body.response;
  await saveWeights("shipped" in body.value ? PLAN_WEIGHTS : body.value);
  return json(await readWeights());
});
