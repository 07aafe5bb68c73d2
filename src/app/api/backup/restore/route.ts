import { VIA } from "@/proxy";
import { verifyBackup } from "@/server/backup";
import { knownBackup } from "@/server/backup/commands";
import { restoreBackup } from "@/server/backup/restore";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { nowIso } from "@/server/now";
import { RestoreRequest } from "@/wire/backup";

export const dynamic = "force-dynamic";

/** Reads a backup back and says what is in it; when sure, puts the shop back from it. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  if (req.headers.get(VIA) === "bench-network") return problem(403, "A shop is put back at the machine itself.");
  const body = await readJson(req, RestoreRequest);
  if (!body.ok) return body.response;
  const file = await knownBackup(body.value.file);
  if (!file) return problem(404, "That backup is not there any more. Reload the list.");
  if (!body.value.sure) {
    const read = await verifyBackup(file);
    return read.ok ? json({ read }) : problem(409, `This backup is not good: ${read.problems[0]}. Nothing was changed.`);
  }
  const done = await restoreBackup(file, nowIso());
  return done.ok ? json({ read: done.read, before: done.before }) : problem(409, done.problems[0] ?? "Not put back.");
});
