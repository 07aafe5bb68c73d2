import { writeShop } from "@/server/backup/shopZip";
import { answering } from "./answer";

answering(async (ask: { db: string; to: string; nowIso: string; passphrase: string | null }) => {
  try {
    return { ok: true as const, manifest: await writeShop(ask.db, ask.to, ask.nowIso, ask.passphrase) };
  } catch (e) {
    return { ok: false as const, problem: (e as Error).message };
  }
});
