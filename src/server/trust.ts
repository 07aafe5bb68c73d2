import { resolve } from "node:path";
import { databaseFile } from "./databaseFile";
import { knownGood, noteDamage, startProblem, type Trouble } from "./trouble";

/**
 * A shop's file is read through once in each start, before anything is written to it. Pages may be looked at meanwhile: with
 * hundreds of megabytes on a cold disk that takes many seconds, and looking harms nothing.
 */
const store = globalThis as typeof globalThis & { helvaneTrust?: Promise<Trouble | null> | undefined; helvaneTrusted?: boolean };

/** How long a start still waits for the reading before it shows pages, ms: it began when the process did, and a small shop is read through by now. */
const START_WAITS_MS = 100;

/**
 * Begins to trust a file that is being read through on another thread.
 * @param reading what that thread will say: "ok", what is damaged, or null when it could not tell (then it is read here)
 * @returns what is already known to be wrong when the start has waited long enough, in words; else null
 */
export async function trustWhenRead(reading: Promise<string | null> | null, waitMs = START_WAITS_MS): Promise<string | null> {
  const said = reading
    ? await Promise.race([reading, new Promise<undefined>((done) => setTimeout(done, waitMs, undefined))])
    : null;
  store.helvaneTrusted = said !== undefined;
  store.helvaneTrust = undefined;
  if (said !== undefined) return startProblem(said);
  const wrong = startProblem("ok", false);
  if (wrong) return wrong;
  const mine: Promise<Trouble | null> = (reading as Promise<string | null>).then((whole) => {
    // Put back from a backup meanwhile: what was read was the old one.
    if (store.helvaneTrust !== mine) return null;
    const words =
      whole === null
        ? startProblem()
        : whole === "ok"
          ? null
          : `The database ${resolve(databaseFile())} is damaged (${whole}). ${knownGood()}`;
    store.helvaneTrusted = words === null;
    if (!words) return null;
    console.error(`[helvane] ${words}`);
    const trouble: Trouble = {
      status: 500,
      what: "corrupt",
      words: `${words} Nothing is written to it; what you enter is kept.`,
    };
    noteDamage(trouble);
    return trouble;
  });
  store.helvaneTrust = mine;
  return null;
}

/** Whether the file has been read through and is whole. */
export const isTrusted = (): boolean => store.helvaneTrusted ?? true;

/** Waits until the file has been read through; what is wrong with it, or null when it may be written to. */
export const mayWrite = async (): Promise<Trouble | null> => (await store.helvaneTrust) ?? null;

/** Another file stands in its place, one that was read through before it was put there. */
export function trustAnother(): void {
  store.helvaneTrust = undefined;
  store.helvaneTrusted = true;
  noteDamage(null);
}
