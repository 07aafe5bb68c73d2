import { VIA } from "@/proxy";
import { knownBackup } from "@/server/backup/commands";
import { drill } from "@/server/backup/drill";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { DrillRequest } from "@/wire/backup";

export const dynamic = "force-dynamic";

/** Starts the shop from a copy, in a second instance on this machine, and says how that went. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  if (req.headers.get(VIA) === "bench-network") return problem(403, "Backups are tried out at the machine itself.");
  const body = await readJson(req, DrillRequest);
  if (!body.ok) return body.response;
  const file = await knownBackup(body.value.file);
  if (!file) return problem(404, "There is no such backup.");
  const done = await drill(file);
  return done.ok ? json(done) : problem(500, `The shop did not start from this copy: ${done.problem}`);
});
