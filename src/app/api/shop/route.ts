import { VIA } from "@/proxy";
import { exportShop } from "@/server/backup/carry";
import { guarded } from "@/server/guarded";
import { json, problem, readJson } from "@/server/http";
import { ShopExport } from "@/wire/backup";

export const dynamic = "force-dynamic";

/** Writes the whole shop as one file beside the backups. At the machine itself. */
export const POST = guarded(async (req: Request): Promise<Response> => {
  if (req.headers.get(VIA) === "bench-network") return problem(403, "A shop is carried away at the machine itself.");
  const body = await readJson(req, ShopExport);
  if (!body.ok) return body.response;
  const done = await exportShop(body.value.passphrase);
  return done.ok ? json({ file: done.file, counts: done.counts }) : problem(500, `Not written: ${done.problem}`);
});
