import { keepDrill } from "@/server/drills";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { DrillKeep } from "@/wire/settings";

export const dynamic = "force-dynamic";

/** Keeps a slip or a finished run of a rehearsal; answers with what is kept of that build and that person by now. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, DrillKeep);
  if (!body.ok) return body.response;
  const kept = await keepDrill(body.value);
  return kept ? json(kept) : problem(404, `There is no build "${body.value.build}".`);
});
