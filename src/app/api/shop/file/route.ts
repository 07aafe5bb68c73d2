import { createReadStream, statSync } from "node:fs";
import { basename } from "node:path";
import { Readable } from "node:stream";
import { VIA } from "@/proxy";
import { knownShopFile } from "@/server/backup/carry";
import { guarded } from "@/server/guarded";
import { problem } from "@/server/http";

export const dynamic = "force-dynamic";

/** A shop's file, to be put on a stick. At the machine itself. */
export const GET = guarded(async (req: Request): Promise<Response> => {
  if (req.headers.get(VIA) === "bench-network") return problem(403, "A shop is carried away at the machine itself.");
  const file = await knownShopFile(new URL(req.url).searchParams.get("file") ?? "");
  if (!file) return problem(404, "That file is not there any more.");
  return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream, {
    headers: {
      "content-type": "application/zip",
      "content-length": String(statSync(file).size),
      "content-disposition": `attachment; filename="${basename(file)}"`,
      "cache-control": "no-store",
    },
  });
});
