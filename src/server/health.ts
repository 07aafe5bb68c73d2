import { connection } from "@/data/connection";
import { storeProblem, troubleNow } from "./trouble";
import { isTrusted } from "./trust";

const SYNC = ["OFF", "NORMAL", "FULL", "EXTRA"];

/** Whether the shop can be stored: a row is written and read back; and how the live connection is set, on which hangs what a power cut may cost. */
export async function readHealth() {
  const reading = !isTrusted();
  // While the file is read through nothing is written to it: what health says then is that pages answer.
  const trouble = reading && !troubleNow() ? null : await storeProblem();
  if (trouble) return { ok: false as const, status: trouble.status, problem: trouble.words };
  const { raw } = connection();
  return {
    ok: true as const,
    status: 200,
    journalMode: raw.pragma("journal_mode", { simple: true }),
    synchronous: SYNC[Number(raw.pragma("synchronous", { simple: true }))],
    readThrough: !reading,
    foreignKeys: raw.pragma("foreign_keys", { simple: true }) === 1,
  };
}
