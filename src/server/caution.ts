import { backupCaution } from "./backup/schedule";
import { troubleNow } from "./trouble";

/** What the bench says of the shop's own state: that nothing can be stored, before anything else, or that copies are missing. */
export async function shopCaution(): Promise<{ words: string; stop: boolean } | null> {
  const trouble = troubleNow();
  if (trouble) return { words: trouble.words, stop: true };
  const words = await backupCaution().catch(() => null);
  return words ? { words, stop: false } : null;
}
