import { guarded } from "@/server/guarded";
import { json, problem } from "@/server/http";
import { promiseNew } from "@/server/promise";

export const dynamic = "force-dynamic";

/** What could be promised for a machine that comes in today. */
export const GET = guarded(async (req: Request): Promise<Response> => {
  const model = new URL(req.url).searchParams.get("machine")?.trim() ?? "";
  if (model.length > 60) return problem(400, "machine: expected 60 letters at most.");
  return json({ told: await promiseNew(model) });
});
