import { connection } from "@/data/connection";
import { json } from "@/server/http";

export const dynamic = "force-dynamic";

/** How the live connection is set: what a power cut may cost depends on it. */
export async function GET(): Promise<Response> {
  const { raw } = connection();
  const SYNC = ["OFF", "NORMAL", "FULL", "EXTRA"];
  return json({
    ok: true,
    journalMode: raw.pragma("journal_mode", { simple: true }),
    synchronous: SYNC[Number(raw.pragma("synchronous", { simple: true }))],
    foreignKeys: raw.pragma("foreign_keys", { simple: true }) === 1,
  });
}
