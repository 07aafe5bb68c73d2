import { VIA } from "@/proxy";
import { backupLines, keepBackupSetting } from "@/server/backup/commands";
import { backUp, readBackupDone } from "@/server/backup/schedule";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { BackupSave } from "@/wire/backup";

export const dynamic = "force-dynamic";

const fromAfar = (req: Request) =>
  req.headers.get(VIA) === "bench-network" ? problem(403, "Backups are made and set at the machine itself.") : null;

export const GET = guarded(async (req: Request): Promise<Response> => {
  return fromAfar(req) ?? json({ done: await readBackupDone(), backups: await backupLines() });
});

/** Backs up now. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  const no = fromAfar(req);
  if (no) return no;
  const done = await backUp();
  return json(done, done.ok ? 200 : 500);
});

export const PUT = guarded(async (req: Request): Promise<Response> => {
  const no = fromAfar(req);
  if (no) return no;
  const body = await readJson(req, BackupSave);
  if (!body.ok) return body.response;
  const kept = await keepBackupSetting(body.value);
  return kept.ok ? json({ caution: kept.caution }) : problem(400, kept.problem);
});
