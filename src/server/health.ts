import { connection } from "@/data/connection";

const SYNC = ["OFF", "NORMAL", "FULL", "EXTRA"];

/** How the live connection is set: what a power cut may cost depends on it. */
export function readHealth() {
  const { raw } = connection();
  return {
    ok: true,
    journalMode: raw.pragma("journal_mode", { simple: true }),
    synchronous: SYNC[Number(raw.pragma("synchronous", { simple: true }))],
    foreignKeys: raw.pragma("foreign_keys", { simple: true }) === 1,
  };
}
