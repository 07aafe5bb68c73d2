import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { importBuild } from "@/server/reference";
import { BuildImport } from "@/wire/settings";

export const dynamic = "force-dynamic";

export const POST = guarded(async (req: Request): Promise<Response> => {
  const body = await readJson(req, BuildImport, 3_000_000);
  if (!body.ok) return body.response;
  const done = await importBuild(body.value.text, body.value.replaceVersion, nowIso());
  return done.ok ? json(done) : problem(400, "The build was not read. Nothing was saved.", done.problems);
});
